<script setup lang="ts">
import { nextTick, ref, watch } from 'vue';
import { useRowWindow } from '../shared/useRowWindow.js';
import type { CourseRow } from './courseRows.js';

const { rows, chosen } = defineProps<{ rows: readonly CourseRow[]; chosen: string }>();
defineEmits<{ open: [key: string | undefined] }>();

const scroller = ref<HTMLElement | null>(null);
const { inSight, height, reveal } = useRowWindow(scroller, () => rows.length);

watch(
  () => chosen,
  (key) => {
    const place = rows.findIndex((row) => row.key === key);
    if (place >= 0) void nextTick(() => reveal(place));
  },
  { immediate: true },
);
</script>

<template>
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
            @click="$emit('open', rows[index]!.key)"
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
</template>

<style scoped>
b {
  font-weight: 600;
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

@media (max-width: 800px) {
  .row {
    grid-template-columns: minmax(0, 1fr) 90px;
  }

  .date {
    display: none;
  }
}
</style>
