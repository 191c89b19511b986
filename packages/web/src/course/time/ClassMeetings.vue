<script setup lang="ts">
import { weekdayWord, type Meeting, type ReadMeetings } from '@yarin/core';
import { computed } from 'vue';
import { count } from '../../shared/words.js';
import MeetingFile from './MeetingFile.vue';
import { NEW_MEETING, timeFrom, weeksFrom, weeksWords } from './meetings.js';
import { asRead, patternWords } from '../../shared/readersDates.js';

/** When and where class meets, several times a week, in series, every week or in some. */
const { meetings, teachingWeeks, movable, places, read } = defineProps<{
  meetings: readonly Meeting[];
  teachingWeeks: number;
  movable: boolean;
  /** Why a meeting can't be as it is, by the end of its place in the list. */
  places: ReadonlyMap<string, string>;
  read: (text: string) => Promise<ReadMeetings>;
}>();
const emit = defineEmits<{ change: [meetings: readonly Meeting[], what: string] }>();

const sorted = computed(() => meetings.map((meeting, at) => ({ meeting, at })));

type Field = keyof Meeting;
const FIELD_WORDS: Readonly<Record<Field, string>> = {
  weekday: 'the day',
  start: 'the start',
  end: 'the end',
  room: 'the room',
  series: 'the series',
  for: 'the section',
  weeks: 'the weeks',
};
function change(at: number, field: Field, value: Meeting[Field] | undefined): void {
  const next = meetings.map((meeting, index) => {
    if (index !== at) return meeting;
    const fields = Object.entries({ ...meeting, [field]: value });
    return Object.fromEntries(fields.filter(([, each]) => each !== undefined && each !== '')) as Meeting;
  });
  emit('change', next, `${FIELD_WORDS[field]} of meeting ${at + 1}`);
}
const add = (): void => emit('change', [...meetings, { ...NEW_MEETING, ...nextDay() }], 'one more meeting');
const takeOut = (at: number): void => emit('change', meetings.toSpliced(at, 1), `meeting ${at + 1} taken out`);
const addAll = (more: readonly Meeting[]): void =>
  emit('change', [...meetings, ...more], `${count(more.length, 'meeting')} of a timetable`);
/** One more a week is mostly at the same hour, two days later. */
function nextDay(): Partial<Meeting> {
  const last = meetings.at(-1);
  return last === undefined ? {} : { ...last, weekday: Math.min(5, last.weekday + 2) };
}
/** What is no time of day is put back as it was. */
function setTime(at: number, side: 'start' | 'end', event: Event): void {
  const time = timeFrom(text(event));
  if (time !== undefined) change(at, side, time);
  (event.target as HTMLInputElement).value = asRead(time ?? meetings[at]![side]);
}
/** What says no weeks is put back as it was. */
function setWeeks(at: number, event: Event): void {
  const weeks = weeksFrom(text(event), teachingWeeks);
  if (weeks === undefined) (event.target as HTMLInputElement).value = weeksWords(meetings[at]!, teachingWeeks);
  else change(at, 'weeks', weeks === 'every' ? undefined : [...weeks]);
}
const text = (event: Event): string => (event.target as HTMLInputElement).value;
</script>

<template>
  <section aria-label="Class meetings">
    <h2>
      Class meets <small class="beside">{{ patternWords(meetings) }}</small>
    </h2>
    <table v-if="meetings.length > 0" class="facts">
      <thead>
        <tr>
          <th scope="col">day</th>
          <th scope="col">from</th>
          <th scope="col">to</th>
          <th scope="col">room</th>
          <th scope="col">series</th>
          <th scope="col">for section</th>
          <th scope="col">teaching weeks</th>
          <th scope="col"><span class="visually-hidden">take out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ meeting, at } in sorted" :key="at">
          <template v-if="movable">
            <td>
              <select
                :value="meeting.weekday"
                :aria-label="`Day of meeting ${at + 1}`"
                @change="change(at, 'weekday', Number(text($event)))"
              >
                <option v-for="day in 7" :key="day" :value="day">{{ weekdayWord(day) }}</option>
              </select>
            </td>
            <td v-for="side in ['start', 'end'] as const" :key="side">
              <input
                :value="asRead(meeting[side])"
                maxlength="8"
                class="hour"
                :aria-label="`${side === 'start' ? 'Start' : 'End'} of meeting ${at + 1}`"
                :aria-invalid="places.has(`${at}/${side}`)"
                @change="setTime(at, side, $event)"
              />
            </td>
            <td>
              <input
                :value="meeting.room ?? ''"
                maxlength="100"
                class="room"
                :aria-label="`Room of meeting ${at + 1}`"
                @change="change(at, 'room', text($event).trim())"
              />
            </td>
            <td>
              <input
                :value="meeting.series ?? ''"
                maxlength="60"
                class="series"
                placeholder="none"
                :aria-label="`Series of meeting ${at + 1}, such as lab`"
                @change="change(at, 'series', text($event).trim())"
              />
            </td>
            <td>
              <input
                :value="meeting.for ?? ''"
                maxlength="100"
                class="section"
                placeholder="all"
                :aria-label="`Section of meeting ${at + 1}, where several share this shell`"
                @change="change(at, 'for', text($event).trim())"
              />
            </td>
            <td>
              <input
                class="weeks"
                :value="weeksWords(meeting, teachingWeeks)"
                maxlength="120"
                title="every, odd, even, or the weeks themselves: 1, 2, 5–8"
                :aria-label="`Weeks of meeting ${at + 1}: every, odd, even, or numbers`"
                @change="setWeeks(at, $event)"
              />
            </td>
            <td>
              <button class="plain-link" @click="takeOut(at)">take out</button>
            </td>
          </template>
          <template v-else>
            <td>{{ weekdayWord(meeting.weekday) }}</td>
            <td>{{ asRead(meeting.start) }}</td>
            <td>{{ asRead(meeting.end) }}</td>
            <td>{{ meeting.room ?? '' }}</td>
            <td>{{ meeting.series ?? '' }}</td>
            <td>{{ meeting.for ?? '' }}</td>
            <td>{{ weeksWords(meeting, teachingWeeks) }}</td>
            <td></td>
          </template>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet small">No class days: dates keep their weekday, and hours stay what they are.</p>
    <div v-if="movable" class="more">
      <button class="plain-link" @click="add">one more meeting</button>
      <MeetingFile :meetings="meetings" :teaching-weeks="teachingWeeks" :read="read" @take="addAll" />
    </div>
  </section>
</template>

<style scoped>
td {
  height: 30px;
  padding: 0 8px 0 0;
  border-top: 1px solid var(--rule-faint);
}

.more {
  display: flex;
  gap: 18px;
  align-items: start;
}

.weeks {
  width: 84px;
}

.hour {
  width: 72px;
}

.room {
  width: 110px;
}

.section {
  width: 64px;
}

.series {
  width: 76px;
}

[aria-invalid='true'] {
  border-color: var(--madder);
}
</style>
