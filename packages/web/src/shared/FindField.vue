<script setup lang="ts">
import type { CourseSummary } from '@yarin/core';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { findCourses } from './api/courses.js';
import { useKeys } from './useKeys.js';
import { courseCode } from './words.js';

const ASK_AFTER_MS = 150;

const router = useRouter();
const words = ref('');
const found = ref<readonly CourseSummary[]>([]);
const answered = ref(false);
const chosen = ref(0);
const isOpen = ref(false);
const field = useTemplateRef<HTMLInputElement>('field');
const hasPanel = computed(() => isOpen.value && answered.value && words.value.trim() !== '');

useKeys({ '/': () => field.value?.focus() });

let timer: ReturnType<typeof setTimeout> | undefined;
watch(words, (text) => {
  clearTimeout(timer);
  answered.value = false;
  if (text.trim() === '') return;
  timer = setTimeout(() => {
    findCourses(text)
      .catch(() => [])
      .then((courses) => {
        if (text !== words.value) return;
        found.value = courses;
        chosen.value = 0;
        answered.value = true;
      });
  }, ASK_AFTER_MS);
});

function open(course: CourseSummary | undefined): void {
  if (course === undefined) return;
  words.value = '';
  field.value?.blur();
  void router.push({ name: 'course', params: { id: course.id } });
}

function pressed(event: KeyboardEvent): void {
  const last = found.value.length - 1;
  if (event.key === 'ArrowDown') chosen.value = Math.min(last, chosen.value + 1);
  else if (event.key === 'ArrowUp') chosen.value = Math.max(0, chosen.value - 1);
  else if (event.key === 'Enter') open(found.value[chosen.value]);
  else if (event.key === 'Escape') field.value?.blur();
  else return;
  event.preventDefault();
}
</script>

<template>
  <div class="find">
    <input
      ref="field"
      v-model="words"
      type="text"
      placeholder="Find a course"
      aria-label="Find a course"
      autocomplete="off"
      role="combobox"
      aria-autocomplete="list"
      :aria-expanded="hasPanel"
      :aria-controls="hasPanel ? 'found-courses' : undefined"
      :aria-activedescendant="hasPanel && found.length > 0 ? `found-${chosen}` : undefined"
      @focus="isOpen = true"
      @blur="isOpen = false"
      @keydown="pressed"
    />
    <kbd aria-hidden="true">/</kbd>
    <ul v-if="hasPanel" id="found-courses" role="listbox" aria-label="Courses found">
      <li
        v-for="(course, index) in found"
        :id="`found-${index}`"
        :key="course.id"
        role="option"
        :aria-selected="index === chosen"
        @mousedown.prevent="open(course)"
      >
        <b>{{ course.term }}</b>
        <span>{{ courseCode(course) }} {{ course.title }}</span>
      </li>
      <li v-if="found.length === 0" role="option" aria-selected="false" aria-disabled="true" class="quiet">
        No course that you may read matches all of these words.
      </li>
    </ul>
  </div>
</template>

<style scoped>
.find {
  position: relative;
  width: 360px;
}

input {
  width: 100%;
  height: 28px;
  padding: 3px 34px 3px 10px;
  border: 1px solid var(--rule);
  border-radius: var(--corner);
  background: var(--raised);
  color: var(--ink);
  font: inherit;
}

input::placeholder {
  color: var(--quiet);
}

kbd {
  position: absolute;
  right: 10px;
  top: 4px;
}

ul {
  position: absolute;
  z-index: 20;
  top: 34px;
  left: 0;
  right: 0;
  max-height: 420px;
  margin: 0;
  padding: 4px 0;
  overflow: auto;
  list-style: none;
  border: 1px solid var(--rule);
  border-radius: var(--corner);
  background: var(--raised);
}

li {
  display: flex;
  gap: 12px;
  padding: 4px 12px;
  white-space: nowrap;
  cursor: pointer;
}

li[aria-selected='true'] {
  background: var(--row-focus);
}

b {
  width: 92px;
  flex: none;
  font-weight: 600;
}
</style>
