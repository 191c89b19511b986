<script setup lang="ts">
import {
  KIND_WORDS,
  momentWords,
  outlineOf,
  ROLE_WORDS,
  type CourseView,
  type ItemView,
  type OutlineRow,
  type SnapshotItem,
} from '@yarin/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useRowWindow } from '../shared/useRowWindow.js';
import { fetchCourse, fetchItem } from '../shared/api/courses.js';
import { sentenceOf } from '../shared/api/client.js';
import PageFailure from '../shared/PageFailure.vue';
import { useKeys } from '../shared/useKeys.js';
import { count, courseCode, sectionWords } from '../shared/words.js';
import ItemBody from './ItemBody.vue';

const { id } = defineProps<{ id: string }>();
const route = useRoute();
const router = useRouter();
const view = ref<CourseView>();
const opened = ref<ItemView>();
const failure = ref('');
const itemFailure = ref('');
const scroller = ref<HTMLElement | null>(null);

interface Row {
  readonly key: string | undefined;
  readonly title: string;
  readonly depth: number;
  readonly isUnit: boolean;
  readonly state: string;
  readonly kind: string;
  readonly date: string;
}

const STATE_WORDS = { open: '', draft: 'draft', hidden: 'hidden' } as const;
const SHOWN_ROLES = ['due', 'posts', 'starts', 'opens'] as const;

function firstDate({ moments = [] }: SnapshotItem): string {
  const [moment] = SHOWN_ROLES.flatMap((role) => moments.find((each) => each.role === role) ?? []);
  if (moment === undefined) return '';
  return `${moment.role === 'starts' ? '' : ROLE_WORDS[moment.role]} ${momentWords(moment.at)}`.trim();
}

const rowOf = (row: OutlineRow<SnapshotItem>): Row =>
  row.row === 'area'
    ? { key: undefined, title: row.area, depth: 0, isUnit: false, state: '', kind: '', date: '' }
    : {
        key: row.item.id,
        title: row.item.title,
        depth: row.depth,
        isUnit: row.item.kind === 'unit',
        state: STATE_WORDS[row.item.state ?? 'open'],
        kind: KIND_WORDS[row.item.kind].one,
        date: firstDate(row.item),
      };

const rows = computed(() => outlineOf(view.value?.items ?? []).map(rowOf));
const { inSight, height, reveal } = useRowWindow(scroller, () => rows.value.length);
const chosen = computed(() => (typeof route.query.item === 'string' ? route.query.item : ''));
const placeOf = (key: string): number => rows.value.findIndex((row) => row.key === key);

function load(): void {
  failure.value = '';
  fetchCourse(id).then(
    (found) => {
      view.value = found;
      requestAnimationFrame(() => chosen.value && reveal(placeOf(chosen.value)));
    },
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
    reveal(at);
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
      <div ref="scroller" class="outline" role="list" aria-label="Outline" tabindex="0">
        <div :style="{ height: `${height}px` }" class="all" role="presentation">
          <div
            v-for="{ index, start } in inSight"
            :key="index"
            class="row"
            :style="{ transform: `translateY(${start}px)` }"
            role="listitem"
          >
            <b v-if="rows[index]!.key === undefined">{{ rows[index]!.title }}</b>
            <template v-else>
              <button
                class="open"
                :class="{ unit: rows[index]!.isUnit }"
                :style="{ paddingLeft: `${rows[index]!.depth * 18}px` }"
                :aria-current="rows[index]!.key === chosen"
                @click="open(rows[index]!.key)"
              >
                {{ rows[index]!.title }} <small v-if="rows[index]!.state">{{ rows[index]!.state }}</small>
              </button>
              <span class="kind">{{ rows[index]!.kind }}</span>
              <span class="date">{{ rows[index]!.date }}</span>
            </template>
          </div>
        </div>
        <p v-if="rows.length === 0" class="quiet">Nothing stands in this course yet.</p>
      </div>
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

.outline {
  overflow: hidden auto;
  scrollbar-width: thin;
}

.all {
  position: relative;
}

.row {
  position: absolute;
  top: 0;
  left: 0;
  right: 0;
  height: var(--row);
  display: grid;
  grid-template-columns: minmax(0, 1fr) 104px 150px;
  align-items: center;
  border-bottom: 1px solid var(--rule-faint);
  white-space: nowrap;
}

.open {
  border: 0;
  height: 27px;
  padding: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: pointer;
}

.open.unit {
  font-weight: 600;
}

.open[aria-current='true'] {
  background: var(--row-focus);
}

small {
  font-size: 12px;
  font-weight: 400;
  color: var(--quiet);
}

.kind,
.date {
  font-size: 12.5px;
  color: var(--quiet);
}

.date {
  text-align: right;
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

  .row {
    grid-template-columns: minmax(0, 1fr) 90px;
  }

  .date {
    display: none;
  }
}
</style>
