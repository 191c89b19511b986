<script setup lang="ts">
import {
  dayWords,
  patternWords,
  parseDay,
  standingDates,
  weekdayWords,
  type Meeting,
  type PreviewDate,
} from '@yarin/core';
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useAnnouncer } from '../../shared/announcer.js';
import { useKeys } from '../../shared/useKeys.js';
import { useUndoKeys } from '../../shared/useUndoKeys.js';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../planStore.js';
import { along } from '../../shared/dates/bulkMoves.js';
import BulkBar from './BulkBar.vue';
import DatesTable from '../../shared/dates/DatesTable.vue';
import PastePanel from './PastePanel.vue';
import PolicyBar from './PolicyBar.vue';
import SectionsCompared from './SectionsCompared.vue';
import WeaveChart from './WeaveChart.vue';
import WorkBar from './WorkBar.vue';
import { workOf, workWords } from './workWords.js';
import { useSelection } from '../../shared/dates/useSelection.js';
import { weaveOf } from './weaveGeometry.js';

const plan = usePlanStore();
const { announce } = useAnnouncer();
const focused = ref(0);
const week = ref<number | null>(null);
/** Whether there are parallel sections, and whether they are looked at beside each other. */
const comparable = computed(() => plan.view!.parallelSections > 0);
const isComparing = ref(false);
const table = useTemplateRef<InstanceType<typeof DatesTable>>('table');

const all = computed(() => (plan.isDone ? standingDates(plan.source, plan.view!.shell) : plan.preview!.dates));
/** The chart shows one old term; the table the dates of all. */
const looked = ref('');
const shown = computed(() => plan.sources.find(({ source }) => source.course.id === looked.value) ?? plan.sources[0]!);
const fromOf = computed(() =>
  plan.sources.length < 2 ? undefined : ({ item }: PreviewDate): string => plan.nameOf(plan.originOf(item).course),
);
const woven = computed(() =>
  plan.sources.length < 2
    ? all.value
    : all.value.filter(({ item }) => plan.originOf(item).course === shown.value.source.course.id),
);
const doubtful = computed(() => new Set(plan.preview!.causes.flatMap(({ moments }) => moments.map(({ id }) => id))));
const weave = computed(() => weaveOf(shown.value.source, plan.view!.shell, woven.value, doubtful.value));
const movable = computed(() => plan.view!.right.may && !plan.isDone);

const inWeek = ({ to }: PreviewDate): boolean => {
  if (week.value === null || to === null) return week.value === null;
  const day = parseDay(to);
  return day >= week.value && day < week.value + 7;
};

/** Doubts first, cause by cause, then all others by their new date. While rows are chosen each stays in its place. */
const held = shallowRef<ReadonlyMap<string, number> | null>(null);
const dates = computed(() => {
  const rank = new Map([...doubtful.value].map((id, index) => [id, index]));
  const inWeekOrChosen = all.value.filter((date) => inWeek(date) || selection.chosen.value.has(date.id));
  if (held.value !== null) {
    const places = held.value;
    return inWeekOrChosen.sort((a, b) => (places.get(a.id) ?? Infinity) - (places.get(b.id) ?? Infinity));
  }
  return inWeekOrChosen.sort(
    (a, b) =>
      (rank.get(a.id) ?? Infinity) - (rank.get(b.id) ?? Infinity) ||
      (a.to ?? '').localeCompare(b.to ?? '') ||
      a.title.localeCompare(b.title),
  );
});
const selection = useSelection(() => dates.value.map(({ id }) => id));
watch(
  () => selection.size.value > 0,
  (isChoosing) => {
    held.value = isChoosing ? new Map(dates.value.map(({ id }, index) => [id, index])) : null;
  },
  { flush: 'sync' },
);
const heading = computed(() => {
  const doubts = dates.value.filter(({ id }) => doubtful.value.has(id)).length;
  const rest = dates.value.length - doubts;
  if (plan.isDone) return `${count(dates.value.length, 'date')} as they stand`;
  return doubts === 0 ? count(rest, 'date') : `${count(doubts, 'date')} in doubt first, then ${rest}`;
});

const chosen = computed(() => all.value.filter(({ id }) => selection.chosen.value.has(id)));
/** Points and more beside the dates, for those who want them. */
const showsWork = ref(false);
const byId = computed(() => new Map(plan.source.items.map((item) => [item.id, item])));
const beside = computed(() => {
  if (!showsWork.value) return undefined;
  const sets = plan.decisions.sets ?? {};
  const titleOf = (id: string): string => byId.value.get(id)?.title ?? '';
  return ({ item }: PreviewDate): string => {
    const work = workOf(byId.value.get(item)!, sets[item], (id) => byId.value.get(id));
    return work === undefined ? '' : workWords(work, titleOf);
  };
});
/** Class days beside a strip; more than three have no room for the hour. */
const MOST_WITH_HOUR = 3;
function daysOf(meetings: readonly Meeting[]): string {
  const weekdays = weekdayWords(meetings);
  return weekdays.split(' ').length > MOST_WITH_HOUR ? weekdays : patternWords(meetings);
}
const pasted = shallowRef<readonly string[] | null>(null);
/** A pasted column falls on what is chosen, else on the rows from the focused one on. */
const pastedOn = computed(() => {
  if (pasted.value === null) return [];
  const rows = dates.value;
  const onto =
    chosen.value.length > 1 ? rows.filter(({ id }) => selection.chosen.value.has(id)) : rows.slice(focused.value);
  return onto.slice(0, pasted.value.length);
});

function setByHand(dates: Readonly<Record<string, string>>): void {
  const [first] = Object.keys(dates);
  if (first === undefined) return;
  plan.setByHand(dates);
  focusOn(first);
  announce(`${count(Object.keys(dates).length, 'date')} set by hand.`);
}

