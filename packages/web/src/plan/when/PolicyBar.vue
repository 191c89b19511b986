<script setup lang="ts">
import { type PlanSourceView, type PlanPolicy } from '@yarin/core';
import { computed, ref } from 'vue';
import { usePlanStore } from '../state/planStore.js';
import { ruleWords, weekdayMapWords, withNarrow } from '../state/planWords.js';
import { examplesOf } from './classDays.js';
import NarrowRules from './NarrowRules.vue';
import SheetPanel from './SheetPanel.vue';

/** How dates go, in a sentence with its reason and three of them as examples. */
const { from, policy } = defineProps<{
  /** The source whose dates it is about. */
  from: PlanSourceView;
  policy: PlanPolicy;
}>();
/** Whether class days and other rules stand beside the weave. */
const isOpen = defineModel<boolean>('isOpen', { required: true });

const plan = usePlanStore();
const hasSheet = ref(false);

const suggestion = computed(() => from.suggestion);
const course = computed(() => from.source.course.id);
/** Rules for single things, kinds or units stand beside the rule for all the rest. */
const isProposed = computed(() => isSame(policy, suggestion.value.proposed.policy));
const basis = (each: PlanPolicy): string => {
  const { rule = 'week', landing = '', hour = 'follow' } = each;
  return JSON.stringify([rule, weekdayMapWords(each), landing, hour]);
};
const isSame = (a: PlanPolicy, b: PlanPolicy): boolean => basis(a) === basis(b);
const rule = computed(() => {
  const words = ruleWords(policy);
  return words[0]!.toUpperCase() + words.slice(1);
});
const examples = computed(() =>
  examplesOf(
    plan.preview!.dates.filter(({ item }) => plan.sources.length < 2 || plan.originOf(item).course === course.value),
  ),
);

const hasNarrow = computed(() =>
  [policy.byItem, policy.byKind, policy.byUnit].some((rules) => Object.keys(rules ?? {}).length > 0),
);
const backToProposal = (): void =>
  plan.decidePolicy(
    course.value,
    hasNarrow.value ? withNarrow(suggestion.value.proposed.policy, policy) : undefined,
    'the proposed rule again',
  );
</script>

<template>
  <div class="bar">
    <div class="line">
      <p>
        <b>{{ rule }}.</b>
        {{ isProposed ? `${suggestion.reason}.` : `Set by you: ${weekdayMapWords(policy)}.` }}
        <span v-for="example in examples" :key="example.what" class="example">
          {{ example.title }}: <i>{{ example.from }} → {{ example.to }}</i
          >, {{ example.what }}
        </span>
      </p>
      <span class="right">
        <button v-if="!isProposed" class="plain-link" @click="backToProposal">as proposed</button>
        <RouterLink
          class="plain-link"
          :to="{ name: 'course', params: { id: plan.view!.shell.course.id, part: 'class-days' } }"
          >calendar</RouterLink
        >
        <button class="plain-link" :aria-expanded="isOpen" @click="isOpen = !isOpen">class days and rules</button>
        <button class="plain-link" :aria-expanded="hasSheet" @click="hasSheet = !hasSheet">sheet</button>
      </span>
    </div>
    <NarrowRules :course="course" :policy="policy" />
    <SheetPanel v-if="hasSheet" />
  </div>
</template>

<style scoped>
.bar {
  flex: none;
  border-bottom: 1px solid var(--rule);
  background: var(--raised);
  font-size: 13.5px;
}

.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 24px;
  align-items: start;
  padding: 7px var(--margin);
}

p {
  margin: 0;
  line-height: 21px;
}

b {
  font-weight: 600;
}

.example {
  color: var(--quiet);
}

.example + .example::before {
  content: ' · ';
  white-space: pre;
}

i {
  font-style: normal;
  color: var(--indigo);
  white-space: nowrap;
}

.right {
  display: flex;
  gap: 14px;
  line-height: 21px;
}

@media (max-width: 900px) {
  .line {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
