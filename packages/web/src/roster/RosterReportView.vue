<script setup lang="ts">
import { type RosterReport } from '@yarin/core';
import { computed } from 'vue';
import { count } from '../shared/words.js';
import { asRead, momentWords } from '../shared/readersDates.js';

const { report } = defineProps<{ report: RosterReport }>();

const counts = computed(() => {
  const { terms, people, sections, learnersDropped } = report;
  return [
    `${count(terms.added, 'term')} added, ${terms.changed} changed`,
    `${count(people.added, 'person', 'people')} added, ${people.changed} changed`,
    `${count(sections.added, 'section')} added, ${sections.changed} changed, ${sections.cancelled} taken off`,
    `${count(learnersDropped.people, 'learner')} and ${count(learnersDropped.enrolments, 'enrolment')} of learners left out`,
  ];
});

/** “/classes.csv/58” as “classes.csv, line 58”. */
const placeWords = (where: string): string => where.replace(/^\/(.+)\/(\d+)$/, '$1, line $2');
</script>

<template>
  <section aria-label="What the last load did">
    <h2>
      Loaded {{ momentWords(report.at) }} <small class="beside">by {{ report.by }}</small>
    </h2>
    <ul class="counts">
      <li v-for="each in counts" :key="each">{{ each }}</li>
    </ul>
    <h3>{{ report.notices.length === 0 ? 'Nothing touches a course' : 'What touches a course' }}</h3>
    <ul class="lines">
      <li v-for="(notice, index) in report.notices" :key="index">
        {{ asRead(notice.sentence) }}
        <RouterLink class="plain-link" :to="{ name: 'course', params: { id: notice.courseId } }">open</RouterLink>
      </li>
    </ul>
    <h3>{{ report.problems.length === 0 ? 'Every row was good' : count(report.problems.length, 'bad row') }}</h3>
    <p v-if="report.problems.length > 0" class="quiet small">The good rows were kept.</p>
    <ul class="lines">
      <li v-for="problem in report.problems" :key="`${problem.where} ${problem.code}`">
        <b>{{ placeWords(problem.where) }}</b> {{ problem.message }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
.counts {
  margin: 4px 0 12px;
  padding-left: 18px;
}

h3 {
  margin-top: 12px;
}

.lines li {
  display: flex;
  gap: 14px;
  padding: 5px 0;
  border-top: 1px solid var(--rule-faint);
}

b {
  font-weight: 600;
}
</style>
