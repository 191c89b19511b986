<script setup lang="ts">
import { KIND_WORDS, momentWords, ROLE_WORDS, type CourseView, type ItemView } from '@yarin/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { fetchCourse, fetchItem } from '../shared/api/courses.js';
import { sentenceOf } from '../shared/api/client.js';
import PageFailure from '../shared/PageFailure.vue';
import { useKeys } from '../shared/useKeys.js';
import { count, courseCode, sectionWords } from '../shared/words.js';
import CourseOutline from './CourseOutline.vue';
import { courseRows } from './courseRows.js';
import ItemBody from './ItemBody.vue';

const { id } = defineProps<{ id: string }>();
const route = useRoute();
const router = useRouter();
const view = ref<CourseView>();
const opened = ref<ItemView>();
const failure = ref('');
const itemFailure = ref('');

const rows = computed(() => courseRows(view.value?.items ?? []));
const chosen = computed(() => (typeof route.query.item === 'string' ? route.query.item : ''));
const placeOf = (key: string): number => rows.value.findIndex((row) => row.key === key);

function load(): void {
  failure.value = '';
  fetchCourse(id).then(
    (found) => void (view.value = found),
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
}
watch(() => id, load, { immediate: true });

watch(
  [() => id, chosen],
  async ([courseId, key]) => {
    opened.value = undefined;
    itemFailure.value = '';
    if (key === '') return;
    try {
      const item = await fetchItem(courseId, key);
      if (key === chosen.value) opened.value = item;
    } catch (error) {
      itemFailure.value = sentenceOf(error);
    }
  },
  { immediate: true },
);

const open = (key: string | undefined): void => void router.replace({ query: key === undefined ? {} : { item: key } });

function step(by: 1 | -1): void {
  for (let at = placeOf(chosen.value) + by; at >= 0 && at < rows.value.length; at += by) {
    const { key } = rows.value[at]!;
    if (key === undefined) continue;
    open(key);
    return;
  }
}
useKeys({
  ArrowDown: () => step(1),
  ArrowUp: () => step(-1),
  Escape: () => (chosen.value === '' ? false : open(undefined)),
});

/** A link inside a text that leads to another thing of a course opens it here. */
function followed(event: MouseEvent): void {
  const anchor = (event.target as HTMLElement).closest('a');
  const href = anchor?.getAttribute('href');
  if (!href?.startsWith('/course/')) return;
  event.preventDefault();
  void router.push(href);
}
</script>

<template>
  <PageFailure v-if="failure" :sentence="failure" @again="load" />
  <div v-else-if="view" class="course">
    <header>
      <h1>{{ view.summary.code }} {{ view.summary.number }} {{ view.summary.title }}</h1>
      <p class="quiet">
        <b>{{ view.summary.term }}</b> · {{ sectionWords(view.summary) }} ·
        {{ view.summary.instructors.join(', ') || 'no instructor yet' }} · {{ count(view.items.length, 'thing') }} ·
        {{ courseCode(view.summary) }}
      </p>
      <p v-if="!view.right.may" class="quiet small">{{ view.right.why }}</p>
    </header>
    <div class="pages">
      <CourseOutline :rows="rows" :chosen="chosen" @open="open" />
      <article class="sheet" aria-live="polite" @click="followed">
        <template v-if="opened">
          <p class="quiet small">
            {{ KIND_WORDS[opened.item.kind].one }}{{ opened.item.state !== 'open' ? `, ${opened.item.state}` : '' }}
          </p>
          <h2>{{ opened.item.title }}</h2>
          <p v-for="moment in opened.item.moments" :key="moment.id" class="small">
            {{ ROLE_WORDS[moment.role] }} <b>{{ momentWords(moment.at) }}</b>
          </p>
          <ItemBody :view="opened" :course-id="id" />
        </template>
        <p v-else-if="itemFailure" role="alert">{{ itemFailure }}</p>
        <template v-else>
          <h2>What stands out</h2>
          <ul v-if="view.looseEnds.length > 0">
            <li v-for="end in view.looseEnds" :key="end.code">
              {{ end.sentence }} <span class="quiet small">{{ end.detail }}</span>
            </li>
          </ul>
          <p v-else class="quiet">Nothing. Choose a thing at the left to turn to it.</p>
        </template>
      </article>
    </div>
  </div>
  <p v-else class="quiet loading">Opening the course …</p>
</template>

<style scoped>
.course {
  height: 100%;
  display: flex;
  flex-direction: column;
}

header {
  padding: 14px var(--margin) 10px;
  border-bottom: 1px solid var(--rule);
}

h1 {
  font-size: 26px;
  line-height: 30px;
}

b {
  font-weight: 600;
}

.pages {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 48px;
  padding: 0 var(--margin);
}

.sheet {
  overflow: auto;
  padding: 14px 0 40px;
}

ul {
  padding-left: 18px;
}

.loading {
  padding: 26px var(--margin);
}

@media (max-width: 800px) {
  .pages {
    grid-template-columns: 1fr;
    grid-template-rows: 1fr 1fr;
    gap: 8px;
  }
}
</style>
