<script setup lang="ts">
import { ROLE_WORDS } from '@yarin/core';
import { computed, ref } from 'vue';
import { doubtsWords } from '../calendars/effectWords.js';
import LongList from '../shared/LongList.vue';
import { count } from '../shared/words.js';
import { usePlanStore } from './state/planStore.js';
import { asRead, momentWords } from '../shared/readersDates.js';

/** What calendars and class days say otherwise since the plan was last seen, and which dates that moves. */
const plan = usePlanStore();
const change = computed(() => plan.view!.calendarChange);
const isOpen = ref(false);
const moving = computed(() => {
  const { length } = change.value!.dates;
  if (length === 0) return 'No date moves';
  return plan.isDone
    ? `${count(length, 'date', 'dates')} would go elsewhere now; what was brought stays`
    : count(length, 'date moves', 'dates move');
});
</script>

<template>
  <section v-if="change" class="notice" aria-label="The calendar changed">
    <p>
      <b>The calendar changed.</b>
      {{ asRead(change.what.join('. ')) }}. {{ moving }}{{ `; ${doubtsWords(change)}.`
      }}{{ plan.isDone ? '' : ' Dates set by hand stay.' }}
      <button v-if="change.dates.length > 0" class="plain-link" :aria-expanded="isOpen" @click="isOpen = !isOpen">
        which
      </button>
      <RouterLink
        v-if="plan.isDone && change.dates.length > 0"
        class="place-link"
        :to="{
          name: 'course',
          params: { id: plan.view!.shell.course.id, part: 'dates' },
          query: { look: 'anew' },
        }"
        >date them anew</RouterLink
      >
      <button v-if="plan.view!.right.may" class="plain-link seen" @click="plan.see">seen</button>
    </p>
    <LongList v-if="isOpen" class="small" :rows="change.dates" label="Dates that move">
      <template #default="{ row: date }">
        <span class="row">
          <span>{{ date.title }}</span>
          <span class="quiet">{{ ROLE_WORDS[date.role] }}</span>
          <span class="quiet">{{ date.was === null ? 'no date' : momentWords(date.was) }}</span>
          <span>{{ date.is === null ? 'no date' : momentWords(date.is) }}</span>
        </span>
      </template>
    </LongList>
  </section>
</template>

<style scoped>
.notice {
  flex: none;
  padding: 8px var(--margin);
  border-bottom: 1px solid var(--rule);
  background: var(--weld-paper);
}

b {
  font-weight: 600;
}

.plain-link,
.place-link {
  margin-left: 10px;
}

.row {
  display: grid;
  grid-template-columns: 280px 70px 148px 148px;
  gap: 12px;
}

.row > :first-child {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
