<script setup lang="ts">
import { dateTotalsOf, firstFew, isOpened } from '@yarin/core';
import { computed } from 'vue';
import { count, ofWords, otherDatesWords, standingWords } from '../../shared/words.js';
import PlanLine from '../lines/PlanLine.vue';
import TakenBack from './TakenBack.vue';
import TermLength from './TermLength.vue';
import { usePlanStore } from '../state/planStore.js';
import { fateLines, shellWords, wayWords, zerosWords } from '../state/planWords.js';
import { asRead } from '../../shared/readersDates.js';

defineEmits<{ go: [knot?: string] }>();
const plan = usePlanStore();

/** Things that land as drafts whatever was chosen, since a date of theirs has passed. */
const drafts = computed(() => plan.preview!.items.filter(({ hasPassed }) => hasPassed === true).length);
/** Things that learners would see as soon as they are brought: they land open, and so is the course. */
const seen = computed(() =>
  plan.view!.shell.course.openToLearners === true
    ? plan.preview!.items.filter(({ kind, isWritten, state }) => isWritten && state === 'open' && isOpened(kind))
    : [],
);
const begun = computed(() => plan.preview!.lines.filter((line) => line.begun === true).length);
const lines = computed(() => fateLines(plan.source, plan.view!.shell, plan.preview!));
/** What has to be known first: what stands in the shell already, and what the registrar changed. */
const remarks = computed(() => [
  ...standingWords(plan.view!.standing),
  ...plan.view!.notices.map(({ sentence }) => asRead(sentence)),
]);
const dates = computed(() => dateTotalsOf(plan.preview!.dates));
const placesToo = computed(() => {
  const { places } = plan.totals;
  return places === 0 ? '' : `, ${places} of them as ${places === 1 ? 'a place' : 'places'} kept for outside work`;
});
/** “; 19 of them go with their class”. */
const withClass = computed(() => {
  const tied = plan.preview!.dates.filter(({ steps }) => steps.some(({ step }) => step === 'tied')).length;
  return tied === 0 ? '' : `; ${tied} of them ${tied === 1 ? 'goes' : 'go'} with their class`;
});
const LANDING = { 'as it was': 'as it was', draft: 'as drafts', hidden: 'hidden' } as const;
const landing = computed(() => LANDING[plan.decisions.choices.landing ?? 'as it was']);
</script>

<template>
  <section aria-label="What will happen">
    <h2>What will happen</h2>
    <p v-for="remark in remarks" :key="remark" class="remark">{{ remark }}</p>
    <TakenBack />
    <p class="lead">
      <RouterLink class="place-link" :to="{ params: { knot: 'what' } }">{{ ofWords(plan.totals) }} things</RouterLink>
      come{{ placesToo }}, in the order they had. {{ shellWords(plan.preview!) }}
      <template v-if="dates.move > 0"
        >{{ count(dates.move, 'date goes', 'dates go') }} to
        <RouterLink class="place-link" :to="{ params: { knot: 'when' } }">{{ wayWords(plan.policy) }}</RouterLink>{{
          withClass
        }}.
      </template>
      <template v-for="words in otherDatesWords(dates)" :key="words">{{ words }}. </template>
      {{ drafts > 0 ? 'Each other thing' : 'Each thing' }} lands {{ landing
      }}{{
        plan.view!.shell.course.openToLearners === true
          ? '.'
          : '; the course stays closed to learners until you open it.'
      }}
    </p>
    <p v-if="seen.length > 0" class="remark">
      The course is open to learners. They see at once {{ count(seen.length, 'thing') }}:
      {{ firstFew(seen.map(({ title }) => title)) }}.
      <button v-if="plan.view!.right.may" class="plain-link" @click="plan.choose({ landing: 'draft' }, 'land draft')">
        land all as drafts
      </button>
    </p>
    <p v-if="begun > 0" class="remark">
      {{ count(begun, 'thing') }} of the shell {{ begun === 1 ? 'stays' : 'stay' }} as they are there: learners have
      begun them.
    </p>
    <ul class="lines">
      <TermLength />
      <PlanLine v-for="line in lines" :key="line.key" :title="line.title" :detail="line.detail">
        <button
          class="plain-link number"
          :aria-label="`${line.title}: see the ${line.number}`"
          @click="$emit('go', line.knot)"
        >
          {{ line.number }}
        </button>
      </PlanLine>
      <PlanLine title="Never comes" :detail="zerosWords(plan.learners)" number="0" />
    </ul>
  </section>
</template>

<style scoped>
.remark {
  margin-bottom: 6px;
  padding: 2px 8px;
  border-left: 3px solid var(--weld);
  background: var(--weld-paper);
  color: var(--weld-ink);
}

.lead {
  padding-bottom: 10px;
  font-size: 16.5px;
  line-height: 24px;
}
</style>
