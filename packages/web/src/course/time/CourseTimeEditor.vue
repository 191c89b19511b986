<script setup lang="ts">
import type { Calendar, CalendarEffect, CourseCalendarView, CourseTimeEdit, Meeting, ReadMeetings } from '@yarin/core';
import { computed } from 'vue';
import AddMany from '../../calendars/AddMany.vue';
import ClosureList from '../../calendars/ClosureList.vue';
import StripToDraw from '../../calendars/StripToDraw.vue';
import EffectLines from '../../calendars/EffectLines.vue';
import { useCalendarEffect } from '../../calendars/useCalendarEffect.js';
import { useSoundCalendar } from '../../calendars/useSoundCalendar.js';
import { useDraft } from '../../shared/useDraft.js';
import { useUndoKeys } from '../../shared/useUndoKeys.js';
import ClassMeetings from './ClassMeetings.vue';
import { problemWords } from '../../shared/readersDates.js';

const { view, movable, holdingOf, teachingWeeksOf, classDaysOn, placesOf, askEffect, readTimetable } = defineProps<{
  view: CourseCalendarView;
  movable: boolean;
  holdingOf: (view: CourseCalendarView, partId: string | null, draft: Calendar) => Calendar;
  teachingWeeksOf: (calendar: Calendar) => number;
  classDaysOn: (calendar: Calendar, meetings: readonly Meeting[]) => ReadonlySet<number>;
  placesOf: (meetings: readonly Meeting[]) => ReadonlyMap<string, string>;
  askEffect: (time: CourseTimeEdit) => Promise<CalendarEffect>;
  readTimetable: (text: string) => Promise<ReadMeetings>;
}>();
const emit = defineEmits<{ save: [time: CourseTimeEdit] }>();

interface Draft {
  readonly partId: string | null;
  /** What the course adds, drawn on like a calendar. */
  readonly calendar: Calendar;
  readonly meetings: readonly Meeting[];
}
const work = useDraft<Draft>(() => ({
  partId: view.partId,
  calendar: { ...view.term.calendar, ...view.additions },
  meetings: view.meetings,
}));
const { draft, isChanged, undoable, redoable } = work;
useUndoKeys(work);
const calendar = computed(() => draft.value.calendar);
const meetings = computed(() => draft.value.meetings);
const effective = computed(() => holdingOf(view, draft.value.partId, calendar.value));
const { problems, shown } = useSoundCalendar(() => effective.value);
const change = (next: Calendar, what: string): void => work.change({ ...draft.value, calendar: next }, what);
const meet = (next: readonly Meeting[], what: string): void => work.change({ ...draft.value, meetings: next }, what);
const partId = computed({
  get: () => draft.value.partId,
  set: (id) => work.change({ ...draft.value, partId: id }, `runs in ${partName(id)}`),
});
const partName = (id: string | null): string => view.parts.find((part) => part.id === id)?.name ?? view.term.name;

const classDays = computed(() =>
  problems.value.length + places.value.size > 0 ? new Set<number>() : classDaysOn(shown.value, meetings.value),
);
const teachingWeeks = computed(() => teachingWeeksOf(shown.value));
const places = computed(() => placesOf(meetings.value));
const sentence = computed(() => problemWords(problems.value[0]?.message ?? [...places.value.values()][0] ?? ''));
const time = computed((): CourseTimeEdit => {
  const { closures = [], swaps = [] } = calendar.value;
  return {
    partId: partId.value,
    additions: { closures: [...closures], swaps: [...swaps] },
    meetings: [...meetings.value],
  };
});
const effect = useCalendarEffect(() => {
  if (!isChanged.value || sentence.value !== '') return undefined;
  const asked = time.value;
  return () => askEffect(asked);
});
const runsIn = computed(() => partName(partId.value));
</script>

<template>
  <div class="time">
    <header>
      <label v-if="movable && view.parts.length > 0"
        >runs in
        <select v-model="partId">
          <option :value="null">{{ view.term.name }}, all of it</option>
          <option v-for="part in view.parts" :key="part.id" :value="part.id">{{ part.name }}</option>
        </select>
      </label>
      <p v-else>
        runs in
        <RouterLink class="place-link" :to="{ name: 'term', params: { id: view.term.id } }">{{ runsIn }}</RouterLink>
      </p>
      <div v-if="movable" class="acts">
        <button v-if="undoable" class="plain-link" :title="`Undo: ${undoable}`" @click="work.undo">undo</button>
        <button v-if="redoable" class="plain-link" :title="`Do again: ${redoable}`" @click="work.redo">redo</button>
        <ElButton type="primary" size="small" :disabled="!isChanged || sentence !== ''" @click="emit('save', time)">
          {{ isChanged ? 'Save when it runs' : 'Saved' }}
        </ElButton>
      </div>
    </header>
    <p v-if="sentence" class="trouble" role="alert">{{ sentence }}</p>
    <StripToDraw
      :draft="calendar"
      :holding="effective"
      :shown="shown"
      :class-days="classDays"
      :movable="movable"
      hint="Class days are ticked. Days that are closed for this course alone, or run otherwise, are drawn here; the college’s stay what they are."
      @change="change"
    />
    <div class="below">
      <ClassMeetings
        :meetings="meetings"
        :teaching-weeks="teachingWeeks"
        :movable="movable"
        :places="places"
        :read="readTimetable"
        @change="meet"
      />
      <div class="beside-list">
        <EffectLines v-if="effect" :effect="effect" />
        <ClosureList :draft="calendar" :holding="effective" :movable="movable" :from="runsIn" @change="change" />
        <AddMany v-if="movable" :draft="calendar" :holding="effective" :terms="[]" @change="change" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.time {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 8px var(--margin) 40px;
}

header {
  display: flex;
  justify-content: space-between;
  gap: 24px;
  align-items: center;
  min-height: 32px;
}

.acts {
  display: flex;
  gap: 16px;
  align-items: center;
}

.trouble {
  padding: 4px 0;
  color: var(--madder);
}

.below {
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(0, 6fr);
  gap: 48px;
  margin-top: 8px;
}

.beside-list {
  display: grid;
  gap: 18px;
  align-content: start;
}

@media (max-width: 900px) {
  .below {
    grid-template-columns: 1fr;
    gap: 18px;
  }
}
</style>
