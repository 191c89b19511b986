<script setup lang="ts">
import { indexCalendar, parseDay, standsOn, type PreviewDate, type Redated } from '@yarin/core';
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef } from 'vue';
import { fetchRedated, moveMoments } from '../../shared/api/courses.js';
import { sentenceOf } from '../../shared/api/client.js';
import DatesTable from '../../shared/dates/DatesTable.vue';
import MoveControls from '../../shared/dates/MoveControls.vue';
import NumberBox from '../../shared/NumberBox.vue';
import type { Moves } from '../../shared/dates/bulkMoves.js';
import { useSelection } from '../../shared/dates/useSelection.js';
import { useUndoKeys } from '../../shared/useUndoKeys.js';
import { count } from '../../shared/words.js';
import { useCourseStore } from '../state/courseStore.js';
import RedatedPanel from './RedatedPanel.vue';
import { useDateDraft } from './useDateDraft.js';

/** All dates of the course in one table: many are moved at once, seen, and then saved together. */
const { anew } = defineProps<{
  /** Begins with where the plans would date things on the calendar as it is now. */
  anew: boolean;
}>();
const course = useCourseStore();
const view = computed(() => course.view!);
const time = computed(() => ({ calendar: view.value.calendar, meetings: view.value.summary.meetings }));
const draft = useDateDraft(
  () => view.value.items,
  () => view.value.calendar,
);
useUndoKeys(draft);

const index = computed(() => indexCalendar(time.value.calendar, time.value.calendar.weekStartsOn ?? 1));
/** What is unusual about a day that a date would be moved to. */
function notesOn(_date: PreviewDate, at: string): readonly string[] {
  const words = standsOn(index.value, parseDay(at));
  return words === undefined ? [] : [words];
}
const dates = computed(() =>
  [...draft.dates.value].sort((a, b) => a.from.localeCompare(b.from) || a.title.localeCompare(b.title)),
);
const doubtful = computed(() => new Set(dates.value.filter(({ flags }) => flags.length > 0).map(({ id }) => id)));
const selection = useSelection(() => dates.value.map(({ id }) => id));
const chosen = computed(() => dates.value.filter(({ id }) => selection.chosen.value.has(id)));
const focused = ref(0);
const table = useTemplateRef<InstanceType<typeof DatesTable>>('table');
const fromWeek = ref(1);
const trouble = ref('');
const isSaving = ref(false);
const redated = shallowRef<Redated | null>(null);
/** What stood before the last save, to be put back. */
const before = shallowRef<Moves | null>(null);
const size = computed(() => Object.keys(draft.changed.value).length);

/** Everything that lies in a teaching week or later. */
function chooseFrom(week: number): void {
  const start = index.value.teachingWeeks[week - 1];
  if (start === undefined) return;
  const ids = dates.value.filter(({ to }) => to !== null && parseDay(to) >= start).map(({ id }) => id);
  selection.choose(ids);
  table.value?.showFrom(
    Math.max(
      0,
      dates.value.findIndex(({ id }) => id === ids[0]),
    ),
  );
}
const move = (moves: Moves, how: string): void =>
  draft.move(moves, `${count(Object.keys(moves).length, 'date')} ${how}`);

async function save(moves: Moves, said: string): Promise<void> {
  trouble.value = '';
  isSaving.value = true;
  try {
    const answer = await moveMoments(view.value.summary.id, view.value.summary.version, moves);
    await course.reload();
    draft.forget();
    before.value = answer.before;
    course.saySaved(said);
  } catch (error) {
    trouble.value = sentenceOf(error);
  } finally {
    isSaving.value = false;
  }
}
async function putBack(): Promise<void> {
  const moves = before.value;
  if (moves === null) return;
  await save(moves, `${count(Object.keys(moves).length, 'date')} put back.`);
  before.value = null;
}
async function lookAnew(): Promise<void> {
  trouble.value = '';
  try {
    redated.value = await fetchRedated(view.value.summary.id);
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}
onMounted(() => void (anew && lookAnew()));
function takeRedated(moves: Moves): void {
  draft.move(moves, `${count(Object.keys(moves).length, 'date')} by the calendar as it is now`);
  selection.choose(Object.keys(moves));
  redated.value = null;
}
/** Leaving with something unsaved is asked about by the browser. */
function warn(event: BeforeUnloadEvent): void {
  if (size.value > 0) event.preventDefault();
}
window.addEventListener('beforeunload', warn);
onBeforeUnmount(() => window.removeEventListener('beforeunload', warn));
const backOne = ({ id }: PreviewDate): void => draft.asItWas(new Set([id]));
</script>

<template>
  <div class="many">
    <div class="bar">
      <template v-if="chosen.length > 0">
        <b>{{ count(chosen.length, 'date') }}</b>
        <MoveControls :dates="chosen" :loads="dates" :time="time" @move="move" />
        <button class="plain-link" @click="draft.asItWas(selection.chosen.value)">as it was</button>
        <button class="plain-link" @click="selection.none">choose none</button>
      </template>
      <form v-else class="from" @submit.prevent="chooseFrom(fromWeek)">
        choose everything from week
        <NumberBox
          :value="fromWeek"
          :least="1"
          :most="index.teachingWeeks.length"
          label="From which teaching week on"
          @set="(week) => (fromWeek = week ?? 1)"
        />
        <button class="plain-link" type="submit">on</button>
        <span class="quiet"> · </span>
        <button type="button" class="plain-link" @click="lookAnew">by the calendar as it is now</button>
      </form>
      <span class="acts">
        <button v-if="draft.undoable.value" class="plain-link" @click="draft.undo">undo</button>
        <button v-if="draft.redoable.value" class="plain-link" @click="draft.redo">redo</button>
        <button v-if="before !== null && size === 0" class="plain-link" @click="putBack">
          put {{ Object.keys(before).length }} back
        </button>
        <ElButton
          size="small"
          type="primary"
          :disabled="size === 0 || isSaving"
          @click="save(draft.changed.value, `${count(size, 'date')} moved.`)"
        >
          {{ size === 0 ? 'Saved' : `Move ${count(size, 'date')}` }}
        </ElButton>
      </span>
    </div>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <RedatedPanel v-if="redated" :redated="redated" @take="takeRedated" @done="redated = null" />
    <DatesTable
      ref="table"
      v-model:focused="focused"
      :dates="dates"
      :doubtful="doubtful"
      :movable="true"
      :time="time"
      :notes="notesOn"
      :chosen="selection.chosen.value"
      back-words="as it was"
      @set="(id, at) => draft.move({ [id]: at }, 'set a date')"
      @back="backOne"
      @toggle="selection.toggle"
      @extend="selection.extendTo"
      @all="selection.all"
    />
  </div>
</template>

<style scoped>
.many {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}

.bar {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  min-height: 34px;
  padding: 4px calc(var(--margin) + 8px);
  font-size: 13px;
}

b {
  font-weight: 600;
}

.from {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

.acts {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-left: auto;
}

.trouble {
  padding: 0 calc(var(--margin) + 8px);
  color: var(--madder);
}
</style>
