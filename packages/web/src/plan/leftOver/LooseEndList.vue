<script setup lang="ts">
import type { Severity } from '@yarin/core';
import { useRouter } from 'vue-router';
import PlanLine from '../lines/PlanLine.vue';
import { usePlanStore } from '../state/planStore.js';
import { asRead } from '../../shared/readersDates.js';

const plan = usePlanStore();
const router = useRouter();

const SEVERITY_WORDS: Readonly<Record<Severity, string>> = {
  breaks: 'breaks for learners',
  wrong: 'wrong but harmless',
  untidy: 'untidy',
};

/** Where the calendar puts the dates now is looked at, and taken over, in the new course. */
const dateAnew = (): void =>
  void router.push({
    name: 'course',
    params: { id: plan.view!.shell.course.id, part: 'dates' },
    query: { look: 'anew' },
  });
/** The new course once it is there, the old one before. */
function open(item: string): void {
  const place = plan.isDone ? { course: plan.view!.shell.course.id, item } : plan.originOf(item);
  void router.push({ name: 'course', params: { id: place.course }, query: { item: place.item } });
}
</script>

<template>
  <ul v-if="plan.preview!.looseEnds.length > 0" class="lines">
    <PlanLine
      v-for="end in plan.preview!.looseEnds"
      :key="`${end.code} ${end.items[0] ?? ''}`"
      :title="asRead(end.sentence)"
    >
      <template #detail
        ><span :class="end.severity">{{ SEVERITY_WORDS[end.severity] }}</span> · {{ asRead(end.detail) }}</template
      >
      <button v-if="end.code === 'datedElsewhere'" class="plain-link" @click="dateAnew">date them anew</button>
      <button
        v-else-if="end.items.length > 0"
        class="plain-link"
        :aria-label="asRead(`Open the first: ${end.sentence}`)"
        @click="open(end.items[0]!)"
      >
        open
      </button>
    </PlanLine>
  </ul>
  <p v-else class="quiet">No loose ends. Everything that came is whole.</p>
</template>

<style scoped>
.breaks {
  color: var(--madder);
}

.wrong {
  color: var(--weld-ink);
}
</style>
