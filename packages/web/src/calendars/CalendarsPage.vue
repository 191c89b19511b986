<script setup lang="ts">
import { parseDay, type CalendarsView } from '@yarin/core';
import { computed, ref, shallowRef } from 'vue';
import { fetchCalendars } from '../shared/api/calendars.js';
import { sentenceOf } from '../shared/api/client.js';
import PageFailure from '../shared/PageFailure.vue';
import { count } from '../shared/words.js';
import NewTerm from './NewTerm.vue';
import { yearStrips } from './yearStrips.js';
import { dayWords } from '../shared/readersDates.js';

/** On a narrow screen only every fifth week has its number. */
const NUMBERS_APART = 5;

const view = shallowRef<CalendarsView | null>(null);
const failure = ref('');
const isMaking = ref(false);
const years = computed(() => (view.value === null ? [] : yearStrips(view.value.terms, view.value.now)));

function look(): void {
  failure.value = '';
  fetchCalendars().then(
    (found) => void (view.value = found),
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
}
look();
</script>

<template>
  <PageFailure v-if="failure" :sentence="failure" @again="look" />
  <div v-else-if="view" class="calendars">
    <header>
      <h1>Calendars</h1>
      <p class="quiet">
        Terms as the college keeps them; plans and courses take their days from here.
        <template v-if="!view.right.may">{{ view.right.why }}</template>
      </p>
      <button v-if="view.right.may && !isMaking" class="plain-link" @click="isMaking = true">new term</button>
    </header>
    <NewTerm v-if="isMaking" :terms="view.terms" @close="isMaking = false" />
    <section v-for="year in years" :key="year.year" :aria-label="String(year.year)">
      <div class="row months" aria-hidden="true">
        <h2>{{ year.year }}</h2>
        <div class="names">
          <span v-for="month in year.months" :key="month.at" :style="{ left: `${(month.at / year.days) * 100}%` }">{{
            month.name
          }}</span>
        </div>
      </div>
      <RouterLink
        v-for="strip in year.terms"
        :key="strip.term.id"
        class="row term"
        :class="{ part: strip.term.parentId !== null }"
        :to="{ name: 'term', params: { id: strip.term.id } }"
      >
        <span class="name">
          <b>{{ strip.term.name }}</b>
          <small class="quiet">
            {{ dayWords(parseDay(strip.term.calendar.firstDay)) }} –
            {{ dayWords(parseDay(strip.term.calendar.lastDay)) }} · {{ count(strip.teachingWeeks, 'week') }} ·
            {{ count(strip.term.courses, 'course') }}
          </small>
        </span>
        <span class="strip" aria-hidden="true">
          <span v-if="year.today !== null" class="today" :style="{ left: `${(year.today / year.days) * 100}%` }"></span>
          <span
            v-for="week in strip.weeks"
            :key="week.at"
            class="week"
            :class="[week.is, { numbered: week.label !== '' && Number(week.label) % NUMBERS_APART === 0 }]"
            :style="{ left: `${(week.at / year.days) * 100}%`, width: `${(week.width / year.days) * 100}%` }"
            >{{ week.label }}</span
          >
          <span
            v-for="each in strip.closed"
            :key="`${each.at} ${each.label}`"
            class="closed"
            :title="each.label"
            :style="{ left: `${(each.at / year.days) * 100}%`, width: `${(each.days / year.days) * 100}%` }"
          ></span>
        </span>
      </RouterLink>
    </section>
    <p v-if="years.length === 0" class="quiet">No term yet. The registrar’s roster brings them, or make one here.</p>
  </div>
  <p v-else class="quiet loading">Opening the calendars …</p>
</template>

<style scoped>
.calendars {
  height: 100%;
  overflow: auto;
  padding: 20px var(--margin) 40px;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
}

section {
  margin-top: 20px;
}

.row {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  align-items: center;
}

.names {
  position: relative;
  height: 20px;
  font-size: 12.5px;
  color: var(--quiet);
}

.names span {
  position: absolute;
  padding-left: 4px;
  border-left: 1px solid var(--rule);
}

.term {
  min-height: 46px;
  border-top: 1px solid var(--rule-faint);
  color: inherit;
  text-decoration: none;
}

.term:hover b {
  text-decoration: underline;
  text-underline-offset: 4px;
}

.part .name {
  padding-left: 18px;
}

.name {
  display: grid;
  line-height: 18px;
}

b {
  font: 500 16px/20px var(--serif);
}

.part b {
  font-size: 15px;
}

.strip {
  position: relative;
  height: 24px;
}

.week {
  position: absolute;
  top: 0;
  height: 24px;
  border: 1px solid var(--rule);
  border-right-width: 0;
  background: var(--raised);
  font-size: 11px;
  line-height: 22px;
  text-align: center;
  color: var(--quiet);
}

.exam {
  background: var(--exam);
}

.closed {
  position: absolute;
  top: 1px;
  height: 22px;
  background: repeating-linear-gradient(135deg, transparent 0 3px, var(--hatch) 3px 4px);
}

.today {
  position: absolute;
  top: -4px;
  bottom: -4px;
  width: 0;
  border-left: 2px solid var(--indigo);
}

.loading {
  padding: 26px var(--margin);
}

@media (max-width: 800px) {
  .row {
    grid-template-columns: 1fr;
    padding-bottom: 6px;
  }

  .week:not(.numbered) {
    font-size: 0;
  }

  /* A number is wider than its week here, and lies over the next one. */
  .numbered {
    z-index: 1;
    overflow: visible;
    white-space: nowrap;
  }
}
</style>