/** The end of a strand was dragged to another day: its dates go there, or all that is chosen goes as many days along. */
function dragged(ids: readonly string[], day: string, withChosen: boolean): void {
  const moved = all.value.filter(({ id }) => ids.includes(id));
  const first = moved[0];
  if (first === undefined) return;
  if (withChosen) setByHand(along([...new Set([...moved, ...chosen.value])], first, day));
  else setByHand(Object.fromEntries(moved.map(({ id, from, to }) => [id, `${day}${(to ?? from).slice(10)}`])));
}

/** The row that the eye is on stays under it, wherever its new date puts it. */
function focusOn(id: string): void {
  focused.value = Math.max(
    0,
    dates.value.findIndex((date) => date.id === id),
  );
}

function stepDoubt(step: 1 | -1): void {
  const places = dates.value.flatMap(({ id }, index) => (doubtful.value.has(id) ? [index] : []));
  const next =
    step === 1 ? places.find((place) => place > focused.value) : places.findLast((place) => place < focused.value);
  focused.value = next ?? places[step === 1 ? 0 : places.length - 1] ?? focused.value;
}

function fine(): void {
  const focusedId = dates.value[focused.value]?.id;
  const ids = selection.size.value > 0 ? selection.chosen.value : new Set(focusedId === undefined ? [] : [focusedId]);
  const causes = plan.preview!.causes.filter(({ moments }) => moments.some(({ id }) => ids.has(id)));
  if (causes.length > 0) plan.settle(causes);
}

useKeys({
  ']': () => stepDoubt(1),
  '[': () => stepDoubt(-1),
  h: () => table.value?.edit(),
  f: fine,
  Escape: () =>
    pasted.value !== null ? void (pasted.value = null) : selection.size.value > 0 ? selection.none() : false,
});
useUndoKeys(plan);
watch(dates, ({ length }) => {
  if (focused.value >= length) focused.value = Math.max(0, length - 1);
});
</script>

<template>
  <div class="when">
    <p v-if="plan.sources.length > 1 || comparable" class="terms">
      <template v-if="plan.sources.length > 1">
        dates of
        <button
          v-for="{ source: { course } } in plan.sources"
          :key="course.id"
          class="way-to-look"
          :aria-pressed="!isComparing && course.id === shown.source.course.id"
          @click="((looked = course.id), (isComparing = false))"
        >
          {{ plan.nameOf(course.id) }}
        </button>
      </template>
      <template v-if="comparable">
        <button
          v-if="plan.sources.length === 1"
          class="way-to-look"
          :aria-pressed="!isComparing"
          @click="isComparing = false"
        >
          section {{ plan.view!.shell.course.section }}
        </button>
        <button class="way-to-look" :aria-pressed="isComparing" @click="isComparing = true">all sections</button>
      </template>
    </p>
    <SectionsCompared v-if="isComparing" />
    <template v-else>
      <PolicyBar v-if="!plan.isDone" :from="shown" />
      <WeaveChart
        :weave="weave"
        :old-name="shown.source.course.term"
        :new-name="plan.sides!.new.term"
        :old-days="daysOf(shown.source.meetings)"
        :new-days="daysOf(plan.view!.shell.meetings)"
        :week="week"
        :movable="movable"
        @moved="dragged"
        @week="(start) => (week = start)"
        @picked="(id) => ((week = null), focusOn(id))"
      />
      <PastePanel v-if="pasted" :dates="pastedOn" :column="pasted" @done="pasted = null" @set="selection.choose" />
      <div class="heading">
        <BulkBar v-if="movable && chosen.length > 0" :dates="chosen" @done="selection.none" />
        <span v-else>{{ heading }}</span>
        <span v-if="week !== null">
          only the week of {{ dayWords(week) }} · <button class="plain-link" @click="week = null">all weeks</button>
        </span>
        <span v-if="movable" class="undo">
          <button class="plain-link" :aria-pressed="showsWork" @click="showsWork = !showsWork">
            {{ showsWork ? 'why' : 'points and more' }}
          </button>
          <button v-if="plan.undoable" class="plain-link" :title="`Undo: ${plan.undoable}`" @click="plan.undo">
            undo
          </button>
          <button v-if="plan.redoable" class="plain-link" :title="`Do again: ${plan.redoable}`" @click="plan.redo">
            redo
          </button>
        </span>
      </div>
      <WorkBar v-if="showsWork && movable && chosen.length > 0" :dates="chosen" />
      <DatesTable
        ref="table"
        v-model:focused="focused"
        :dates="dates"
        :doubtful="doubtful"
        :movable="movable"
        :from-of="fromOf"
        :beside="beside"
        :chosen="selection.chosen.value"
        @set="(id, at) => setByHand({ [id]: at })"
        @back="(date) => plan.backToRule([date])"
        @toggle="selection.toggle"
        @extend="selection.extendTo"
        @all="selection.all"
        @paste="(cells) => (pasted = cells)"
      />
    </template>
  </div>
</template>

<style scoped>
.terms {
  flex: none;
  display: flex;
  gap: 12px;
  padding: 6px var(--margin) 0;
  background: var(--raised);
  font-size: 13.5px;
  color: var(--quiet);
}

.when {
  display: flex;
  flex-direction: column;
  overflow: hidden auto;
}

.heading {
  flex: none;
  display: flex;
  gap: 18px;
  align-items: center;
  min-height: 28px;
  padding: 2px calc(var(--margin) + 8px) 0;
  font-size: 13px;
  color: var(--quiet);
}
.undo {
  display: flex;
  gap: 14px;
  margin-left: auto;
}
</style>
