<script setup lang="ts">
import { formatDay, parseDay, type Calendar } from '@yarin/core';
import { computed, ref, useTemplateRef } from 'vue';
import { gridOf, rowNames } from './dayGrid.js';
import { isIn, type Span } from './draft.js';
import { dayWords } from '../shared/readersDates.js';

/** A term as a strip of weeks; days are chosen by dragging over them, or with Shift and the arrows. */
const {
  calendar,
  classDays = new Set(),
  movable,
} = defineProps<{ calendar: Calendar; classDays?: ReadonlySet<number>; movable: boolean }>();
const emit = defineEmits<{ choose: [] }>();
const chosen = defineModel<Span | null>('chosen', { required: true });

const weeks = computed(() => gridOf(calendar, classDays));
const rows = computed(() => rowNames(calendar));
const grid = useTemplateRef<HTMLElement>('grid');
/** Where choosing began, and where it is now. */
const anchor = ref('');
const focused = ref('');
const isDragging = ref(false);
const current = computed(() => focused.value || calendar.firstDay);
const chosenWords = computed(() =>
  chosen.value === null
    ? ''
    : chosen.value.from === chosen.value.to
      ? dayWords(parseDay(chosen.value.from))
      : `${dayWords(parseDay(chosen.value.from))} to ${dayWords(parseDay(chosen.value.to))}`,
);

function reach(date: string): void {
  focused.value = date;
  const [from, to] = [anchor.value, date].sort() as [string, string];
  chosen.value = { from, to };
}
function begin(date: string, extend: boolean): void {
  if (!movable) return;
  if (!extend || anchor.value === '') anchor.value = date;
  isDragging.value = true;
  reach(date);
}
function end(): void {
  if (!isDragging.value) return;
  isDragging.value = false;
}

const STEPS: Readonly<Record<string, number>> = { ArrowUp: -1, ArrowDown: 1, ArrowLeft: -7, ArrowRight: 7 };
function pressed(event: KeyboardEvent): void {
  const step = STEPS[event.key];
  if (step !== undefined) {
    const next = formatDay(parseDay(current.value) + step);
    if (!isIn(next, { from: weeks.value[0]!.days[0]!.date, to: weeks.value.at(-1)!.days[6]!.date })) return;
    if (!event.shiftKey || anchor.value === '') anchor.value = event.shiftKey ? current.value : next;
    if (movable) reach(next);
    else focused.value = next;
  } else if (event.key === 'Enter' && movable) {
    if (chosen.value === null) begin(current.value, false);
    end();
    emit('choose');
  } else return;
  event.preventDefault();
}
const isChosen = (date: string): boolean => chosen.value !== null && isIn(date, chosen.value);
const focusGrid = (): void => grid.value?.focus();
defineExpose({ focus: focusGrid });
</script>

<template>
  <div
    ref="grid"
    class="grid"
    role="grid"
    tabindex="0"
    :aria-label="`${calendar.name}, a column a week`"
    :aria-activedescendant="`day-${current}`"
    :style="{ '--weeks': weeks.length }"
    @keydown="pressed"
    @pointerup="end"
    @pointerleave="end"
  >
    <div class="row head" role="row">
      <span role="columnheader"></span>
      <span v-for="week in weeks" :key="week.start" class="month" role="columnheader">{{ week.month }}</span>
    </div>
    <div class="row head" role="row">
      <span class="quiet small" role="rowheader">week</span>
      <span v-for="week in weeks" :key="week.start" class="week" role="columnheader">{{ week.label }}</span>
    </div>
    <div v-for="(name, at) in rows" :key="name" class="row" role="row">
      <span class="quiet small name" role="rowheader">{{ name }}</span>
      <span
        v-for="week in weeks"
        :id="`day-${week.days[at]!.date}`"
        :key="week.start"
        role="gridcell"
        class="day"
        :class="[
          week.days[at]!.is,
          {
            chosen: isChosen(week.days[at]!.date),
            current: current === week.days[at]!.date,
            first: week.days[at]!.number === 1,
          },
        ]"
        :aria-selected="isChosen(week.days[at]!.date)"
        :aria-label="week.days[at]!.words"
        :title="week.days[at]!.words"
        @pointerdown="begin(week.days[at]!.date, $event.shiftKey)"
        @pointerenter="isDragging && reach(week.days[at]!.date)"
      >
        <span class="number">{{ week.days[at]!.number }}</span>
        <span v-if="week.days[at]!.runsAs" class="as">as {{ week.days[at]!.runsAs }}</span>
        <span v-else-if="week.days[at]!.label" class="label">{{ week.days[at]!.label }}</span>
        <span v-else-if="week.days[at]!.isClassDay" class="tick" aria-hidden="true"></span>
      </span>
    </div>
  </div>
  <p class="visually-hidden" aria-live="polite">{{ chosenWords }}</p>
</template>

<style scoped>
.grid {
  user-select: none;
  touch-action: none;
  overflow-x: auto;
}

.row {
  display: grid;
  grid-template-columns: 40px repeat(var(--weeks), minmax(38px, 1fr));
}

.head {
  font-size: 12.5px;
  color: var(--quiet);
}

.month {
  font: 500 15px/20px var(--serif);
  color: var(--ink);
}

.week {
  padding-left: 5px;
}

.name {
  align-self: center;
}

.day {
  position: relative;
  height: 29px;
  padding: 1px 5px;
  border: 1px solid var(--rule-faint);
  border-width: 1px 0 0 1px;
  background: var(--raised);
  line-height: 13px;
  overflow: hidden;
  white-space: nowrap;
  cursor: default;
}

.number {
  font-size: 12.5px;
}

.weekend {
  background: var(--paper);
}

.weekend .number,
.outside .number {
  color: var(--ash-ink);
}

.outside {
  background: none;
  border-color: transparent;
}

.closed {
  background: repeating-linear-gradient(135deg, var(--raised) 0 5px, var(--rule) 5px 6px);
}

.exam {
  background: var(--exam);
}

.first {
  border-left-color: var(--hatch);
}

.label,
.as {
  display: block;
  font-size: 11px;
  line-height: 12px;
  color: var(--ink);
  overflow: hidden;
  text-overflow: ellipsis;
}

.closed .label {
  width: fit-content;
  max-width: 100%;
  background: var(--raised);
}

.as {
  color: var(--indigo);
}

.tick {
  position: absolute;
  left: 6px;
  bottom: 3px;
  width: 12px;
  height: 3px;
  border-radius: 1px;
  background: var(--indigo);
}

.chosen {
  box-shadow: inset 0 0 0 2px var(--indigo);
}

.grid:focus-visible {
  outline: none;
}

.grid:focus-visible .current {
  outline: 2px solid var(--indigo);
  outline-offset: -2px;
}
</style>
