<script setup lang="ts">
import { nextTick, ref } from 'vue';
import { useResizeWatch } from '../../../shared/useResizeWatch.js';
import { rowByKey } from '../../../shared/rowByKey.js';
import { useRowWindow } from '../../../shared/useRowWindow.js';
import { headingOver } from '../rows/folding.js';
import type { NewRow, OldRow } from '../rows/spreadRow.js';

/** One page of the spread: its rows with their boxes, folded and unfolded, by mouse and by keyboard. */
const { rows, side, isFolded, holding } = defineProps<{
  rows: readonly Row[];
  side: 'old' | 'new';
  label: string;
  /** What an empty page says. */
  emptyWords: string;
  isFolded: (key: string) => boolean;
  /** Keys of rows that others stand under, folded or not. */
  holding: ReadonlySet<string>;
}>();
type Row = OldRow | NewRow;
const emit = defineEmits<{
  scrolled: [top: number, height: number];
  toggle: [key: string];
  open: [key: string];
  fold: [key: string];
  foldAll: [fold: boolean];
}>();
const focused = defineModel<number>('focused', { required: true });

const scroller = ref<HTMLElement | null>(null);
const { inSight, height, reveal, scrollTo } = useRowWindow(scroller, () => rows.length);
defineExpose({ scrollTo });

const CHECKED = { on: 'true', off: 'false', part: 'mixed' } as const;
const rowId = (index: number): string => `${side}-row-${index}`;
const isOld = side === 'old';

/** A heading that is folded, or narrowed to what a filter shows, says how much it stands for. */
const kindOf = ({ key, kind, tally, isNarrowed }: Row): string =>
  tally !== '' && (isNarrowed === true || (holding.has(key) && isFolded(key))) ? tally : kind;

function goTo(index: number): void {
  focused.value = index;
  void nextTick(() => reveal(index));
}

/** Folds what is unfolded; from there, or from a thing, to the heading over it. */
function stepOut(row: Row): void {
  if (holding.has(row.key) && !isFolded(row.key)) return emit('fold', row.key);
  const over = headingOver(rows, focused.value);
  if (over >= 0) goTo(over);
}
function stepIn(row: Row): void {
  if (!holding.has(row.key)) return;
  if (isFolded(row.key)) emit('fold', row.key);
  else goTo(focused.value + 1);
}

function pressed(event: KeyboardEvent): void {
  const row = rows[focused.value];
  const to = rowByKey(event.key, focused.value, rows.length);
  if (to !== undefined) goTo(to);
  else if (row === undefined) return;
  else if (event.key === ' ') emit('toggle', row.key);
  else if (event.key === 'Enter') opened(row);
  else if (event.shiftKey && event.key === 'ArrowLeft') emit('foldAll', true);
  else if (event.shiftKey && event.key === 'ArrowRight') emit('foldAll', false);
  else if (event.key === 'ArrowLeft') stepOut(row);
  else if (event.key === 'ArrowRight') stepIn(row);
  else return;
  event.preventDefault();
}

/** A thing is opened; a heading that is none is folded. */
function opened(row: Row): void {
  if (row.item !== undefined) emit('open', row.key);
  else if (holding.has(row.key)) emit('fold', row.key);
}
function clicked(index: number): void {
  focused.value = index;
  opened(rows[index]!);
}

function scrolled(): void {
  if (scroller.value !== null) emit('scrolled', scroller.value.scrollTop, scroller.value.clientHeight);
}
useResizeWatch(scroller, scrolled);
</script>

<template>
  <div
    ref="scroller"
    class="scroller"
    :role="isOld ? 'tree' : 'treegrid'"
    :aria-label="label"
    tabindex="0"
    :aria-activedescendant="focused >= 0 ? rowId(focused) : undefined"
    @scroll.passive="scrolled"
    @keydown="pressed"
  >
    <div class="all" :style="{ height: `${height}px` }" role="presentation">
      <div
        v-for="{ index, start } in inSight"
        :id="rowId(index)"
        :key="rows[index]!.key"
        class="row"
        :class="{
          heading: rows[index]!.isHeading,
          area: rows[index]!.item === undefined,
          left: rows[index]!.box === 'off',
          focused: index === focused,
        }"
        :style="{ transform: `translateY(${start}px)` }"
        :role="isOld ? 'treeitem' : 'row'"
        :aria-level="rows[index]!.depth + 1"
        :aria-expanded="holding.has(rows[index]!.key) ? !isFolded(rows[index]!.key) : undefined"
        :aria-checked="isOld ? CHECKED[rows[index]!.box ?? 'off'] : undefined"
        :aria-selected="index === focused"
        @click="focused = index"
        @dblclick="rows[index]!.item !== undefined && emit('open', rows[index]!.key)"
      >
        <span
          class="hit"
          :title="isOld ? 'bring or leave' : 'keep or take out'"
          aria-hidden="true"
          @click.stop="((focused = index), emit('toggle', rows[index]!.key))"
          ><span v-if="rows[index]!.box" class="box" :class="rows[index]!.box"></span
        ></span>
        <span
          class="title"
          :role="isOld ? undefined : 'gridcell'"
          :style="{ paddingLeft: `${rows[index]!.depth * 18}px` }"
          ><span class="fold" aria-hidden="true" @click.stop="emit('fold', rows[index]!.key)">{{
            holding.has(rows[index]!.key) ? (isFolded(rows[index]!.key) ? '▸' : '▾') : ''
          }}</span
          ><span class="words" @click.stop="clicked(index)">{{ rows[index]!.title }}</span>
          <small v-if="rows[index]!.state" class="state">{{ rows[index]!.state }}</small>
          <small v-if="rows[index]!.from" class="from" :class="{ other: rows[index]!.from!.isOther }">
            {{ ` ${rows[index]!.from!.words}` }}
          </small>
          <small v-if="rows[index]!.note">{{ ` ${rows[index]!.note}` }}</small></span
        >
        <span class="kind" :role="isOld ? undefined : 'gridcell'">{{ kindOf(rows[index]!) }}</span>
        <span class="date" :class="rows[index]!.tone" :role="isOld ? undefined : 'gridcell'"
          ><span>{{ rows[index]!.date }}</span></span
        >
      </div>
    </div>
    <p v-if="rows.length === 0" class="quiet">{{ emptyWords }}</p>
  </div>
</template>

<style scoped src="./spreadPage.css"></style>
