<script setup lang="ts">
import { weekdayWord, type PreviewDate, type Snapshot } from '@yarin/core';
import { ref } from 'vue';
import { count } from '../words.js';
import { byDays, toNextClass, toWeekday, type Moves } from './bulkMoves.js';

/** Ways to move many dates at once. */
const { dates, time } = defineProps<{
  dates: readonly PreviewDate[];
  /** Calendar and class days that they move in. */
  time: Pick<Snapshot, 'calendar' | 'meetings'>;
}>();
const emit = defineEmits<{ move: [moves: Moves, how: string] }>();

const days = ref(1);
const later = (by: number): void =>
  emit('move', byDays(dates, by), `${count(Math.abs(by), 'day')} ${by < 0 ? 'earlier' : 'later'}`);
function toDay(event: Event): void {
  const field = event.target as HTMLSelectElement;
  const weekday = Number(field.value);
  field.value = '';
  emit('move', toWeekday(dates, weekday, time.calendar.weekStartsOn), `to ${weekdayWord(weekday)}`);
}
</script>

<template>
  <form class="by" @submit.prevent="later(days)">
    <input v-model.number="days" type="number" min="-366" max="366" aria-label="How many days later" />
    <button class="plain-link" type="submit">days later</button>
  </form>
  <button
    class="plain-link"
    :disabled="time.meetings.length === 0"
    @click="emit('move', toNextClass(dates, time), 'to the next class')"
  >
    next class
  </button>
  <select aria-label="To another weekday of the same week" @change="toDay">
    <option value="" selected disabled>weekday</option>
    <option v-for="day in 7" :key="day" :value="day">{{ weekdayWord(day) }}</option>
  </select>
</template>

<style scoped>
.by {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

input {
  width: 56px;
}

button:disabled {
  color: var(--ash-ink);
  cursor: default;
}
</style>
