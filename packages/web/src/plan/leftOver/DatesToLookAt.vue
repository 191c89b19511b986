<script setup lang="ts">
import { computed } from 'vue';
import { usePlanStore } from '../state/planStore.js';
import CauseLine from '../lines/CauseLine.vue';
import DeedLines from '../lines/DeedLines.vue';
import OpenedDoubts from '../lines/OpenedDoubts.vue';

/** Doubts about dates, before the run and after it. */
const plan = usePlanStore();
const causes = computed(() => plan.preview!.causes);
</script>

<template>
  <section aria-label="Dates to look at">
    <h2>Dates to look at <small class="beside">one line a cause</small></h2>
    <OpenedDoubts />
    <ul v-if="causes.length > 0" class="lines">
      <CauseLine v-for="cause in causes" :key="cause.key" :cause="cause" />
    </ul>
    <p v-else class="quiet">
      None.
      {{ plan.isDone ? 'The dates stand in the new course.' : 'Every date has a plain place on the new calendar.' }}
    </p>
    <DeedLines
      :deeds="plan.fixes"
      label="Moved since in the new course"
      act="put back"
      act-alone="put back"
      @act="plan.putBackFix"
    />
  </section>
</template>
