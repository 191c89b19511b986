<script setup lang="ts">
import type { PlanPolicy } from '@yarin/core';
import { computed } from 'vue';
import { usePlanStore } from '../state/planStore.js';
import { narrowRules } from './narrowRules.js';

/** Things, kinds and units whose dates go by a rule of their own. */
const { course, policy } = defineProps<{ course: string; policy: PlanPolicy }>();

const plan = usePlanStore();
const titles = computed(() => new Map(plan.source.items.map(({ id, title }) => [id, title])));
const rules = computed(() => narrowRules(policy, (id) => titles.value.get(id)));
</script>

<template>
  <p v-if="rules.length > 0" class="rules">
    <span v-for="{ reach, keys, words } in rules" :key="`${reach} ${keys[0]}`" class="rule">
      {{ words }}
      <button
        class="plain-link"
        :aria-label="`${words}, as the rest again`"
        @click="plan.takeRulesAway(course, reach, keys, `as the rest: ${words}`)"
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
