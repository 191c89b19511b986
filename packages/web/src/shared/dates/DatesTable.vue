<script setup lang="ts">
import { ROLE_WORDS, type PreviewDate } from '@yarin/core';
import { computed, nextTick, ref, watch } from 'vue';
import TypedDate from './TypedDate.vue';
import type { Time } from './termSheet.js';
import { faceOf, whyWords } from './dateFaces.js';
import { useRowWindow } from '../useRowWindow.js';
import { useTableHands } from './useTableHands.js';
import { momentWords } from '../readersDates.js';

const {
  dates,
  doubtful,
  movable,
  fromOf,
  chosen,
  beside,
  time,
  notes,
  besideWords = 'work',
  backWords = 'back to the rule',
} = defineProps<{
  dates: readonly PreviewDate[];
  /** The term that dates are typed and picked in. */
  time: Time;
  /** What is unusual about a date where it stands, or would. */
  notes?: ((date: PreviewDate, at: string) => readonly string[]) | undefined;
  doubtful: ReadonlySet<string>;
  movable: boolean;
  /** Of several sources: where a date is from. */
  fromOf?: ((date: PreviewDate) => string) | undefined;
  /** What is said beside a date instead of why it goes there. */
  beside?: ((date: PreviewDate) => string) | undefined;
  /** What stands over it. */
  besideWords?: string;
  /** What gives a date set by hand back: “back to the rule”. */
  backWords?: string;
  /** Ids of the rows that are chosen. */
  chosen: ReadonlySet<string>;
}>();
const emit = defineEmits<{
  set: [id: string, at: string];
  back: [date: PreviewDate];
  toggle: [index: number];
  extend: [index: number, from: number];
  all: [];
  paste: [cells: readonly string[]];
}>();
const focused = defineModel<number>('focused', { required: true });

/** Where work had no date, its day ends at midnight. */
const END_OF_DAY = '23:59';
const ROW = 29;
const HEAD = 26;
const ROWS_BEFORE = 3;
const scroller = ref<HTMLElement | null>(null);
const { inSight, height, reveal, scrollTo } = useRowWindow(scroller, () => dates.length, ROW, HEAD);
const editing = ref<string | null>(null);

const rowId = (index: number): string => `date-row-${index}`;

/** The row that is being scrolled to already, with some before it. */
let isShown = -1;
watch(focused, (index) => {
  if (index !== isShown) void nextTick(() => reveal(index));
  isShown = -1;
});

function edit(): void {
  const date = dates[focused.value];
  if (!movable || date === undefined) return;
  editing.value = date.id;
}
/** Scrolls so that a row stands near the top, with some before it. */
function showFrom(index: number): void {
  isShown = index;
  focused.value = index;
  void nextTick(() => scrollTo((index - ROWS_BEFORE) * ROW));
}
defineExpose({ edit, showFrom });

function close(): void {
  editing.value = null;
  scroller.value?.focus();
}

function set(id: string, at: string | null): void {
  if (at) emit('set', id, at);
  close();
}

const { pressed, pasted } = useTableHands({
  scroller,
  length: () => dates.length,
  focused: () => focused.value,
  isFree: () => movable && editing.value === null,
  movable: () => movable,
  go: (index) => void (focused.value = index),
  edit,
  extend: (index, from) => emit('extend', index, from),
  toggle: (index) => emit('toggle', index),
  all: () => emit('all'),
  paste: (cells) => emit('paste', cells),
});

function pressedRow(index: number, event: MouseEvent): void {
  const before = focused.value;
  focused.value = index;
  if (!movable) return;
  if (event.shiftKey) emit('extend', index, before);
  else if (event.ctrlKey || event.metaKey) emit('toggle', index);
}

/** With Shift a stretch of rows is chosen, from the one that was pressed last. */
function pressedBox(index: number, { shiftKey }: MouseEvent): void {
  const before = focused.value;
  focused.value = index;
  if (shiftKey) emit('extend', index, before);
  else emit('toggle', index);
}

