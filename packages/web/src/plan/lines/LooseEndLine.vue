<script setup lang="ts">
import { namesItsThings, waitsForDecision, type LooseEnd, type Severity } from '@yarin/core';
import { computed } from 'vue';
import { asRead } from '../../shared/readersDates.js';
import { usePlanStore } from '../state/planStore.js';
import { useThings } from './useThings.js';
import LinksToLeft from './LinksToLeft.vue';
import NamedThings from '../../shared/NamedThings.vue';
import PlanLine from './PlanLine.vue';
import TakenByCategory from './TakenByCategory.vue';

/** A loose end, wherever it is told: how bad it is, what it is about, and where it is settled. */
const { end } = defineProps<{ end: LooseEnd }>();
const plan = usePlanStore();
const { open, titleOf } = useThings();

const SEVERITY_WORDS: Readonly<Record<Severity, string>> = {
  breaks: 'breaks for learners',
  wrong: 'wrong but harmless',
  untidy: 'untidy',
};
/** What is settled in the plan, while there is something to bring. */
const isSettledHere = computed(() => !plan.isDone && (end.code === 'linkToNothing' || end.code === 'weightLeft'));
const course = computed(() => plan.view!.shell.course.id);
const place = computed(() => {
  if (waitsForDecision(end) && !plan.isDone)
    return { words: 'decide', to: { params: { knot: 'what' }, query: { show: 'decisions' } } };
  if (end.code === 'datedElsewhere')
    return {
      words: 'date them anew',
      to: { name: 'course', params: { id: course.value, part: 'dates' }, query: { look: 'anew' } },
    };
  if (end.code === 'notOpen')
    return { words: 'settings of the course', to: { name: 'course', params: { id: course.value, part: 'settings' } } };
  if (end.code === 'weights' && plan.isDone)
    return { words: 'its gradebook', to: { name: 'course', params: { id: course.value, part: 'gradebook' } } };
  return undefined;
});
</script>

<template>
  <PlanLine :title="asRead(end.sentence)">
    <template #detail
      ><span :class="end.severity">{{ SEVERITY_WORDS[end.severity] }}</span> ·
      <NamedThings v-if="namesItsThings(end)" :items="end.items" :title-of="titleOf" @open="open" />
      <template v-else>{{ asRead(end.detail) }}</template></template
    >
    <RouterLink
      v-if="place"
      class="plain-link"
      :to="place.to"
      :aria-label="asRead(`${place.words}: ${end.sentence}`)"
      >{{ place.words }}</RouterLink
    >
    <template v-if="isSettledHere" #below>
      <LinksToLeft v-if="end.code === 'linkToNothing'" />
      <TakenByCategory v-else :end="end" />
    </template>
  </PlanLine>
</template>

<style scoped>
.breaks {
  color: var(--madder);
}

.wrong {
  color: var(--weld-ink);
}
</style>
