<script setup lang="ts">
import type { DoubtCause } from '@yarin/core';
import PlanLine from '../PlanLine.vue';
import { usePlanStore } from '../planStore.js';

defineProps<{ cause: DoubtCause }>();
const plan = usePlanStore();
</script>

<template>
  <PlanLine :title="cause.sentence">
    <template #detail
      ><span class="detail">{{ cause.detail }}</span></template
    >
    <ElButton
      v-for="settlement in cause.settlements"
      :key="settlement.words"
      size="small"
      plain
      type="primary"
      :aria-label="`${settlement.words}: ${cause.sentence}`"
      @click="plan.settleBy(cause, settlement)"
    >
      {{ settlement.words }}
    </ElButton>
    <button class="plain-link" :aria-label="`Fine as it is: ${cause.sentence}`" @click="plan.settle([cause])">
      fine as it is
    </button>
  </PlanLine>
</template>

<style scoped>
.detail {
  color: var(--weld-ink);
}
</style>
