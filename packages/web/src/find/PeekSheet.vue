<script setup lang="ts">
import { KIND_WORDS, parseDay, ROLE_WORDS, type CourseSummary, type CourseView, type ItemView } from '@yarin/core';
import { computed, onMounted, ref, shallowRef } from 'vue';
import ItemBody from '../course/item/ItemBody.vue';
import CourseOutline from '../course/outline/CourseOutline.vue';
import { courseRows } from '../course/outline/courseRows.js';
import { fetchCourse, fetchItem } from '../shared/api/courses.js';
import { sentenceOf } from '../shared/api/client.js';
import { count, listed } from '../shared/words.js';
import { courseName, termLabel } from '../shared/courseLine.js';
import { dayWordsWithYear, momentWords } from '../shared/readersDates.js';

const { course } = defineProps<{ course: CourseSummary }>();

const view = shallowRef<CourseView | null>(null);
const item = shallowRef<ItemView | null>(null);
const key = ref('');
const failure = ref('');

const rows = computed(() => (view.value === null ? [] : courseRows(view.value.items, view.value.marks)));
const kinds = computed(() => {
  const counts = new Map<string, number>();
  for (const { kind } of view.value?.items ?? []) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts]
    .sort(([, a], [, b]) => b - a)
    .map(([kind, number]) => {
      const { one, many } = KIND_WORDS[kind as keyof typeof KIND_WORDS];
      return count(number, one, many);
    });
});

onMounted(() => {
  fetchCourse(course.id).then(
    (found) => void (view.value = found),
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
});

function open(to: string): void {
  key.value = to;
  fetchItem(course.id, to).then(
    (found) => {
      if (key.value === to) item.value = found;
    },
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
}
</script>

<template>
  <article class="peek" :aria-label="`A look into ${courseName(course)}, ${course.term}`">
    <header>
      <h2>
        {{ courseName(course) }} <small class="beside">{{ termLabel(course) }}</small>
      </h2>
      <p class="acts">
        <slot :may-use="view?.rights.use.may ?? false" />
        <RouterLink class="plain-link" :to="{ name: 'course', params: { id: course.id } }">open it</RouterLink>
        <RouterLink
          v-if="!$slots.default && view?.rights.use.may"
          class="plain-link"
          :to="{ name: 'pair', params: { side: 'from', id: course.id } }"
          >carry forward to …</RouterLink
        >
        <RouterLink
          v-if="!$slots.default && view?.rights.run.may && course.type === 'course'"
          class="plain-link"
          :to="{ name: 'pair', params: { side: 'into', id: course.id } }"
          >bring into this</RouterLink
        >
      </p>
      <p class="quiet small">
        {{
          listed(course.staff.map(({ name, role }) => (role === 'instructor' ? name : `${name} (${role})`))) ||
          'no instructor yet'
        }}
        <template v-if="course.editedAt"> · last edited {{ dayWordsWithYear(parseDay(course.editedAt)) }}</template>
      </p>
      <p v-if="failure" role="alert">{{ failure }}</p>
      <p v-else-if="view" class="small kinds">{{ kinds.join(', ') || 'It holds nothing.' }}</p>
    </header>
    <div v-if="item" class="item">
      <p>
        <button class="plain-link" @click="((item = null), (key = ''))">back to its outline</button>
      </p>
      <p class="quiet small">
        {{ KIND_WORDS[item.item.kind].one }}{{ item.item.state !== 'open' ? `, ${item.item.state}` : '' }}
      </p>
      <h3>{{ item.item.title }}</h3>
      <p v-for="moment in item.item.moments" :key="moment.id" class="small">
        {{ ROLE_WORDS[moment.role] }} {{ momentWords(moment.at) }}
      </p>
      <ItemBody :view="item" :course-id="course.id" @open="open" />
    </div>
    <CourseOutline v-else-if="view" class="outline" :rows="rows" :chosen="key" :movable="false" @open="open" />
  </article>
</template>

<style scoped>
.peek {
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding-top: 8px;
}

header {
  flex: none;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--rule);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}

.kinds {
  max-height: 40px;
  overflow: hidden;
}

.item,
.outline {
  flex: 1;
  min-height: 0;
  overflow: auto;
}

.item {
  padding: 8px 2px 30px;
}
</style>
