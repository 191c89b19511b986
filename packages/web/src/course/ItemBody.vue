<script setup lang="ts">
import type { ItemView } from '@yarin/core';
import DOMPurify from 'dompurify';
import { computed } from 'vue';

const { view, courseId } = defineProps<{ view: ItemView; courseId: string }>();

/** The server sanitised it; what a browser would run is taken out once more where it is shown. */
const body = computed(() => DOMPurify.sanitize(view.item.body ?? ''));

const text = (value: unknown): string => (typeof value === 'string' || typeof value === 'number' ? String(value) : '');
const details = computed(() => view.item.details ?? {});
const sections = computed(() =>
  Array.isArray(details.value.sections)
    ? (details.value.sections as { title: string; body: string; locked?: boolean }[])
    : [],
);
const questions = computed(() =>
  Array.isArray(details.value.questions) ? (details.value.questions as { stem: string }[]) : [],
);
const MOST_QUESTIONS = 10;
const facts = computed(() => {
  const { attempts, minutesAllowed, weight, place, url, bytes, mediaType, condition } = details.value;
  return [
    view.item.points === undefined ? '' : `${view.item.points} points`,
    attempts === undefined ? '' : Number(attempts) === 0 ? 'any number of attempts' : `${text(attempts)} attempts`,
    minutesAllowed === undefined ? '' : `${text(minutesAllowed)} minutes`,
    weight === undefined ? '' : `weight ${text(weight)} %`,
    text(place),
    text(url),
    text(condition),
    bytes === undefined ? '' : `${text(mediaType)}, ${text(bytes)} bytes`,
  ].filter((fact) => fact !== '');
});
const isImage = computed(() => view.item.kind === 'file' && text(details.value.mediaType).startsWith('image/'));
const fileAddress = computed(
  () => `/api/courses/${encodeURIComponent(courseId)}/files/${encodeURIComponent(view.item.id)}`,
);
</script>

<template>
  <div class="item">
    <p v-if="facts.length > 0" class="quiet small">{{ facts.join(' · ') }}</p>
    <!-- eslint-disable-next-line vue/no-v-html -- sanitised twice, see above -->
    <div v-if="body" class="body" v-html="body"></div>
    <section v-for="section in sections" :key="section.title">
      <h3>{{ section.title }}{{ section.locked ? ' (the college’s)' : '' }}</h3>
      <!-- eslint-disable-next-line vue/no-v-html -- sanitised here -->
      <div v-html="DOMPurify.sanitize(section.body)"></div>
    </section>
    <ol v-if="questions.length > 0">
      <li v-for="(question, index) in questions.slice(0, MOST_QUESTIONS)" :key="index">{{ question.stem }}</li>
      <li v-if="questions.length > MOST_QUESTIONS" class="quiet">and {{ questions.length - MOST_QUESTIONS }} more</li>
    </ol>
    <img v-if="isImage" :src="fileAddress" :alt="view.item.title" />
    <p v-else-if="view.item.kind === 'file'"><a :href="fileAddress">Fetch the file</a></p>
    <p v-if="view.item.links.length > 0" class="quiet small">
      leads to {{ view.item.links.map(({ title }) => title ?? 'something that is not here').join(' · ') }}
    </p>
    <p v-if="view.usedBy.length > 0" class="quiet small">
      used by {{ view.usedBy.map(({ title }) => title).join(' · ') }}
    </p>
  </div>
</template>

<style scoped>
.item {
  display: grid;
  gap: 8px;
  padding: 8px 0;
}

.body {
  font-size: 16px;
  line-height: 24px;
  max-width: 66ch;
}

.body :deep(img),
img {
  max-width: 100%;
  border: 1px solid var(--rule);
}

.body :deep(p) {
  margin: 0 0 10px;
}

ol {
  margin: 0;
  padding-left: 22px;
}
</style>
