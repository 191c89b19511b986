<script setup lang="ts">
import { KIND_WORDS, type CourseSummary, type FoundThing } from '@yarin/core';
import { computed, nextTick, ref } from 'vue';
import { useRouter } from 'vue-router';
import { rowByKey } from '../shared/rowByKey.js';
import { useRowWindow } from '../shared/useRowWindow.js';
import { courseLine, courseName, termLabel } from '../shared/courseLine.js';

const { courses, things, chosen } = defineProps<{
  courses: readonly CourseSummary[];
  things: readonly FoundThing[];
  chosen: string;
}>();
const emit = defineEmits<{ peek: [id: string] }>();

const ROW = 44;
const router = useRouter();
const scroller = ref<HTMLElement | null>(null);
const { inSight, height, reveal } = useRowWindow(scroller, () => courses.length, ROW);
const at = computed(() => courses.findIndex(({ id }) => id === chosen));
const rowId = (index: number): string => `found-course-${index}`;

function pressed(event: KeyboardEvent): void {
  const to = rowByKey(event.key, at.value, courses.length);
  if (to !== undefined) {
    emit('peek', courses[to]!.id);
    void nextTick(() => reveal(to));
  } else if (event.key === 'Enter' && at.value >= 0) void router.push({ name: 'course', params: { id: chosen } });
  else return;
  event.preventDefault();
}
</script>

<template>
  <div
    ref="scroller"
    class="found"
    role="listbox"
    aria-label="Courses"
    tabindex="0"
    :aria-activedescendant="at >= 0 ? rowId(at) : undefined"
    @keydown="pressed"
  >
    <div class="all" :style="{ height: `${height}px` }" role="presentation">
      <div
        v-for="{ index, start } in inSight"
        :id="rowId(index)"
        :key="courses[index]!.id"
        class="row"
        :class="{ chosen: courses[index]!.id === chosen }"
        :style="{ transform: `translateY(${start}px)` }"
        role="option"
        :aria-selected="courses[index]!.id === chosen"
        @click="emit('peek', courses[index]!.id)"
        @dblclick="router.push({ name: 'course', params: { id: courses[index]!.id } })"
      >
        <b>{{ termLabel(courses[index]!) }}</b>
        <span class="name">{{ courseName(courses[index]!) }}</span>
        <small>{{ courseLine(courses[index]!) }}</small>
      </div>
    </div>
  </div>
  <section v-if="things.length > 0" class="things" aria-label="Things in your courses">
    <h2>
      Things in your courses <small class="beside">{{ things.length }}</small>
    </h2>
    <ul>
      <li v-for="thing in things" :key="`${thing.courseId} ${thing.key}`">
        <b>{{ thing.term }}</b>
        <RouterLink
          class="place-link"
          :to="{ name: 'course', params: { id: thing.courseId }, query: { item: thing.key } }"
          >{{ thing.title }}</RouterLink
        >
        <span class="quiet small">{{ KIND_WORDS[thing.kind].one }} · {{ thing.courseCode }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.found {
  flex: 1 1 60%;
  min-height: 88px;
  overflow: hidden auto;
}

.found:focus-visible {
  outline: none;
}

.found:focus-visible .chosen {
  outline: 2px solid var(--indigo);
  outline-offset: -2px;
}

.all {
  position: relative;
}

.row {
  position: absolute;
  top: 0;
  left: 0;
  right: 0;
  height: 44px;
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  align-content: center;
  gap: 0 10px;
  padding: 0 6px;
  border-bottom: 1px solid var(--rule-faint);
  white-space: nowrap;
  cursor: pointer;
}

.row:hover,
.chosen {
  background: var(--row-focus);
}

b {
  font-weight: 600;
}

.name,
small {
  overflow: hidden;
  text-overflow: ellipsis;
}

small {
  grid-column: 2;
  font-size: 12.5px;
  line-height: 16px;
  color: var(--quiet);
}

.things {
  flex: 0 1 40%;
  min-height: 0;
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
  grid-template-columns: 104px minmax(0, 1fr) auto;
  gap: 10px;
  padding: 3px 6px;
  border-top: 1px solid var(--rule-faint);
}
</style>
