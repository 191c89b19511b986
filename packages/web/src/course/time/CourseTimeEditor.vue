<script setup lang="ts">
import type { Calendar, CalendarEffect, CourseCalendarView, CourseTimeEdit, Meeting } from '@yarin/core';
import { computed, ref, shallowRef } from 'vue';
import AddMany from '../../calendars/AddMany.vue';
import ClosureList from '../../calendars/ClosureList.vue';
import StripToDraw from '../../calendars/StripToDraw.vue';
import EffectLines from '../../calendars/EffectLines.vue';
import { useCalendarDraft } from '../../calendars/useCalendarDraft.js';
import { useCalendarEffect } from '../../calendars/useCalendarEffect.js';
import { useUndoKeys } from '../../shared/useUndoKeys.js';
import ClassMeetings from './ClassMeetings.vue';

const { view, movable, holdingOf, teachingWeeksOf, placesOf, askEffect } = defineProps<{
  view: CourseCalendarView;
  movable: boolean;
  holdingOf: (view: CourseCalendarView, partId: string | null, draft: Calendar) => Calendar;
  teachingWeeksOf: (calendar: Calendar) => number;
  placesOf: (meetings: readonly Meeting[]) => ReadonlyMap<string, string>;
  askEffect: (time: CourseTimeEdit) => Promise<CalendarEffect>;
}>();
const emit = defineEmits<{ save: [time: CourseTimeEdit] }>();

const partId = ref(view.partId);
const meetings = shallowRef<readonly Meeting[]>(view.meetings);

/** What the course adds, drawn on like a calendar. */
const work = useCalendarDraft(
  () => ({ ...view.term.calendar, ...view.additions }),
  (draft) => holdingOf(view, partId.value, draft),
);
const { draft, effective, shown, problems, change, undoable, redoable } = work;
useUndoKeys(work);

const classDays = computed(() => new Set(meetings.value.map(({ weekday }) => weekday)));
const teachingWeeks = computed(() => teachingWeeksOf(shown.value));
const places = computed(() => placesOf(meetings.value));
const sentence = computed(() => problems.value[0]?.message ?? [...places.value.values()][0] ?? '');
const time = computed((): CourseTimeEdit => {
  const { closures = [], swaps = [] } = draft.value;
  return {
    partId: partId.value,
    additions: { closures: [...closures], swaps: [...swaps] },
    meetings: [...meetings.value],
  };
});
const isChanged = computed(
  () =>
    work.isChanged.value ||
    partId.value !== view.partId ||
    JSON.stringify(meetings.value) !== JSON.stringify(view.meetings),
);
const effect = useCalendarEffect(() => {
  if (!isChanged.value || sentence.value !== '') return undefined;
  const asked = time.value;
  return () => askEffect(asked);
});
const runsIn = computed(() => view.parts.find(({ id }) => id === partId.value)?.name ?? view.term.name);
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
      :draft="draft"
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
        @change="(next) => (meetings = next)"
      />
      <div class="beside-list">
        <EffectLines v-if="effect" :effect="effect" />
        <ClosureList :draft="draft" :holding="effective" :movable="movable" :from="runsIn" @change="change" />
        <AddMany v-if="movable" :draft="draft" :holding="effective" :terms="[]" @change="change" />
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
