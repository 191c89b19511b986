<script setup lang="ts">
import { computed } from 'vue';
import CauseLine from '../lines/CauseLine.vue';
import LooseEndLine from '../lines/LooseEndLine.vue';
import OpenedDoubts from '../lines/OpenedDoubts.vue';
import { usePlanStore } from '../state/planStore.js';
import NotesToThisTerm from './NotesToThisTerm.vue';

const plan = usePlanStore();
/** The doubts of When and the loose ends of Left over, a row each: the Desk counts the same. */
const rows = computed(() => plan.preview!.causes.length + plan.preview!.looseEnds.length);
</script>

<template>
  <section aria-label="What needs you">
    <h2>
      What needs you <em v-if="rows > 0">{{ rows }}</em>
      <small v-if="rows > 0" class="beside">now or after the run; what is left then stays listed</small>
    </h2>
    <OpenedDoubts />
    <ul class="lines">
      <CauseLine v-for="cause in plan.preview!.causes" :key="cause.key" :cause="cause" />
      <LooseEndLine v-for="end in plan.preview!.looseEnds" :key="`${end.code} ${end.items[0] ?? ''}`" :end="end" />
    </ul>
    <p v-if="rows === 0" class="quiet">Nothing. Every date has a plain place, and nothing waits for a decision.</p>
    <NotesToThisTerm />
  </section>
</template>

<style scoped>
em {
  font-style: normal;
}
</style>
