<script setup lang="ts">
import { KIND_WORDS, monthWord, parseDay, ROLE_WORDS, weekdayWord } from '@yarin/core';
import { computed, ref, shallowRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { count } from '../../shared/words.js';
import { useRowWindow } from '../../shared/useRowWindow.js';
import { useCourseStore } from '../state/courseStore.js';
import { moveMoments } from '../../shared/api/courses.js';
import { sentenceOf } from '../../shared/api/client.js';
import { termSheet } from '../../shared/dates/termSheet.js';
import ManyDates from './ManyDates.vue';
import MonthTable from './MonthTable.vue';
import { datesOf, loadsOf, monthOf, monthsOf, type CourseDate } from './months.js';
import { dayWords, momentWords } from '../../shared/readersDates.js';

const course = useCourseStore();
const router = useRouter();
const calendar = computed(() => course.view!.calendar);
const dates = computed(() => datesOf(course.view!.items));
const months = computed(() => monthsOf(dates.value, calendar.value));
const today = computed(() => parseDay(course.view!.now));

/** The month of today while the term runs, else the first one. */
const shown = ref(
  Math.max(
    0,
    months.value.findIndex(
      ({ year, month }) => `${year}-${String(month).padStart(2, '0')}` === course.view!.now.slice(0, 'YYYY-MM'.length),
    ),
  ),
);
const month = computed(() => {
  const { year, month: number } = months.value[shown.value] ?? months.value[0]!;
  return monthOf(year, number, dates.value, calendar.value);
});
const weekdays = computed(() =>
  month.value.weeks[0]!.map((_, index) => weekdayWord((((calendar.value.weekStartsOn ?? 1) - 1 + index) % 7) + 1)),
);

const route = useRoute();
/** One page for looking, one for moving many; `?look=anew` comes to see where the calendar puts them now. */
const isMany = ref(route.query.look === 'anew' && course.mayChange);
const scroller = ref<HTMLElement | null>(null);
const ROW = 28;
const { inSight, height, scrollTo } = useRowWindow(scroller, () => dates.value.length, ROW);

const open = (key: string): void => void router.push({ params: { part: '' }, query: { item: key } });

/** While a date is dragged: the day under it, with what is on it beside. */
const dragged = ref('');
/** The id of that date, which is no load of its own. */
const heldId = ref('');
const said = ref('');
const trouble = ref('');
/** What stood before the last move, to be put back. */
const before = shallowRef<Readonly<Record<string, string>> | null>(null);
const sheet = computed(() =>
  termSheet({ calendar: calendar.value, meetings: course.view!.summary.meetings }, loadsOf(course.view!.items), {
    without: [heldId.value],
  }),
);
const overWords = (day: number): string =>
  [dayWords(day), sheet.value.wordsFor(day)].filter((words) => words !== '').join(' · ');
function over({ id }: CourseDate, day: number | null): void {
  heldId.value = id;
  dragged.value = day === null ? '' : overWords(day);
}

async function moveAll(moves: Readonly<Record<string, string>>, words: string): Promise<void> {
  trouble.value = '';
  said.value = '';
  try {
    const { id, version } = course.view!.summary;
    const answer = await moveMoments(id, version, moves);
    await course.reload();
    before.value = answer.before;
    said.value = words;
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}
async function move({ id, at, title }: CourseDate, day: string): Promise<void> {
  if (day === at.slice(0, 10)) return;
  const to = `${day}${at.slice(10)}`;
  heldId.value = id;
  await moveAll({ [id]: to }, `${title} moved to ${overWords(parseDay(to))}.`);
}
async function putBack(): Promise<void> {
  const moves = before.value;
  if (moves === null) return;
  await moveAll(moves, 'Put back.');
  before.value = null;
}

/** The list follows the month. */
function turn(by: 1 | -1): void {
  shown.value = Math.max(0, Math.min(months.value.length - 1, shown.value + by));
  const start = `${month.value.year}-${String(month.value.month).padStart(2, '0')}`;
  const first = dates.value.findIndex(({ at }) => at >= start);
  if (first >= 0) scrollTo(first * ROW);
}
</script>

<template>
  <div class="dates-page">
    <p v-if="course.mayChange" class="ways">
      <button class="way-to-look" :aria-pressed="!isMany" @click="isMany = false">month by month</button>
      <button class="way-to-look" :aria-pressed="isMany" @click="isMany = true">many at once</button>
    </p>
    <ManyDates v-if="isMany" :anew="route.query.look === 'anew'" />
    <div v-else class="dates">
      <section class="month" aria-label="Month">
        <p class="head">
          <button class="plain-link" :disabled="shown === 0" @click="turn(-1)">earlier</button>
          <b>{{ monthWord(month.month) }} {{ month.year }}</b>
          <button class="plain-link" :disabled="shown === months.length - 1" @click="turn(1)">later</button>
        </p>
        <p v-if="dragged || trouble || said" class="said" :role="trouble ? 'alert' : 'status'">
          {{ dragged || trouble || said }}
          <button v-if="!dragged && before" class="plain-link" @click="putBack">put it back</button>
        </p>
        <MonthTable
          :month="month"
          :weekdays="weekdays"
          :today="today"
          :movable="course.mayChange"
          @open="open"
          @move="move"
          @over="over"
        />
      </section>
      <section class="list" aria-label="All dates">
        <h2>{{ count(dates.length, 'date') }}</h2>
        <div ref="scroller" class="scroller" tabindex="0" role="list" aria-label="Dates in order">
          <div class="all" :style="{ height: `${height}px` }" role="presentation">
            <div
              v-for="{ index, start } in inSight"
              :key="dates[index]!.id"
              class="row"
              role="listitem"
              :style="{ transform: `translateY(${start}px)` }"
            >
              <span class="at">{{ momentWords(dates[index]!.at) }}</span>
              <span class="quiet">{{ ROLE_WORDS[dates[index]!.role] }}</span>
              <button class="title" @click="open(dates[index]!.key)">
                {{ dates[index]!.title }}
                <small v-if="dates[index]!.whom" class="quiet">for {{ dates[index]!.whom }}</small>
              </button>
              <span class="quiet small">{{ KIND_WORDS[dates[index]!.kind].one }}</span>
            </div>
          </div>
          <p v-if="dates.length === 0" class="quiet">Nothing here has a date yet.</p>
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.dates-page {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}

.ways {
  flex: none;
  display: flex;
  gap: 16px;
  padding: 8px var(--margin) 0;
}

.dates {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(0, 5fr);
  gap: 36px;
  padding: 12px var(--margin);
}

.month {
  overflow: auto;
}

.said {
  margin: 0 0 6px;
  font-size: 13px;
  color: var(--quiet);
}

.said[role='alert'] {
  color: var(--madder);
}

.head {
  display: flex;
  gap: 18px;
  align-items: baseline;
  margin-bottom: 6px;
}

.head b {
  font: 500 19px/26px var(--serif);
  min-width: 90px;
  text-align: center;
}

.head button:disabled {
  color: var(--ash-ink);
  cursor: default;
}

.title {
  display: block;
  width: 100%;
  border: 0;
  padding: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}

.list {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.scroller {
  flex: 1;
  overflow: hidden auto;
}

.all {
  position: relative;
}

.row {
  position: absolute;
  top: 0;
  left: 0;
  right: 0;
  height: var(--row);
  display: grid;
  grid-template-columns: 146px 62px minmax(0, 1fr) 92px;
  align-items: center;
  border-bottom: 1px solid var(--rule-faint);
  white-space: nowrap;
}

@media (max-width: 800px) {
  .dates {
    grid-template-columns: 1fr;
    grid-template-rows: auto 1fr;
    overflow: auto;
  }

  .scroller {
    min-height: 320px;
  }
}
</style>
