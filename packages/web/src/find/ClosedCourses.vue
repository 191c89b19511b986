<script setup lang="ts">
import type { ClosedCourse } from '@yarin/core';
import AskToBeLetIn from '../access/AskToBeLetIn.vue';
import { count, courseCode, listed } from '../shared/words.js';

const { courses } = defineProps<{ courses: readonly ClosedCourse[] }>();
</script>

<template>
  <section v-if="courses.length > 0" aria-label="Not open to you">
    <h2>
      Not open to you <small class="beside">{{ count(courses.length, 'course') }}, by code, term and teacher</small>
    </h2>
    <ul>
      <li v-for="course in courses" :key="course.id">
        <b>{{ course.type === 'development' ? 'development' : course.term }}</b>
        <span>{{ courseCode(course) }} · {{ listed(course.instructors) || 'no instructor' }}</span>
        <span v-if="course.asked" class="quiet small">You asked to use it; nobody answered yet.</span>
        <AskToBeLetIn v-else :course-id="course.id" wants="use" class="small" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  flex: 0 1 auto;
  max-height: 40%;
  min-height: 60px;
  overflow: auto;
  padding: 10px 0;
  border-top: 1px solid var(--rule);
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr) minmax(0, auto);
  gap: 2px 10px;
  padding: 4px 6px;
  border-top: 1px solid var(--rule-faint);
}

li > :nth-child(n + 3) {
  justify-self: end;
  text-align: right;
}

b {
  font-weight: 600;
}

@media (max-width: 800px) {
  li {
    grid-template-columns: 104px minmax(0, 1fr);
  }

  li > :nth-child(n + 3) {
    grid-column: 2;
    justify-self: start;
    text-align: left;
  }
}
</style>
