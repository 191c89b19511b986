<script setup lang="ts">
import { dayWords, patternWords, parseDay, type PreviewDate } from '@yarin/core';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { useAnnouncer } from '../../shared/announcer.js';
import { useKeys } from '../../shared/useKeys.js';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../planStore.js';
import DatesTable from './DatesTable.vue';
import PolicyBar from './PolicyBar.vue';
import { standingDates } from './standingDates.js';
import WeaveChart from './WeaveChart.vue';
import { weaveOf } from './weaveGeometry.js';

const plan = usePlanStore();
const { announce } = useAnnouncer();
const focused = ref(0);
const week = ref<number | null>(null);
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

/** Doubts first, cause by cause, then all others by their new date. */
const dates = computed(() => {
  const rank = new Map([...doubtful.value].map((id, index) => [id, index]));
  return all.value
    .filter(inWeek)
    .sort(
      (a, b) =>
        (rank.get(a.id) ?? Infinity) - (rank.get(b.id) ?? Infinity) ||
        (a.to ?? '').localeCompare(b.to ?? '') ||
        a.title.localeCompare(b.title),
    );
});
const heading = computed(() => {
  const doubts = dates.value.filter(({ id }) => doubtful.value.has(id)).length;
  const rest = dates.value.length - doubts;
  if (plan.isDone) return `${count(dates.value.length, 'date')} as they stand`;
  return doubts === 0 ? count(rest, 'date') : `${count(doubts, 'date')} in doubt first, then ${rest}`;
});

function setByHand(ids: readonly string[], at: (date: PreviewDate) => string): void {
  const moved = all.value.filter(({ id }) => ids.includes(id));
  plan.setByHand(Object.fromEntries(moved.map((date) => [date.id, at(date)])));
  focusOn(ids[0]!);
  announce(`${count(moved.length, 'date')} set by hand.`);
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
  const id = dates.value[focused.value]?.id;
  const cause = plan.preview!.causes.find(({ moments }) => moments.some((moment) => moment.id === id));
  if (cause !== undefined) plan.settle(cause);
}

useKeys({
  ']': () => stepDoubt(1),
  '[': () => stepDoubt(-1),
  h: () => table.value?.edit(),
  f: fine,
});
watch(dates, ({ length }) => {
  if (focused.value >= length) focused.value = Math.max(0, length - 1);
});
</script>

<template>
  <div class="when">
    <p v-if="plan.sources.length > 1" class="terms">
      dates of
      <button
        v-for="{ source: { course } } in plan.sources"
        :key="course.id"
        class="way-to-look"
        :aria-pressed="course.id === shown.source.course.id"
        @click="looked = course.id"
      >
        {{ plan.nameOf(course.id) }}
      </button>
    </p>
    <PolicyBar v-if="!plan.isDone" :from="shown" />
    <WeaveChart
      :weave="weave"
      :old-name="shown.source.course.term"
      :new-name="plan.sides!.new.term"
      :old-days="patternWords(shown.source.meetings)"
      :new-days="patternWords(plan.view!.shell.meetings)"
      :week="week"
      :movable="movable"
      @moved="(ids, day) => setByHand(ids, ({ from, to }) => `${day}${(to ?? from).slice(10)}`)"
      @week="(start) => (week = start)"
      @picked="(id) => ((week = null), focusOn(id))"
    />
    <p class="heading">
      <span>{{ heading }}</span>
      <span v-if="week !== null">
        only the week of {{ dayWords(week) }} · <button class="plain-link" @click="week = null">all weeks</button>
      </span>
    </p>
    <DatesTable
      ref="table"
      v-model:focused="focused"
      :dates="dates"
      :doubtful="doubtful"
      :movable="movable"
      :from-of="fromOf"
      @set="(id, at) => setByHand([id], () => at)"
      @back="(id) => plan.backToRule([id])"
    />
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
}

.heading {
  flex: none;
  display: flex;
  gap: 18px;
  padding: 2px calc(var(--margin) + 8px) 0;
  font-size: 13px;
  color: var(--quiet);
}
</style>
