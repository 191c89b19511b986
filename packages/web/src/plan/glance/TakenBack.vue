<script setup lang="ts">
import { computed } from 'vue';
import DeedLines from '../lines/DeedLines.vue';
import { usePlanStore } from '../state/planStore.js';

/** What was taken back of the last run, and can be done again as it stood. */
const plan = usePlanStore();
const deeds = computed(() => plan.lastRun?.takenBack ?? []);
</script>

<template>
  <DeedLines
    :deeds="deeds"
    label="Taken back"
    act="do it again"
    act-alone="do again what was taken back"
    @act="plan.doAgain"
  />
</template>
