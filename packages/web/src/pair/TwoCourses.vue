<script setup lang="ts">
import { compareCourses, KIND_WORDS, type CourseSummary, type CourseView } from '@yarin/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { fetchCourse } from '../shared/api/courses.js';
import { sentenceOf } from '../shared/api/client.js';
import { courseName, termLabel } from '../shared/courseLine.js';
import { useRowWindow } from '../shared/useRowWindow.js';
import ThingOfBoth from './ThingOfBoth.vue';
import { SHOWN, isShown, type Shown } from './compared.js';

/** Two courses that could come before a shell, thing by thing. */
const { left, right } = defineProps<{ left: CourseSummary; right: CourseSummary }>();

/** By their terms; of two courses that are not the same one by their codes too. */
const isOneCourse = computed(() => left.code === right.code && left.number === right.number);
const names = computed(() =>
  [left, right].map((course) =>
    isOneCourse.value ? termLabel(course) : `${course.code} ${course.number}, ${termLabel(course)}`,
  ),
);

const views = shallowRef<readonly [CourseView, CourseView]>();
const failure = ref('');
/** Chosen by hand; until then the first of which there is something. */
const picked = ref<Shown>();
const opened = ref(-1);
const scroller = ref<HTMLElement | null>(null);

watch(
  () => [left.id, right.id] as const,
  ([a, b]) => {
    Promise.all([fetchCourse(a), fetchCourse(b)]).then(
      (both) => void (views.value = both),
      (error: unknown) => void (failure.value = sentenceOf(error)),
    );
  },
  { immediate: true },
);

const all = computed(() =>
  views.value === undefined ? [] : compareCourses(views.value[0].items, views.value[1].items),
);
const counts = computed(() =>
  SHOWN.map((each) => ({ each, number: all.value.filter((row) => isShown(row, each)).length })),
);
const shown = computed(() => picked.value ?? counts.value.find(({ number }) => number > 0)?.each ?? 'all');
const rows = computed(() => all.value.filter((row) => isShown(row, shown.value)));
const { inSight, height } = useRowWindow(scroller, () => rows.value.length);
const words = computed((): Readonly<Record<Shown, string>> => ({
  all: 'everything',
  unlike: 'unlike',
  left: `only in ${names.value[0]}`,
  right: `only in ${names.value[1]}`,
  alike: 'alike',
}));
watch(shown, () => void (opened.value = -1));
</script>

<template>
  <article class="two" aria-label="Two courses, thing by thing">
    <header>
      <h2>
        {{ names[0] }} beside {{ names[1] }}
        <small v-if="isOneCourse" class="beside">{{ courseName(left) }}</small>
      </h2>
      <p class="acts"><slot /></p>
      <p v-if="failure" role="alert">{{ failure }}</p>
      <p class="choices" role="radiogroup" aria-label="Shown">
        <label v-for="{ each, number } in counts" :key="each" class="choice"
          ><input type="radio" name="shown" :value="each" :checked="shown === each" @change="picked = each" />
          {{ words[each] }} <span class="quiet">{{ number }}</span></label
        >
        <span class="quiet small">dates are not compared: each stands in its own term</span>
      </p>
    </header>
    <p v-if="views === undefined && !failure" class="quiet">Reading both …</p>
    <p v-else-if="rows.length === 0 && !failure" class="quiet">Nothing of this.</p>
    <div ref="scroller" class="rows">
      <table class="all" :style="{ height: `${height}px` }" aria-label="Things of both courses">
        <tbody>
          <tr v-for="{ index, start } in inSight" :key="index" :style="{ transform: `translateY(${start}px)` }">
            <td>
              <button
                v-if="rows[index]!.left"
                class="title"
                :style="{ paddingLeft: `${rows[index]!.depth * 18}px` }"
                @click="opened = index"
              >
                {{ rows[index]!.left!.title }}
              </button>
            </td>
            <td class="quiet small">
              {{ KIND_WORDS[(rows[index]!.left ?? rows[index]!.right!).kind].one }}
            </td>
            <td class="small">
              <span :class="rows[index]!.differs.length > 0 ? 'doubtful' : 'quiet'">{{
                rows[index]!.left === undefined
                  ? `only in ${names[1]}`
                  : rows[index]!.right === undefined
                    ? `only in ${names[0]}`
                    : rows[index]!.differs.join(', ') || 'alike'
              }}</span>
            </td>
            <td>
              <button
                v-if="rows[index]!.right"
                class="title"
                :style="{ paddingLeft: `${rows[index]!.depth * 18}px` }"
                @click="opened = index"
              >
                {{ rows[index]!.right!.title }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <ThingOfBoth v-if="rows[opened]" :row="rows[opened]!" :left="left" :right="right" @close="opened = -1" />
  </article>
</template>

<style scoped>
.two {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
  padding: 10px var(--margin) 0;
}

header {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 18px;
  align-items: center;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--rule);
}

.acts,
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
}

.choices {
  grid-column: 1 / -1;
}

.rows {
  flex: 1;
  min-height: 120px;
  overflow: hidden auto;
}

.all {
  position: relative;
  display: block;
  width: 100%;
}

tr {
  position: absolute;
  left: 0;
  right: 0;
  height: 28px;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 96px 190px minmax(0, 1fr);
  gap: 0 14px;
  align-items: center;
  border-bottom: 1px solid var(--rule-faint);
  white-space: nowrap;
}

td {
  overflow: hidden;
  text-overflow: ellipsis;
}

.title {
  max-width: 100%;
  border: 0;
  padding: 2px 0;
  background: none;
  font: inherit;
  color: inherit;
  text-align: left;
  overflow: hidden;
  text-overflow: ellipsis;
  cursor: pointer;
}

@media (max-width: 800px) {
  header {
    grid-template-columns: 1fr;
  }

  .rows {
    min-height: 60vh;
  }

  tr {
    grid-template-columns: minmax(0, 1fr) minmax(0, 84px) minmax(0, 1fr);
  }

  td:nth-child(2) {
    display: none;
  }
}
</style>
