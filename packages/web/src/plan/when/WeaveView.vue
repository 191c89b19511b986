<script setup lang="ts">
import { classDaysOf, handNotes, indexTerms, parseDay, type PreviewDate } from '@yarin/core';
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useAnnouncer } from '../../shared/announcer.js';
import { useKeys } from '../../shared/useKeys.js';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';
import BulkBar from './BulkBar.vue';
import DatesTable from '../../shared/dates/DatesTable.vue';
import PastePanel from './PastePanel.vue';
import PolicyBar from './PolicyBar.vue';
import RulesPanel from './RulesPanel.vue';
import { withSectionMaps } from './sectionMaps.js';
import SectionsCompared from './SectionsCompared.vue';
import WeaveChart from './WeaveChart.vue';
import WeaveLook from './WeaveLook.vue';
import WorkBar from './WorkBar.vue';
import { useHeldDates, type Held } from './useHeldDates.js';
import { useBesideDates } from './useBesideDates.js';
import { useWeaveRows } from './useWeaveRows.js';
import { weaveOf } from './weaveGeometry.js';
import { classWords, weekWords } from './weaveWords.js';

const plan = usePlanStore();
const { announce } = useAnnouncer();
const focused = ref(0);
const week = ref<number | null>(null);
/** Parallel sections are looked at beside each other. */
const isComparing = ref(false);
/** The chart shows one old term; the table the dates of all. */
const looked = ref('');
const shown = computed(() => plan.sources.find(({ source }) => source.course.id === looked.value) ?? plan.sources[0]!);
const section = ref<string | null>(null);
/** Class days and other rules stand beside the weave; what one would do is seen in it. */
const hasRules = ref(false);
const trying = shallowRef<readonly PreviewDate[] | null>(null);
const { all, undated, woven, doubtful, goesNow, dates, selection, chosen, hold } = useWeaveRows({
  source: shown,
  section,
  week,
  trying,
});
const policy = computed(() =>
  withSectionMaps(plan.policies[shown.value.source.course.id]!, shown.value.source, plan.view!.shell),
);
const table = useTemplateRef<InstanceType<typeof DatesTable>>('table');

const fromOf = computed(() =>
  plan.sources.length < 2 ? undefined : ({ item }: PreviewDate): string => plan.nameOf(plan.originOf(item).course),
);
/** The class days on both sides, of the section that is looked at. */
const classDays = computed(() => {
  const from = shown.value.source.meetings;
  const to = plan.view!.shell.meetings;
  return section.value === null ? { from, to } : classDaysOf(section.value, from, to);
});
const weave = computed(() =>
  weaveOf(
    { calendar: shown.value.source.calendar, meetings: classDays.value.from },
    { calendar: plan.view!.shell.calendar, meetings: classDays.value.to },
    woven.value,
    doubtful.value,
    parseDay(plan.view!.now),
  ),
);
const movable = computed(() => plan.view!.right.may && !plan.isDone);
const terms = computed(() =>
  indexTerms(
    { calendar: shown.value.source.calendar, meetings: [...classDays.value.from] },
    { calendar: plan.view!.shell.calendar, meetings: [...classDays.value.to] },
  ),
);
/** What is unusual about a date where somebody put it, or would. */
const notesOn = ({ from, role, series }: PreviewDate, at: string): readonly string[] =>
  from === '' ? [] : handNotes(terms.value, { at: from, role, series }, at);

const heading = computed(() => {
  if (trying.value !== null) return `${count(goesNow.value.size, 'date')} would go elsewhere, those first`;
  const doubts = dates.value.filter(({ id }) => doubtful.value.has(id)).length;
  const rest = dates.value.filter(({ from }) => from !== '').length - doubts;
  const bare = undated.value.filter(({ to }) => to === null).length;
  const without = bare === 0 ? '' : `; ${count(bare, 'work', 'works')} without a date`;
  if (doubts === 0) return plan.isDone ? `${count(rest, 'date')} as they stand` : `${count(rest, 'date')}${without}`;
  return `${count(doubts, 'date')} in doubt first, then ${rest}${without}`;
});

/** Points and more beside the dates, for those who want them. */
const showsWork = ref(false);
const beside = useBesideDates({ goesNow, trying, showsWork });
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
  hold();
  plan.setByHand(dates);
  focusOn(first);
  announce(`${count(Object.keys(dates).length, 'date')} set by hand.`);
}

const { movesOf, wordsWhileHeld } = useHeldDates({ all, chosen });
/** The end of a strand was dragged to another day. */
const dragged = (...held: Held): void => setByHand(movesOf(...held));

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
watch(dates, ({ length }) => {
  if (focused.value >= length) focused.value = Math.max(0, length - 1);
});
</script>

<template>
  <div class="when">
    <WeaveLook
      v-model:section="section"
      v-model:is-comparing="isComparing"
      :source="shown.source.course.id"
      @update:source="(course) => (looked = course)"
    />
    <SectionsCompared v-if="isComparing" />
    <template v-else>
      <PolicyBar v-if="!plan.isDone" v-model:is-open="hasRules" :from="shown" :policy="policy" />
      <div class="beside-rules">
        <RulesPanel
          v-if="hasRules && !plan.isDone"
          :from="shown"
          :policy="policy"
          @take="(next, what) => plan.decidePolicy(shown.source.course.id, next, what)"
          @try="(tried) => (trying = tried)"
          @close="hasRules = false"
        />
        <div class="woven">
          <WeaveChart
            :weave="weave"
            :old-name="shown.source.course.term"
            :new-name="plan.sides!.new.term"
            :old-days="classWords(classDays.from)"
            :new-days="classWords(classDays.to)"
            :week="week"
            :movable="movable"
            :words-for="wordsWhileHeld"
            @moved="dragged"
            @week="(start) => (week = start)"
            @picked="(id) => ((week = null), focusOn(id))"
          />
          <PastePanel v-if="pasted" :dates="pastedOn" :column="pasted" @done="pasted = null" @set="selection.choose" />
          <div class="heading">
            <BulkBar v-if="movable && chosen.length > 0" :dates="chosen" :all="all" @done="selection.none" />
            <template v-else>
              <span>{{ heading }}</span>
              <select v-model="week" aria-label="Weeks in the table">
                <option :value="null">all weeks</option>
                <option v-for="each in weave.new.weeks" :key="each.start" :value="each.start">
                  {{ weekWords(each) }}
                </option>
              </select>
            </template>
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
            :movable="movable && trying === null"
            :from-of="fromOf"
            :beside="beside"
            :beside-words="trying === null ? 'work' : 'now'"
            :time="plan.view!.shell"
            :notes="notesOn"
            :chosen="selection.chosen.value"
            @set="(id, at) => setByHand({ [id]: at })"
            @back="(date) => plan.backToRule([date])"
            @toggle="selection.toggle"
            @extend="selection.extendTo"
            @all="selection.all"
            @paste="(cells) => (pasted = cells)"
          />
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.when {
  display: flex;
  flex-direction: column;
  overflow: hidden auto;
}

.beside-rules {
  flex: 1;
  display: flex;
  min-height: 0;
}

.woven {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
  overflow: hidden auto;
}

@media (max-width: 900px) {
  .beside-rules {
    flex-direction: column;
    min-height: 420px;
  }

  .woven {
    min-height: 420px;
  }
}

.heading {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
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
