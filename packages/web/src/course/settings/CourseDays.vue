<script setup lang="ts">
import { parseDay } from '@yarin/core';
import { computed } from 'vue';
import { useCourseStore } from '../state/courseStore.js';
import DayField from '../../shared/dates/DayField.vue';
import { dayWordsWithYear } from '../../shared/readersDates.js';

const course = useCourseStore();
const view = computed(() => course.view!);
const DAYS = [
  { name: 'startsOn', words: 'starts', term: 'firstDay' },
  { name: 'endsOn', words: 'ends', term: 'lastDay' },
] as const;
const words = (date: string): string => dayWordsWithYear(parseDay(date));
</script>

<template>
  <section aria-label="Start and end">
    <h2>Start and end</h2>
    <p v-for="{ name, words: role, term } in DAYS" :key="name" class="setting">
      <span class="role">{{ role }}</span>
      <DayField
        v-if="course.mayChange"
        :model-value="view[name] ?? view.calendar[term]"
        :time="{ calendar: view.calendar, meetings: view.summary.meetings }"
        :label="`The course ${role} on`"
        @update:model-value="(date) => course.edit({ [name]: date })"
      />
      <span v-else>{{ words(view[name] ?? view.calendar[term]) }}</span>
      <span class="quiet small">
        <template v-if="view[name] === null || view[name] === view.calendar[term]">as the term</template>
        <template v-else>
          the term {{ role }} {{ words(view.calendar[term]) }}
          <button v-if="course.mayChange" class="plain-link" @click="course.edit({ [name]: null })">as the term</button>
        </template>
      </span>
    </p>
  </section>
</template>

<style scoped>
.role {
  width: 42px;
  color: var(--quiet);
}
</style>
