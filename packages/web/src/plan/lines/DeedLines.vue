<script setup lang="ts">
import { parseDay, type Deed } from '@yarin/core';
import { dayWords, timeWords } from '../../shared/readersDates.js';
import { usePlanStore } from '../state/planStore.js';

/** What was done in the new course, a line each, with what can be done about it. */
defineProps<{
  deeds: readonly Deed[];
  /** What stands in the list: “Taken back”. */
  label: string;
  /** What can be done: “do it again”; “do again what was taken back” where it is told by itself. */
  act: string;
  actAlone: string;
}>();
defineEmits<{ act: [deed: Deed] }>();
const plan = usePlanStore();
</script>

<template>
  <ul v-if="deeds.length > 0" class="deeds" :aria-label="label">
    <li v-for="deed in deeds" :key="deed.id">
      {{ deed.by }} {{ deed.what }},
      <span class="quiet">{{ dayWords(parseDay(deed.at)) }} at {{ timeWords(deed.at) }}.</span>
      <button
        v-if="plan.view!.right.may"
        class="plain-link"
        :aria-label="`${actAlone}: ${deed.what}`"
        @click="$emit('act', deed)"
      >
        {{ act }}
      </button>
    </li>
  </ul>
</template>

<style scoped>
.deeds {
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
