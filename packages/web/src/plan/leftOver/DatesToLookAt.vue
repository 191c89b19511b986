<script setup lang="ts">
import { computed } from 'vue';
import { momentWords } from '../../shared/readersDates.js';
import { usePlanStore } from '../state/planStore.js';
import CauseLine from '../lines/CauseLine.vue';
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
    <ul v-if="plan.fixes.length > 0" class="fixes" aria-label="Moved since in the new course">
      <li v-for="fix in plan.fixes" :key="fix.id">
        {{ fix.what }} <span class="quiet small">{{ fix.by }}, {{ momentWords(fix.at) }}</span>
        <button
          v-if="plan.view!.right.may && fix.canBe === 'takenBack'"
          class="plain-link"
          :aria-label="`put back: ${fix.what}`"
          @click="plan.putBackFix(fix)"
        >
          put back
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.fixes {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}

li {
  padding: 2px 0;
}

button {
  margin-left: 8px;
}
</style>
