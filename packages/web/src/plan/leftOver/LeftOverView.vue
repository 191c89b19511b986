<script setup lang="ts">
import { usePlanStore } from '../planStore.js';
import CauseLine from '../when/CauseLine.vue';
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
    <section aria-label="Dates to look at">
      <h2>Dates to look at <small class="beside">one line a cause</small></h2>
      <ul v-if="plan.preview!.causes.length > 0" class="lines">
        <CauseLine v-for="cause in plan.preview!.causes" :key="cause.key" :cause="cause" />
      </ul>
      <p v-else class="quiet">
        None.
        {{ plan.isDone ? 'The dates stand in the new course.' : 'Every date has a plain place on the new calendar.' }}
      </p>
    </section>
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
