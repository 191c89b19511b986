<script setup lang="ts">
import { formatDay, weekdayWord, type Day } from '@yarin/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { dayWords } from '../readersDates.js';
import { dayByKey, weekdaysFrom, type TermSheet } from './termSheet.js';

/** A term to pick a day from: weeks numbered as in the strips, class days ticked, closed days hatched, graded work as dots. */
const { sheet, day } = defineProps<{
  sheet: TermSheet;
  /** The day that is typed or set now. */
  day: Day | undefined;
}>();
const emit = defineEmits<{ pick: [day: Day]; look: [day: Day | undefined]; close: [] }>();

const weekdays = computed(() => weekdaysFrom(sheet.weekStartsOn));
const at = ref<Day>(day ?? sheet.weeks[1]!.start);
watch(
  () => day,
  (next) => void (next !== undefined && (at.value = next)),
);
const last = computed(() => sheet.weeks.at(-1)!.start + 6);
const grid = useTemplateRef<HTMLTableElement>('grid');
const focusAt = (): void => void nextTick(() => grid.value?.querySelector<HTMLElement>('[tabindex="0"]')?.focus());
defineExpose({ focus: focusAt });

function pressed(event: KeyboardEvent): void {
  const next = dayByKey(event.key, at.value);
  if (next === undefined) return;
  event.preventDefault();
  event.stopPropagation();
  at.value = Math.min(last.value, Math.max(sheet.weeks[0]!.start, next));
  emit('look', at.value);
  focusAt();
}
const label = (each: Day): string => [dayWords(each), sheet.wordsFor(each)].filter((words) => words !== '').join(', ');
</script>

<template>
  <table
    ref="grid"
    class="sheet"
    role="grid"
    aria-label="Days of the term"
    @keydown="pressed"
    @mouseleave="emit('look', undefined)"
  >
    <thead>
      <tr class="months" aria-hidden="true">
        <td></td>
        <td v-for="week in sheet.weeks" :key="week.start">{{ week.month }}</td>
      </tr>
      <tr>
        <th scope="col"><span class="visually-hidden">weekday</span></th>
        <th v-for="week in sheet.weeks" :key="week.start" scope="col">
          <span v-if="week.label !== ''" class="visually-hidden">week </span>{{ week.label }}
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(weekday, place) in weekdays" :key="weekday" :class="{ weekend: weekday > 5 }">
        <th scope="row">{{ weekdayWord(weekday) }}</th>
        <td
          v-for="week in sheet.weeks"
          :key="week.start"
          role="gridcell"
          :aria-selected="week.days[place]!.day === day"
          :class="[
            'day',
            {
              class: week.days[place]!.isClass,
              closed: week.days[place]!.isClosed,
              exam: week.days[place]!.isExam,
              outside: week.days[place]!.isOutside,
              set: week.days[place]!.day === day,
            },
          ]"
        >
          <button
            type="button"
            :tabindex="week.days[place]!.day === at ? 0 : -1"
            :aria-label="label(week.days[place]!.day)"
            :data-day="formatDay(week.days[place]!.day)"
            @click="emit('pick', week.days[place]!.day)"
            @mouseenter="emit('look', week.days[place]!.day)"
            @focus="emit('look', week.days[place]!.day)"
            @keydown.esc.stop="emit('close')"
          >
            {{ week.days[place]!.date }}
            <i
              v-for="dot in Math.min(4, week.days[place]!.load)"
              :key="dot"
              class="dot"
              :style="{ left: `${27 - dot * 5}px` }"
            ></i>
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.sheet {
  border-collapse: collapse;
  font-size: 12px;
  font-variant-numeric: tabular-nums;
}

th {
  padding: 0 6px 0 0;
  line-height: 14px;
  font-weight: 400;
  color: var(--quiet);
  text-align: right;
}

thead th,
.months td {
  padding: 0;
  line-height: 14px;
  text-align: center;
}

.months td {
  height: 13px;
  line-height: 12px;
  color: var(--quiet);
  text-align: left;
  white-space: nowrap;
  overflow: visible;
  max-width: 0;
}

.day {
  padding: 0;
  border: 1px solid var(--rule-faint);
}

button {
  position: relative;
  display: block;
  width: 28px;
  height: 16px;
  border: 0;
  padding: 0 0 0 3px;
  line-height: 15px;
  text-align: left;
  background: none;
  font: inherit;
  color: var(--ink);
  cursor: pointer;
}

.class button {
  box-shadow: inset 0 2px 0 var(--ink);
}

.closed {
  background: repeating-linear-gradient(45deg, transparent 0 4px, var(--hatch) 4px 5px);
}

.exam {
  background: var(--exam);
}

.outside button {
  color: var(--ash-ink);
}

.weekend button {
  color: var(--quiet);
}

.set button {
  background: var(--indigo);
  color: var(--raised);
}

button:hover {
  outline: 1px solid var(--indigo);
}

button:focus-visible {
  outline: 2px solid var(--indigo);
  z-index: 1;
}

.dot {
  position: absolute;
  bottom: 5px;
  width: 4px;
  height: 4px;
  border-radius: 50%;
  background: var(--load-dot, var(--indigo));
}

.set .dot {
  background: var(--raised);
}
</style>
