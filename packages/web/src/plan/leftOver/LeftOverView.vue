<script setup lang="ts">
import { usePlanStore } from '../state/planStore.js';
import DatesToLookAt from './DatesToLookAt.vue';
import LooseEndList from './LooseEndList.vue';

defineEmits<{ go: [knot?: string] }>();
const plan = usePlanStore();
</script>

<template>
  <div class="left-over">
    <section aria-label="Loose ends">
      <h2>
        Loose ends
        <small class="beside">{{
          plan.isDone ? 'as they are in the new course' : 'as they would remain after the run'
        }}</small>
      </h2>
      <LooseEndList />
    </section>
    <DatesToLookAt />
  </div>
</template>

<style scoped>
.left-over {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 56px;
  align-content: start;
  padding: 20px var(--margin);
  overflow: auto;
}

@media (max-width: 800px) {
  .left-over {
    grid-template-columns: 1fr;
    gap: 24px;
  }
}
</style>
