<script setup lang="ts">
import type { CourseSummary, PairCandidate, PairView } from '@yarin/core';
import { computed } from 'vue';
import AskToBeLetIn from '../access/AskToBeLetIn.vue';
import { courseLine, courseName, termLabel } from '../shared/courseLine.js';
import { count } from '../shared/words.js';
import PairChoice from './PairChoice.vue';
import type { Press } from './chosen.js';
import { reasonsOf, verdictWords } from './reasons.js';

const { view, side, chosen } = defineProps<{
  view: PairView;
  side: 'into' | 'from';
  chosen: readonly CourseSummary[];
}>();
defineEmits<{
  press: [course: CourseSummary, press: Press];
  peek: [course: CourseSummary];
  beside: [course: CourseSummary];
}>();

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
const shells = computed(() => view.candidates.filter(({ isRunning }) => !isRunning));
/** Where the shells of other courses begin, when an old course is carried forward. */
const firstOther = computed(() =>
  side === 'from'
    ? shells.value.find(({ course }) => course.code !== view.course.code || course.number !== view.course.number)
    : undefined,
);
/** Where people work already: no shells, but a few things may go there. */
const firstRunning = computed(() => (side === 'from' ? view.candidates.find(({ isRunning }) => isRunning) : undefined));
const words = computed(() => {
  if (side === 'into') return verdictWords(view.verdict, view.candidates.length, view.askable.length);
  if (shells.value.length === 0)
    return 'No shell of this or a coming term is yours to fill. Find one, or make one by hand at the Desk.';
  return `${count(shells.value.length, 'shell')} could take it; choose one or several:`;
});
</script>

<template>
  <h2>{{ side === 'into' ? 'From' : 'Into' }}</h2>
  <p class="quiet">{{ words }}</p>
  <ul>
    <li v-for="candidate in view.candidates" :key="candidate.course.id">
      <h3 v-if="candidate === firstOther">Other shells of yours</h3>
      <h3 v-if="candidate === firstRunning">
        Running courses <small class="beside">people work there: for single things, in the middle of the term</small>
      </h3>
      <PairChoice
        :course="candidate.course"
        :how="side === 'into' ? 'one' : 'several'"
        :chosen="chosen"
        :disabled="!candidate.use.may"
        @press="(course, press) => $emit('press', course, press)"
        @peek="$emit('peek', candidate.course)"
        @beside="$emit('beside', candidate.course)"
      >
        <p v-if="candidate.for.length > 0" class="reason">{{ told(candidate).for.join(' · ') }}</p>
        <p v-if="candidate.against.length > 0" class="reason against">but {{ told(candidate).against.join(' · ') }}</p>
        <p v-if="!candidate.use.may" class="small">{{ candidate.use.why }}</p>
        <template #links>
          <RouterLink
            v-if="planFor(candidate)"
            class="plain-link"
            :to="{ name: 'plan', params: { id: planFor(candidate)!.id } }"
            >its plan is begun</RouterLink
          >
        </template>
      </PairChoice>
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

h3 {
  margin-bottom: 6px;
}

b {
  font-weight: 600;
}

.reason,
li > .small,
.small {
  padding-left: 22px;
}

.reason {
  font-size: 14px;
}

.against {
  color: var(--weld-ink);
}
</style>
