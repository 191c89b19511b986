<script setup lang="ts">
import DOMPurify from 'dompurify';
import { computed } from 'vue';
import { useCourseStore } from '../state/courseStore.js';
import RichText from './RichText.vue';

interface Section {
  readonly title: string;
  readonly body: string;
  readonly locked?: boolean;
}
const course = useCourseStore();
const details = defineModel<Record<string, unknown>>({ required: true });

const sections = computed(() => (Array.isArray(details.value.sections) ? (details.value.sections as Section[]) : []));
const write = (given: Section[]): void => void (details.value = { ...details.value, sections: given });
const change = (index: number, part: Partial<Section>): void =>
  write(sections.value.map((section, at) => (at === index ? { ...section, ...part } : section)));
const add = (): void => write([...sections.value, { title: 'New section', body: '', locked: false }]);
const drop = (index: number): void => write(sections.value.filter((_, at) => at !== index));
</script>

<template>
  <section v-for="(section, index) in sections" :key="index" class="section">
    <template v-if="section.locked">
      <h3>{{ section.title }} <small class="quiet">the college’s; it stays as it is</small></h3>
      <!-- eslint-disable-next-line vue/no-v-html -- sanitised here -->
      <div class="quiet" v-html="DOMPurify.sanitize(section.body)"></div>
    </template>
    <template v-else>
      <ElInput
        :model-value="section.title"
        size="small"
        aria-label="Title of the section"
        @update:model-value="(title: string) => change(index, { title })"
      />
      <RichText
        :model-value="section.body"
        :label="`Text of ${section.title}`"
        :course-id="course.view!.summary.id"
        :items="course.view!.items"
        @update:model-value="(body: string) => change(index, { body })"
      />
      <button type="button" class="plain-link" @click="drop(index)">take this section away</button>
    </template>
  </section>
  <p><button type="button" class="plain-link" @click="add">Add a section</button></p>
</template>

<style scoped>
.section {
  display: grid;
  gap: 6px;
  justify-items: start;
}

.section > * {
  width: 100%;
}

.section > button {
  width: auto;
}

h3 small {
  font: 13px var(--sans);
}
</style>
