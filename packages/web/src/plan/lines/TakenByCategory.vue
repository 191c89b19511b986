<script setup lang="ts">
import type { LooseEnd } from '@yarin/core';
import { computed } from 'vue';
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
  <template v-if="plan.view!.right.may">
    <button v-for="{ id, title } in own" :key="id" class="plain-link" @click="letTake(title, id)">
      into {{ title }}
    </button>
  </template>
</template>
