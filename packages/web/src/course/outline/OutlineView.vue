<script setup lang="ts">
import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useKeys } from '../../shared/useKeys.js';
import { useCourseStore } from '../state/courseStore.js';
import ItemSheet from '../item/ItemSheet.vue';
import AddThing from './AddThing.vue';
import CourseOutline from './CourseOutline.vue';
import WhatStandsOut from './WhatStandsOut.vue';
import { courseRows } from './courseRows.js';
import { dropMove } from '../state/moves.js';

const course = useCourseStore();
const route = useRoute();
const router = useRouter();

const rows = computed(() => courseRows(course.view!.items, course.view!.marks));
const chosen = computed(() => (typeof route.query.item === 'string' ? route.query.item : ''));

const open = (key: string | undefined): void => void router.replace({ query: key === undefined ? {} : { item: key } });

function drop(key: string, onto: string, how: 'above' | 'below' | 'into'): void {
  const place = dropMove(course.view!.items, key, onto, how);
  if (place !== undefined) void course.place(key, place);
}

function step(by: 1 | -1): void {
  for (let at = rows.value.findIndex(({ key }) => key === chosen.value) + by; rows.value[at] !== undefined; at += by) {
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
  const href = (event.target as HTMLElement).closest('a')?.getAttribute('href');
  if (!href?.startsWith('/course/')) return;
  event.preventDefault();
  void router.push(href);
}
</script>

<template>
  <div class="facing-pages">
    <div class="left">
      <CourseOutline
        :rows="rows"
        :chosen="chosen"
        :movable="course.mayChange"
        @open="open"
        @move="(key, way) => course.moveByKey(key, way)"
        @drop="drop"
      />
      <AddThing v-if="course.mayChange" :beside="chosen" @added="open" />
    </div>
    <article class="sheet" aria-live="polite" @click="followed">
      <ItemSheet v-if="course.opened" :key="course.opened.item.id" @open="open" />
      <p v-else-if="course.itemFailure" role="alert">{{ course.itemFailure }}</p>
      <p v-else-if="chosen !== ''" class="quiet">Turning to it …</p>
      <WhatStandsOut v-else @open="open" />
    </article>
  </div>
</template>

<style scoped>
.left {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.left > :first-child {
  flex: 1;
}

.sheet {
  overflow: auto;
  padding: 14px 2px 40px;
}
</style>
