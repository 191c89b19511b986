<script setup lang="ts">
import { ref } from 'vue';
import type { NewRow } from '../rows/spreadRows.js';
import { useResizeWatch } from '../../../shared/useResizeWatch.js';
import { useRowWindow } from '../../../shared/useRowWindow.js';

const { rows } = defineProps<{ rows: readonly NewRow[]; isNarrowed: boolean; focused: number }>();
const emit = defineEmits<{ scrolled: [top: number, height: number] }>();

const scroller = ref<HTMLElement | null>(null);
const { inSight, height, scrollTo } = useRowWindow(scroller, () => rows.length);
defineExpose({ scrollTo });

function scrolled(): void {
  if (scroller.value !== null) emit('scrolled', scroller.value.scrollTop, scroller.value.clientHeight);
}
useResizeWatch(scroller, scrolled);
</script>

<template>
  <div
    ref="scroller"
    class="scroller"
    role="list"
    aria-label="The new course as it will be"
    tabindex="0"
    @scroll.passive="scrolled"
  >
    <div class="all" :style="{ height: `${height}px` }" role="presentation">
      <div
        v-for="{ index, start } in inSight"
        :key="rows[index]!.key"
        class="row"
        :class="{ heading: rows[index]!.isHeading, focused: index === focused }"
        :style="{ transform: `translateY(${start}px)` }"
        role="listitem"
      >
        <span class="title" :style="{ paddingLeft: `${rows[index]!.depth * 18}px` }"
          >{{ rows[index]!.title }}
          <small v-if="rows[index]!.from" class="from" :class="{ other: rows[index]!.from.isOther }">{{
            rows[index]!.from.words
          }}</small></span
        >
        <span class="kind">{{ rows[index]!.kind }}</span>
        <span class="date" :class="rows[index]!.tone"
          ><span>{{ rows[index]!.date }}</span></span
        >
      </div>
    </div>
    <p v-if="rows.length === 0" class="quiet">
      {{
        isNarrowed
          ? 'Nothing on this page has these words.'
          : 'Nothing comes, and the shell is empty. Choose something on the old page.'
      }}
    </p>
  </div>
</template>

<style scoped src="./page.css"></style>
<style scoped>
.row {
  grid-template-columns: minmax(0, 1fr) 92px 118px;
}

.date.moved {
  color: var(--indigo);
}

.date.in-doubt span {
  color: var(--weld-ink);
  background: var(--weld-paper);
  border-radius: 3px;
  padding: 0 4px;
}
</style>
