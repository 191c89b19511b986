<script setup lang="ts">
import { computed } from 'vue';
import { usePlanStore } from '../state/planStore.js';
import { dayWords, timeWords } from '../../shared/readersDates.js';
import { parseDay } from '@yarin/core';

/** What was taken back of the last run, and can be done again as it stood. */
const plan = usePlanStore();
const deeds = computed(() => plan.lastRun?.takenBack ?? []);
</script>

<template>
  <ul v-if="deeds.length > 0" class="back" aria-label="Taken back">
    <li v-for="deed in deeds" :key="deed.id">
      {{ deed.by }} {{ deed.what }},
      <span class="quiet">{{ dayWords(parseDay(deed.at)) }} at {{ timeWords(deed.at) }}.</span>
      <button
        v-if="plan.view!.right.may"
        class="plain-link"
        :aria-label="`do again what was taken back: ${deed.what}`"
        @click="plan.doAgain(deed)"
      >
        do it again
      </button>
    </li>
  </ul>
</template>

<style scoped>
.back {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}

li {
  padding: 2px 0;
}

button {
  margin-left: 8px;
}
</style>
