<script setup lang="ts">
import { sectionsIn } from '@yarin/core';
import { computed } from 'vue';
import { usePlanStore } from '../state/planStore.js';
import { SECTION_DASHES } from './weaveMeasures.js';

/** What is looked at: the dates of one source, of one section of a shared shell, or all parallel sections side by side. */
const source = defineModel<string>('source', { required: true });
const section = defineModel<string | null>('section', { required: true });
const isComparing = defineModel<boolean>('isComparing', { required: true });

const plan = usePlanStore();
const comparable = computed(() => plan.view!.parallelSections > 0);
const sharing = computed(() => sectionsIn(plan.view!.shell.meetings));
function look(at: string | null): void {
  section.value = at;
  isComparing.value = false;
}
</script>

<template>
  <p v-if="plan.sources.length > 1 || comparable || sharing.length > 0" class="look">
    <template v-if="plan.sources.length > 1">
      dates of
      <button
        v-for="{ source: { course } } in plan.sources"
        :key="course.id"
        class="way-to-look"
        :aria-pressed="!isComparing && course.id === source"
        @click="((source = course.id), (isComparing = false))"
      >
        {{ plan.nameOf(course.id) }}
      </button>
    </template>
    <template v-if="sharing.length > 0">
      look at
      <button class="way-to-look" :aria-pressed="!isComparing && section === null" @click="look(null)">
        the whole shell
      </button>
      <button
        v-for="(each, index) in sharing"
        :key="each"
        class="way-to-look"
        :aria-pressed="!isComparing && section === each"
        @click="look(each)"
      >
        section {{ each }}
        <svg width="26" height="8" aria-hidden="true">
          <path d="M0 4H26" :stroke-dasharray="SECTION_DASHES[index % SECTION_DASHES.length]" />
        </svg>
      </button>
    </template>
    <template v-if="comparable">
      <button
        v-if="plan.sources.length === 1 && sharing.length === 0"
        class="way-to-look"
        :aria-pressed="!isComparing"
        @click="isComparing = false"
      >
        section {{ plan.view!.shell.course.section }}
      </button>
      <button class="way-to-look" :aria-pressed="isComparing" @click="isComparing = true">all sections</button>
    </template>
  </p>
</template>

<style scoped>
.look {
  flex: none;
  display: flex;
  gap: 12px;
  padding: 6px var(--margin) 0;
  background: var(--raised);
  font-size: 13.5px;
  color: var(--quiet);
}

path {
  stroke: var(--indigo);
  stroke-width: 1.6;
}
</style>
