<script setup lang="ts">
import LooseEndLine from '../lines/LooseEndLine.vue';
import { usePlanStore } from '../state/planStore.js';

const plan = usePlanStore();
</script>

<template>
  <ul v-if="plan.preview!.looseEnds.length > 0" class="lines">
    <LooseEndLine v-for="end in plan.preview!.looseEnds" :key="`${end.code} ${end.items[0] ?? ''}`" :end="end" />
  </ul>
  <p v-else class="quiet">No loose ends. Everything that came is whole.</p>
</template>
