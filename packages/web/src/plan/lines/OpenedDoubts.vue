<script setup lang="ts">
import { asRead } from '../../shared/readersDates.js';
import { usePlanStore } from '../state/planStore.js';

/** What settling a cause brought up, so that nothing opens unseen. */
const plan = usePlanStore();
</script>

<template>
  <p v-if="plan.opened.length > 0" class="opened" role="status">
    That brought up: {{ asRead(plan.opened.join('; ')) }}.
    <button class="plain-link" @click="plan.undo">undo</button>
  </p>
</template>

<style scoped>
.opened {
  margin: 0 0 6px;
  padding: 2px 8px;
  border-left: 3px solid var(--weld);
  background: var(--weld-paper);
  color: var(--weld-ink);
}
</style>
