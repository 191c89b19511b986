<script setup lang="ts">
import { readDateColumn, type PreviewDate } from '@yarin/core';
import { computed } from 'vue';
import LongList from '../../shared/LongList.vue';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';
import { dateStyle, momentWords } from '../../shared/readersDates.js';

/** A pasted column of dates, row by row beside the dates that it would set. */
const { dates, column } = defineProps<{
  /** The rows that the column falls on, as many as it has. */
  dates: readonly PreviewDate[];
  column: readonly string[];
}>();
const emit = defineEmits<{ done: []; set: [ids: readonly string[]] }>();

const plan = usePlanStore();
const LONGEST_CELL = 200;
const rows = computed(() => {
  const cells = dates.map(({ from, to }, at) => ({
    text: (column[at] ?? '').slice(0, LONGEST_CELL),
    at: to,
    time: from.slice(11),
  }));
  const { calendar, meetings } = plan.view!.shell;
  const read = readDateColumn(cells, { order: dateStyle.value.order, calendar, meetings });
  return dates.map((date, at) => {
    const result = read[at]!;
    const cell = result.ok ? { at: result.value } : { at: null, problem: result.problems[0]!.message };
    return { date, cell };
  });
});
const changed = computed(() =>
  Object.fromEntries(
    rows.value.flatMap(({ date, cell }) => (cell.at !== null && cell.at !== date.to ? [[date.id, cell.at]] : [])),
  ),
);
const size = computed(() => Object.keys(changed.value).length);

function set(): void {
  const dated = changed.value;
  emit('set', Object.keys(dated));
  plan.setByHand(dated, `paste ${count(size.value, 'date')}`);
  emit('done');
}
</script>

<template>
  <section class="paste" aria-label="Pasted dates" @keydown.esc.stop="emit('done')">
    <p>
      {{ count(column.length, 'pasted cell') }}, from {{ dates[0]?.title }} on.
      <template v-if="column.length > dates.length">
        {{ count(column.length - dates.length, 'cell falls', 'cells fall') }} below the last row.
      </template>
      <button class="plain-link" :disabled="size === 0" @click="set">set {{ size }} by hand</button>
      · <button class="plain-link" @click="emit('done')">leave it</button>
    </p>
    <LongList :rows="rows" label="Pasted cells">
      <template #default="{ row: { date, cell } }">
        <span class="row">
          <span>{{ date.title }}</span>
          <span class="quiet">{{ date.to === null ? 'no date' : momentWords(date.to) }}</span>
          <span v-if="cell.problem" class="bad">{{ cell.problem }}</span>
          <span v-else-if="cell.at">{{ momentWords(cell.at) }}{{ cell.at === date.to ? ', as it is' : '' }}</span>
          <span v-else class="quiet">empty, stays</span>
        </span>
      </template>
    </LongList>
  </section>
</template>

<style scoped>
.paste {
  flex: none;
  padding: 4px calc(var(--margin) + 8px) 8px;
  background: var(--raised);
  border-block: 1px solid var(--rule);
}

.row {
  display: grid;
  grid-template-columns: 260px 150px minmax(0, 1fr);
  gap: 12px;
}

.row > :first-child {
  overflow: hidden;
  text-overflow: ellipsis;
}

.bad {
  color: var(--weld-ink);
}
</style>
