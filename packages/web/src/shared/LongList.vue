<script setup lang="ts" generic="Row">
import { ref } from 'vue';
import { useRowWindow } from './useRowWindow.js';

/** A list in a panel that may be thousands of rows long: it scrolls, and only what is in sight is drawn. */
const { rows, label } = defineProps<{ rows: readonly Row[]; label: string }>();

const ROW = 22;
const MOST_IN_SIGHT = 8;
const scroller = ref<HTMLElement | null>(null);
const { inSight, height } = useRowWindow(scroller, () => rows.length, ROW);
</script>

<template>
  <div
    ref="scroller"
    class="scroller"
    tabindex="0"
    :style="{ height: `${Math.min(rows.length, MOST_IN_SIGHT) * ROW}px` }"
  >
    <ul :aria-label="label" :style="{ height: `${height}px` }">
      <li
        v-for="{ index, start } in inSight"
        :key="index"
        :aria-setsize="rows.length"
        :aria-posinset="index + 1"
        :style="{ height: `${ROW}px`, transform: `translateY(${start}px)` }"
      >
        <slot :row="rows[index]!" />
      </li>
    </ul>
  </div>
</template>

<style scoped>
.scroller {
  margin-top: 4px;
  overflow: hidden auto;
}

ul {
  position: relative;
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  position: absolute;
  top: 0;
  left: 0;
  right: 0;
  white-space: nowrap;
}
</style>
