<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue';
import FileField from '../../shared/FileField.vue';
import { dateFile, readSheet, type DateSheetView } from '../../shared/api/plans.js';
import { sentenceOf } from '../../shared/api/client.js';
import LongList from '../../shared/LongList.vue';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';
import { asRead, dateStyle, momentWords } from '../../shared/readersDates.js';

/** Dates out into a spreadsheet or a calendar, and back in; only what was changed there is set by hand. */
const plan = usePlanStore();
/** What a sheet would change, before it does. */
const changes = computed(() =>
  plan.preview!.dates.flatMap((date) => {
    const to = sheet.value?.changed[date.id];
    return to === undefined ? [] : [{ key: date.id, date, to }];
  }),
);
const trouble = ref('');
const sheet = shallowRef<DateSheetView | null>(null);

/** What was decided last has to be saved before the server writes it down. */
async function take(kind: 'csv' | 'ics'): Promise<void> {
  await plan.flush();
  window.location.assign(dateFile(plan.view!.id, kind));
}
async function read([file]: readonly File[]): Promise<void> {
  trouble.value = '';
  sheet.value = null;
  try {
    await plan.flush();
    sheet.value = await readSheet(plan.view!.id, await file!.text(), dateStyle.value.order);
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}
function set(changed: DateSheetView['changed']): void {
  plan.setByHand(changed, `take ${count(Object.keys(changed).length, 'date')} from a sheet`);
  sheet.value = null;
}
</script>

<template>
  <section class="sheet" aria-label="Sheet of dates">
    <p>
      <button class="plain-link" @click="take('csv')">all dates as a table</button>
      <span class="quiet"> (CSV; change the column “will be” in a spreadsheet) · </span>
      <FileField words="read one back in" label="Sheet of dates" accept=".csv,text/csv" @chosen="read" />
      <span class="quiet"> · </span>
      <button class="plain-link" @click="take('ics')">as a calendar file</button>
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <template v-if="sheet">
      <p>
        {{ count(Object.keys(sheet.changed).length, 'date is', 'dates are') }} another than in the plan,
        {{ sheet.same }} the same.
        <button v-if="Object.keys(sheet.changed).length > 0" class="plain-link" @click="set(sheet.changed)">
          set {{ Object.keys(sheet.changed).length }} by hand
        </button>
      </p>
      <LongList v-if="changes.length > 0" :rows="changes" label="Dates that the sheet would change">
        <template #default="{ row: { date, to } }">
          <span class="change">
            <span>{{ date.title }}</span>
            <span class="quiet">{{ date.to === null ? 'no date' : momentWords(date.to) }}</span>
            <span>{{ momentWords(to) }}</span>
          </span>
        </template>
      </LongList>
      <LongList v-if="sheet.problems.length > 0" :rows="sheet.problems" label="Rows that could not be read">
        <template #default="{ row: { where, message } }">
          <span class="bad" :title="asRead(message)">line {{ where.slice(1) }}: {{ asRead(message) }}</span>
        </template>
      </LongList>
    </template>
  </section>
</template>

<style scoped>
.sheet {
  padding: 4px var(--margin) 8px;
  border-top: 1px solid var(--rule-faint);
}

.change {
  display: grid;
  grid-template-columns: 260px 150px minmax(0, 1fr);
  gap: 12px;
}

.change > :first-child {
  overflow: hidden;
  text-overflow: ellipsis;
}

.bad {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  color: var(--weld-ink);
}

.trouble {
  color: var(--madder);
}
</style>
