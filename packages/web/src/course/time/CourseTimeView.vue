<script setup lang="ts">
import {
  checkMeetings,
  classDaysIn,
  indexCalendar,
  withAdditions,
  type Calendar,
  type CourseCalendarView,
  type CourseTimeEdit,
  type Meeting,
} from '@yarin/core';
import { ref, shallowRef, watch } from 'vue';
import { courseTimeEffect, fetchCourseCalendar, readMeetings, saveCourseTime } from '../../shared/api/calendars.js';
import { sentenceOf } from '../../shared/api/client.js';
import { useAnnouncer } from '../../shared/announcer.js';
import { useCourseStore } from '../state/courseStore.js';
import CourseTimeEditor from './CourseTimeEditor.vue';

/** When the course runs: its part of the term, its class days, and what is closed for it alone. */
const course = useCourseStore();
const { say } = useAnnouncer();
const view = shallowRef<CourseCalendarView | null>(null);
const trouble = ref('');

async function load(id: string): Promise<void> {
  trouble.value = '';
  try {
    view.value = await fetchCourseCalendar(id);
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}
watch(() => course.view!.summary.id, load, { immediate: true });

async function save(version: number, time: CourseTimeEdit): Promise<void> {
  const { id } = course.view!.summary;
  trouble.value = '';
  try {
    await saveCourseTime(id, version, time);
    await course.reload();
    await load(id);
    say('Saved. Open plans are computed anew.');
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}
/** The calendar as it holds with what the draft says. */
const holdingOf = (shown: CourseCalendarView, partId: string | null, draft: Calendar): Calendar => {
  const part = shown.parts.find(({ id }) => id === partId);
  const { closures = [], swaps = [] } = draft;
  return withAdditions((part ?? shown.term).calendar, { closures, swaps });
};
const indexOf = (calendar: Calendar) => indexCalendar(calendar, calendar.weekStartsOn ?? 1);
const teachingWeeksOf = (calendar: Calendar): number => indexOf(calendar).teachingWeeks.length;
const classDaysOn = (calendar: Calendar, meetings: readonly Meeting[]) => classDaysIn(indexOf(calendar), meetings);
const placesOf = (meetings: readonly Meeting[]): ReadonlyMap<string, string> =>
  new Map(checkMeetings(meetings, '').map(({ where, message }) => [where.slice(1), message]));
</script>

<template>
  <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  <CourseTimeEditor
    v-if="view"
    :key="view.version"
    :view="view"
    :movable="course.mayChange"
    :holding-of="holdingOf"
    :teaching-weeks-of="teachingWeeksOf"
    :class-days-on="classDaysOn"
    :places-of="placesOf"
    :ask-effect="(time) => courseTimeEffect(course.view!.summary.id, time)"
    :read-timetable="(text) => readMeetings(course.view!.summary.id, text)"
    @save="(time) => save(view!.version, time)"
  />
</template>

<style scoped>
.trouble {
  padding: 6px var(--margin);
  color: var(--madder);
}
</style>
