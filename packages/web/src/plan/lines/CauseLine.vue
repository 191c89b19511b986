<script setup lang="ts">
import type { DoubtCause, Settlement } from '@yarin/core';
import PlanLine from './PlanLine.vue';
import { usePlanStore } from '../state/planStore.js';
import { asRead } from '../../shared/readersDates.js';
import { count } from '../../shared/words.js';

/** Doubts that have one cause: what is the matter, and under it what settles all of them in one press. */
const { cause } = defineProps<{ cause: DoubtCause }>();
const plan = usePlanStore();

/** What it would do to how many: “all 5”, “3 of 5 dates”; nothing for the only one. */
function reachOf({ dates }: Settlement): string {
  const size = Object.keys(dates).length;
  const all = cause.moments.length;
  if (size === all) return all === 1 ? '' : `all ${all}`;
  return size < all ? `${size} of ${all} dates` : count(size, 'date');
}
</script>

<template>
  <PlanLine :title="asRead(cause.sentence)">
    <template #detail
      ><span class="detail"
        >{{ asRead(cause.detail) }}{{ cause.stands && !plan.isDone ? ' · brought already' : '' }}</span
      ></template
    >
    <button class="plain-link" :aria-label="asRead(`Fine as it is: ${cause.sentence}`)" @click="plan.settle([cause])">
      fine as it is
    </button>
    <template v-if="cause.settlements.length > 0" #below>
      <button
        v-for="settlement in cause.settlements"
        :key="settlement.name"
        class="plain-link"
        :aria-label="asRead(`${settlement.words}: ${cause.sentence}`)"
        @click="plan.settleBy(cause, settlement)"
      >
        {{ asRead(settlement.words) }}
        <small v-if="reachOf(settlement) !== ''" class="quiet">{{ reachOf(settlement) }}</small>
      </button>
    </template>
  </PlanLine>
</template>

<style scoped>
.detail {
  color: var(--weld-ink);
}
</style>
