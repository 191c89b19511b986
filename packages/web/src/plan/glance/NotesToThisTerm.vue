<script setup lang="ts">
import { computed } from 'vue';
import NamedThings from '../../shared/NamedThings.vue';
import PlanLine from '../lines/PlanLine.vue';
import { usePlanStore } from '../state/planStore.js';
import { useThings } from '../lines/useThings.js';

/** What people left beside things of the old course for whoever brings it on. */
const plan = usePlanStore();
const { open, titleOf } = useThings();
const notes = computed(() => {
  const known = new Set(plan.source.items.map(({ id }) => id));
  return plan.source.marks.flatMap(({ item, note }) =>
    note === undefined || !known.has(item) ? [] : [{ item, note }],
  );
});
</script>

<template>
  <template v-if="notes.length > 0">
    <h3>Notes left for this term</h3>
    <ul class="lines">
      <PlanLine v-for="{ item, note } in notes" :key="item" :title="`“${note}”`">
        <template #detail>beside <NamedThings :items="[item]" :title-of="titleOf" @open="open" /></template>
      </PlanLine>
    </ul>
  </template>
</template>

<style scoped>
h3 {
  margin-top: 20px;
}
</style>