/** Rows by their place, so that a change of the dates rewrites them instead of making them anew. */
const rows = computed(() =>
  inSight.value.map(({ index, start }) => {
    const date = dates[index]!;
    const noted = date.rule === 'byHand' && date.to !== null ? (notes?.(date, date.to) ?? []) : [];
    return {
      date,
      index,
      start,
      told: beside?.(date) ?? [whyWords(date), ...noted].join(' · '),
      isNoted: noted.length > 0,
    };
  }),
);
</script>

<template>
  <div
    ref="scroller"
    class="table"
    role="grid"
    tabindex="0"
    aria-label="Dates, old and new, doubts first"
    :aria-rowcount="dates.length + 1"
    :aria-activedescendant="dates.length > 0 ? rowId(focused) : undefined"
    aria-multiselectable="true"
    @keydown="pressed"
    @paste="pasted"
  >
    <div class="row head" role="row">
      <span role="columnheader"><span class="visually-hidden">chosen</span></span>
      <span role="columnheader">thing</span>
      <span role="columnheader">role</span>
      <span role="columnheader">was</span>
      <span role="columnheader">{{ movable ? 'will be' : 'is' }}</span>
      <span role="columnheader">{{ beside ? besideWords : movable ? 'why' : '' }}</span>
    </div>
    <div class="all" :style="{ height: `${height}px` }" role="presentation">
      <div
        v-for="{ date, index, start, told, isNoted } in rows"
        :id="rowId(index)"
        :key="index"
        class="row"
        :class="{ focused: index === focused, chosen: chosen.has(date.id) }"
        :style="{ transform: `translateY(${start}px)` }"
        role="row"
        :aria-selected="chosen.has(date.id)"
        @click="pressedRow(index, $event)"
        @dblclick="((focused = index), edit())"
      >
        <span role="gridcell">
          <input
            v-if="movable"
            type="checkbox"
            tabindex="-1"
            :checked="chosen.has(date.id)"
            :aria-label="`Choose ${date.title}, ${ROLE_WORDS[date.role]}${date.for ? ` for ${date.for}` : ''}`"
            @click.stop="pressedBox(index, $event)"
          />
        </span>
        <span class="title" role="gridcell"
          >{{ date.title }} <small v-if="date.for" class="quiet">for {{ date.for }}</small>
          <small v-if="fromOf" class="quiet">{{ fromOf(date) }}</small></span
        >
        <span class="quiet" role="gridcell">{{ ROLE_WORDS[date.role] }}</span>
        <span class="quiet" role="gridcell">{{ date.from ? momentWords(date.from) : 'no date' }}</span>
        <span role="gridcell" class="new">
          <TypedDate
            v-if="editing === date.id"
            :at="date.to ?? (date.from || null)"
            :usual-time="END_OF_DAY"
            :label="`New date of ${date.title}`"
            :time="time"
            :dates="dates"
            :own="date.id"
            :notes="notes && ((at) => notes!(date, at))"
            instant
            @set="(at) => set(date.id, at)"
            @close="close"
            @blur="editing = null"
          />
          <template v-else>
            <span v-if="date.rule === 'byHand'" class="hand" title="set by hand"></span>
            <span :class="faceOf(date, doubtful)">{{ date.to ? momentWords(date.to!) : 'no date' }}</span>
          </template>
        </span>
        <span class="why" role="gridcell">
          <span :class="['told', { noted: isNoted }]" :title="told">{{ told }}</span>
          <button v-if="date.rule === 'byHand' && movable" class="plain-link" @click.stop="emit('back', date)">
            {{ backWords }}
          </button>
          <button v-else-if="index === focused && movable && editing === null" class="plain-link" @click.stop="edit">
            set by hand
          </button>
        </span>
      </div>
    </div>
    <p v-if="dates.length === 0" class="quiet none">No dates here.</p>
  </div>
</template>

<style scoped src="./datesTable.css"></style>
