<script setup lang="ts">
import type { CourseSummary, PairCandidate, PairView } from '@yarin/core';
import { computed } from 'vue';
import AskToBeLetIn from '../access/AskToBeLetIn.vue';
import { courseLine, courseName, termLabel } from '../shared/courseLine.js';
import { count } from '../shared/words.js';
import { reasonsOf, verdictWords } from './reasons.js';

const { view, side, chosen } = defineProps<{
  view: PairView;
  side: 'into' | 'from';
  chosen: readonly CourseSummary[];
}>();
defineEmits<{ toggle: [course: CourseSummary] }>();

const isChosen = ({ course }: PairCandidate): boolean => chosen.some(({ id }) => id === course.id);
const placeOf = ({ course }: PairCandidate): number => chosen.findIndex(({ id }) => id === course.id) + 1;
const planFor = ({ course }: PairCandidate) =>
  view.plans.find(({ sourceIds, destinationId }) =>
    side === 'into' ? sourceIds.includes(course.id) : destinationId === course.id,
  );
const told = (candidate: PairCandidate) =>
  reasonsOf(
    candidate,
    side === 'into'
      ? { source: candidate.course, shell: view.course, usedInto: candidate.usedInto }
      : { source: view.course, shell: candidate.course, usedInto: candidate.usedInto },
  );
/** Where the shells of other courses begin, when an old course is carried forward. */
const firstOther = computed(() =>
  side === 'from'
    ? view.candidates.find(({ course }) => course.code !== view.course.code || course.number !== view.course.number)
    : undefined,
);
const words = computed(() => {
  if (side === 'into') return verdictWords(view.verdict, view.candidates.length, view.askable.length);
  if (view.candidates.length === 0)
    return 'No shell of a running or coming term is yours to fill. Find one, or make one by hand at the Desk.';
  return `${count(view.candidates.length, 'shell')} could take it; choose one or several:`;
});
</script>

<template>
  <h2>{{ side === 'into' ? 'From' : 'Into' }}</h2>
  <p class="quiet">{{ words }}</p>
  <ul>
    <li v-for="candidate in view.candidates" :key="candidate.course.id">
      <h3 v-if="candidate === firstOther">Other shells of yours</h3>
      <label>
        <input
          type="checkbox"
          :checked="isChosen(candidate)"
          :disabled="!candidate.use.may"
          @change="$emit('toggle', candidate.course)"
        />
        <b>{{ termLabel(candidate.course) }}</b>
        <span>{{ courseName(candidate.course) }}</span>
        <small v-if="isChosen(candidate) && chosen.length > 1 && side === 'into'" class="quiet"
          >no. {{ placeOf(candidate) }}</small
        >
      </label>
      <p class="quiet small">{{ courseLine(candidate.course) }}</p>
      <p v-if="candidate.for.length > 0" class="reason">{{ told(candidate).for.join(' · ') }}</p>
      <p v-if="candidate.against.length > 0" class="reason against">but {{ told(candidate).against.join(' · ') }}</p>
      <p v-if="!candidate.use.may" class="small">{{ candidate.use.why }}</p>
      <p class="small links">
        <RouterLink :to="{ name: 'find', query: { words: candidate.course.id, peek: candidate.course.id } }"
          >look inside</RouterLink
        >
        <RouterLink v-if="planFor(candidate)" :to="{ name: 'plan', params: { id: planFor(candidate)!.id } }"
          >its plan is begun</RouterLink
        >
      </p>
    </li>
    <li v-for="{ course, why } in view.askable" :key="course.id">
      <p>
        <b>{{ termLabel(course) }}</b> {{ courseName(course) }}
      </p>
      <p class="quiet small">{{ courseLine(course) }}</p>
      <p class="small">{{ why }}</p>
      <AskToBeLetIn :course-id="course.id" wants="use" class="small" />
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}

li {
  padding: 9px 0;
  border-top: 1px solid var(--rule-faint);
}

label {
  display: flex;
  gap: 9px;
  align-items: baseline;
}

h3 {
  margin-bottom: 6px;
}

b {
  font-weight: 600;
}

.reason,
li > .small {
  padding-left: 22px;
}

.reason {
  font-size: 14px;
}

.against {
  color: var(--weld-ink);
}

.links {
  display: flex;
  gap: 16px;
}

.links a {
  text-decoration: none;
}

.links a:hover {
  text-decoration: underline;
  text-underline-offset: 4px;
}
</style>
