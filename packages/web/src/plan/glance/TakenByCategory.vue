<script setup lang="ts">
import type { LooseEnd } from '@yarin/core';
import { computed } from 'vue';
import PlanLine from '../lines/PlanLine.vue';
import { usePlanStore } from '../state/planStore.js';

/** A category that would come with a few pieces of work: one of the course’s own can take them instead. */
const { end } = defineProps<{ end: LooseEnd }>();
const plan = usePlanStore();
const own = computed(() => plan.view!.shell.items.filter(({ kind }) => kind === 'gradeCategory'));

function letTake(title: string, into: string): void {
  const { equivalents } = plan.decisions.choices;
  plan.choose({ equivalents: { ...equivalents, [end.items[0]!]: into } }, `the work goes into ${title}`);
}
</script>

<template>
  <PlanLine :title="end.sentence" :detail="end.detail">
    <template v-for="{ id, title } in own" :key="id">
      <button v-if="plan.view!.right.may" class="plain-link" @click="letTake(title, id)">into {{ title }}</button>
      {{ ' ' }}
    </template>
  </PlanLine>
</template>
