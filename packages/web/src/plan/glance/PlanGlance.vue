<script setup lang="ts">
import { usePlanStore } from '../state/planStore.js';
import WhatHappens from './WhatHappens.vue';
import WhatNeedsYou from './WhatNeedsYou.vue';
import WhatWasDone from './WhatWasDone.vue';
import DatesToLookAt from '../leftOver/DatesToLookAt.vue';
import LooseEndList from '../leftOver/LooseEndList.vue';

defineEmits<{ go: [knot?: string] }>();
const plan = usePlanStore();
</script>

<template>
  <div class="glance">
    <template v-if="plan.isDone">
      <section aria-label="Left over">
        <h2>Left over <small class="beside">the worst first</small></h2>
        <LooseEndList />
        <DatesToLookAt v-if="plan.preview!.causes.length > 0 || plan.fixes.length > 0" class="dates" />
      </section>
      <WhatWasDone />
    </template>
    <template v-else>
      <WhatHappens @go="$emit('go', $event)" />
      <WhatNeedsYou />
    </template>
  </div>
</template>

<style scoped>
.glance {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 56px;
  align-content: start;
  padding: 20px var(--margin);
  overflow: auto;
}

.dates {
  margin-top: 24px;
}

@media (max-width: 800px) {
  .glance {
    grid-template-columns: 1fr;
    gap: 24px;
  }
}
</style>
