<script setup lang="ts">
import { formatDay, ROLE_WORDS } from '@yarin/core';
import { ref } from 'vue';
import type { CourseDate, MonthView } from './months.js';
import { momentWords, timeWords } from '../../shared/readersDates.js';

/** One month of a course, each day with what is on it. */
defineProps<{
  month: MonthView;
  weekdays: readonly string[];
  today: number;
  /** Dates can be dragged to another day. */
  movable: boolean;
}>();
const emit = defineEmits<{
  open: [key: string];
  move: [date: CourseDate, day: string];
  over: [date: CourseDate, day: number | null];
}>();

const held = ref<CourseDate | null>(null);
const under = ref<number | null>(null);
function over(day: number): void {
  if (held.value === null || under.value === day) return;
  under.value = day;
  emit('over', held.value, day);
}
function release(): void {
  if (held.value !== null) emit('over', held.value, null);
  held.value = null;
  under.value = null;
}
function drop(day: number): void {
  if (held.value !== null) emit('move', held.value, formatDay(day));
  release();
}
const MOST_A_DAY = 4;
</script>

<template>
  <table>
    <thead>
      <tr>
        <th v-for="day in weekdays" :key="day" scope="col">{{ day }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="week in month.weeks" :key="week[0]!.day">
        <td
          v-for="day in week"
          :key="day.day"
          :class="{
            other: !day.isInMonth,
            closed: day.closure !== '',
            exam: day.isExam,
            outside: !day.isInTerm,
            today: day.day === today,
            under: day.day === under,
          }"
          @dragover.prevent="over(day.day)"
          @drop.prevent="drop(day.day)"
        >
          <span class="number">{{ day.date }}</span>
          <span v-if="day.closure" class="closure">{{ day.closure }}</span>
          <ul v-if="day.isInMonth && day.dates.length > 0">
            <li v-for="date in day.dates.slice(0, MOST_A_DAY)" :key="date.id">
              <button
                :title="`${ROLE_WORDS[date.role]} ${momentWords(date.at)}: ${date.title}`"
                :draggable="movable"
                @dragstart="held = date"
                @dragend="release"
                @click="emit('open', date.key)"
              >
                <span class="role">{{ date.role === 'starts' ? timeWords(date.at) : ROLE_WORDS[date.role] }}</span>
                {{ date.title }}
              </button>
            </li>
            <li v-if="day.dates.length > MOST_A_DAY" class="quiet">and {{ day.dates.length - MOST_A_DAY }} more</li>
          </ul>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  table-layout: fixed;
  border-collapse: collapse;
}

th {
  font-weight: 400;
  font-size: 12.5px;
  color: var(--quiet);
  text-align: left;
}

td {
  height: 92px;
  padding: 3px 4px;
  vertical-align: top;
  border: 1px solid var(--rule-faint);
}

.number {
  font-size: 12.5px;
  color: var(--quiet);
}

.other .number {
  color: var(--ash-ink);
}

.outside {
  background: var(--row-focus);
}

.closed {
  background: repeating-linear-gradient(135deg, transparent 0 5px, var(--rule) 5px 6px);
}

.exam {
  background: var(--exam);
}

.under {
  box-shadow: inset 0 0 0 2px var(--indigo);
}

.today .number {
  padding: 0 5px;
  border-radius: 8px;
  background: var(--indigo);
  color: var(--raised);
}

.closure {
  margin-left: 6px;
  padding: 0 3px;
  background: var(--paper);
  font-size: 12px;
  color: var(--quiet);
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li button {
  display: block;
  width: 100%;
  border: 0;
  padding: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}

li {
  font-size: 12.5px;
  line-height: 16px;
}

.role {
  color: var(--indigo);
}
</style>
