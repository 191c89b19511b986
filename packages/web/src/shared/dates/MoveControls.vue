<script setup lang="ts">
import { parseDay, weekdayWord, type PreviewDate } from '@yarin/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { count } from '../words.js';
import { byDays, fallingOf, toDay, toNextClass, toTyped, toWeekday, type Falling, type Moves } from './bulkMoves.js';
import { asRead, dateStyle, dayWords } from '../readersDates.js';
import type { Load, Time } from './termSheet.js';
import TypedDate from './TypedDate.vue';

/** Ways to move many dates at once. What would fall on a closed day or a weekend is said before it does. */
const {
  dates,
  time,
  loads = [],
} = defineProps<{
  dates: readonly PreviewDate[];
  /** Calendar and class days that they move in. */
  time: Time;
  /** What is dated in that term, for its load. */
  loads?: readonly Load[];
}>();
const emit = defineEmits<{ move: [moves: Moves, how: string] }>();

const MOST_DAYS = 366;
/** As it is typed: a number that is none is told, not changed. */
const typed = ref('1');
const days = computed(() => (/^[+-]?\d{1,4}$/.test(typed.value.trim()) ? Number(typed.value) : NaN));
const trouble = computed(() => {
  if (typed.value.trim() === '') return 'Give a number of days, as 7 or -2.';
  if (Number.isNaN(days.value)) return `“${typed.value}” is no number of days; write it as 7 or -2.`;
  return Math.abs(days.value) > MOST_DAYS ? `At most ${MOST_DAYS} days.` : '';
});
const isTold = ref(false);

/** A move that waits for an answer about what would fall on unusual days. */
const waiting = shallowRef<{ readonly moves: Moves; readonly how: string; readonly falling: Falling } | null>(null);
watch(
  () => dates,
  (now, before) => {
    // A plan that was worked out anew, to the same days, takes no question from under the pointer.
    const alike =
      now.length === before.length && now.every(({ id, to }, at) => before[at]!.id === id && before[at]!.to === to);
    if (!alike) waiting.value = null;
  },
);
function move(moves: Moves, how: string): void {
  const falling = fallingOf(dates, moves, time);
  if (falling.ids.length === 0) emit('move', moves, how);
  else waiting.value = { moves, how, falling };
}
function answer(moves: Moves, how: string): void {
  waiting.value = null;
  emit('move', moves, how);
}
function later(): void {
  isTold.value = true;
  if (trouble.value !== '') return;
  isTold.value = false;
  move(byDays(dates, days.value), `${count(Math.abs(days.value), 'day')} ${days.value < 0 ? 'earlier' : 'later'}`);
}
/** What a typed date counts from, where it can be read for one it can be for all. */
const first = computed(() => dates.find(({ to }) => to !== null)?.to ?? null);
function toDate(at: string, text?: string): void {
  const { calendar, meetings } = time;
  if (text === undefined) move(toDay(dates, at), `to ${dayWords(parseDay(at))}`);
  else move(toTyped(dates, text, { order: dateStyle.value.order, calendar, meetings }), `to “${text.trim()}”`);
}
function toOtherWeekday(event: Event): void {
  const field = event.target as HTMLSelectElement;
  const weekday = Number(field.value);
  field.value = '';
  move(toWeekday(dates, weekday, time.calendar.weekStartsOn), `to ${weekdayWord(weekday)}`);
}
</script>

<template>
  <form class="by" @submit.prevent="later">
    <input
      v-model="typed"
      type="text"
      inputmode="numeric"
      aria-label="How many days later"
      :aria-invalid="isTold && trouble !== ''"
    />
    <button class="plain-link" type="submit">days later</button>
    <small v-if="isTold && trouble" class="trouble" role="alert">{{ trouble }}</small>
  </form>
  <button
    class="plain-link"
    :disabled="time.meetings.length === 0"
    @click="move(toNextClass(dates, time), 'to the next class')"
  >
    next class
  </button>
  <TypedDate
    :at="first"
    class="to"
    empty
    label="All to a date"
    placeholder="to 10 Mar, +1 week"
    :time="time"
    :dates="loads"
    @set="toDate"
  />
  <select aria-label="To another weekday of the same week" @change="toOtherWeekday">
    <option value="" selected disabled>weekday</option>
    <option v-for="day in 7" :key="day" :value="day">{{ weekdayWord(day) }}</option>
  </select>
  <p v-if="waiting" class="falling" role="alert">
    {{ waiting.falling.ids.length }} of {{ count(Object.keys(waiting.moves).length, 'date') }} would fall on unusual
    days: {{ asRead(waiting.falling.words) }}.
    <button
      class="plain-link"
      @click="answer({ ...waiting.moves, ...waiting.falling.onward }, `${waiting.how}, off closed days`)"
    >
      move those on to {{ waiting.falling.onwardTo }}
    </button>
    <button class="plain-link" @click="answer(waiting.moves, waiting.how)">move all as they are</button>
    <button class="plain-link" @click="waiting = null">don’t move</button>
  </p>
</template>

<style scoped>
.by {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

input {
  width: 44px;
}

.to {
  width: 150px;
}

input[aria-invalid='true'],
.trouble {
  color: var(--madder);
}

button:disabled {
  color: var(--ash-ink);
  cursor: default;
}

.falling {
  order: 9;
  flex-basis: 100%;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  margin: 0;
  padding: 3px 8px;
  background: var(--weld-paper);
  color: var(--weld-ink);
}
</style>
