<script setup lang="ts">
import { KIND_WORDS, type Kind, type PlanPolicy } from '@yarin/core';
import { computed } from 'vue';
import { usePlanStore } from '../planStore.js';
import { RULE_WORDS } from '../planWords.js';
import type { Reach } from '../usePlanDates.js';

/** Things, kinds and units whose dates go by a rule of their own. */
const { course, policy } = defineProps<{ course: string; policy: PlanPolicy }>();

const plan = usePlanStore();
const titles = computed(() => new Map(plan.source.items.map(({ id, title }) => [id, title])));
const REACHES: readonly Reach[] = ['byItem', 'byUnit', 'byKind'];
const nameOf = (reach: Reach, key: string): string =>
  reach === 'byKind' ? `all ${KIND_WORDS[key as Kind].many}` : (titles.value.get(key) ?? 'a thing that is gone');
const rules = computed(() =>
  REACHES.flatMap((reach) =>
    Object.entries(policy[reach] ?? {}).map(([key, { rule }]) => ({
      reach,
      key,
      words: `${nameOf(reach, key)}: ${RULE_WORDS[rule ?? policy.rule ?? 'week']}`,
    })),
  ),
);
</script>

<template>
  <p v-if="rules.length > 0" class="rules">
    <span v-for="{ reach, key, words } in rules" :key="`${reach} ${key}`" class="rule">
      {{ words }}
      <button
        class="plain-link"
        :aria-label="`${words}, as the rest again`"
        @click="plan.takeRuleAway(course, reach, key, `as the rest: ${words}`)"
      >
        as the rest
      </button>
    </span>
  </p>
</template>

<style scoped>
.rules {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
  max-height: 66px;
  padding: 0 var(--margin) 6px;
  overflow: auto;
}

.rule {
  color: var(--quiet);
}
</style>
