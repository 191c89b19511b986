<script setup lang="ts">
import { indexTerms } from '@yarin/core';
import { computed } from 'vue';
import { count } from '../../shared/words.js';
import PlanLine from '../lines/PlanLine.vue';
import { usePlanStore } from '../state/planStore.js';
import { RULE_WORDS, wayWords } from '../state/planWords.js';
import { pileUps } from './pileUps.js';

/** Where the terms differ in length: how the course was fitted, where work piles up, and the next best way. */
const plan = usePlanStore();
const from = computed(() => plan.sources[0]!);
const terms = computed(() => {
  const { source } = from.value;
  const { shell } = plan.view!;
  return indexTerms(
    { calendar: source.calendar, meetings: [...source.meetings] },
    { calendar: shell.calendar, meetings: [...shell.meetings] },
  );
});
const weeks = computed(() => ({
  old: terms.value.old.teachingWeeks.length,
  new: terms.value.new.teachingWeeks.length,
}));
const title = computed(() => {
  const apart = weeks.value.new - weeks.value.old;
  const { rule = 'week' } = plan.policy;
  return `The new term is ${count(Math.abs(apart), 'week')} ${apart > 0 ? 'longer' : 'shorter'}: ${weeks.value.old} weeks became ${weeks.value.new}, dates go to ${RULE_WORDS[rule]}`;
});
const piles = computed(() => pileUps(plan.preview!.dates, terms.value.new));
const detail = computed(() =>
  piles.value === '' ? 'No week holds more graded work than the limit of 4.' : piles.value,
);
/** Of the other rules the one with the fewest doubts. */
const next = computed(() => {
  const rule = plan.policy.rule ?? 'week';
  const { proposed, others: tried } = from.value.suggestion;
  const others = [proposed, ...tried].filter(({ policy }) => (policy.rule ?? 'week') !== rule);
  return others.reduce<(typeof others)[number] | undefined>(
    (best, each) => (best === undefined || each.doubts < best.doubts ? each : best),
    undefined,
  );
});
function take(): void {
  const option = next.value!;
  const words = wayWords(option.policy);
  plan.decidePolicy(from.value.source.course.id, option.policy, `dates by ${words}`);
}
</script>

<template>
  <PlanLine v-if="weeks.old !== weeks.new" :title="title" :detail="detail">
    <template v-if="next && plan.view!.right.may" #below>
      <button class="plain-link" @click="take">
        or {{ RULE_WORDS[next.policy.rule ?? 'week'] }}
        <small class="quiet"
          >{{ count(next.differs, 'date goes', 'dates go') }} elsewhere, {{ next.doubts }} in doubt</small
        >
      </button>
    </template>
  </PlanLine>
</template>
