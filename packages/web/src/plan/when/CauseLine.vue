<script setup lang="ts">
import type { DoubtCause } from '@yarin/core';
import PlanLine from '../PlanLine.vue';
import { usePlanStore } from '../planStore.js';
import { asRead } from '../../shared/dates/readersDates.js';

defineProps<{ cause: DoubtCause }>();
const plan = usePlanStore();
</script>

<template>
  <PlanLine :title="asRead(cause.sentence)">
    <template #detail
      ><span class="detail"
        >{{ asRead(cause.detail) }}{{ cause.stands && !plan.isDone ? ' · brought already' : '' }}</span
      ></template
    >
    <ElButton
      v-for="settlement in cause.settlements"
      :key="settlement.words"
      size="small"
      plain
      type="primary"
      :aria-label="asRead(`${settlement.words}: ${cause.sentence}`)"
      @click="plan.settleBy(cause, settlement)"
    >
      {{ asRead(settlement.words) }}
    </ElButton>
    <button class="plain-link" :aria-label="asRead(`Fine as it is: ${cause.sentence}`)" @click="plan.settle([cause])">
      fine as it is
    </button>
  </PlanLine>
</template>

<style scoped>
.detail {
  color: var(--weld-ink);
}
</style>
