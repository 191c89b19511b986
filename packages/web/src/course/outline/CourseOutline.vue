<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue';
import { rowByKey } from '../../shared/rowByKey.js';
import { useRowWindow } from '../../shared/useRowWindow.js';
import OutlineRow from './OutlineRow.vue';
import type { CourseRow } from './courseRows.js';

const { rows, chosen, movable } = defineProps<{ rows: readonly CourseRow[]; chosen: string; movable: boolean }>();
const emit = defineEmits<{
  open: [key: string];
  move: [key: string, way: 'up' | 'down' | 'in' | 'out'];
  drop: [key: string, onto: string, how: 'above' | 'below' | 'into'];
}>();

const scroller = ref<HTMLElement | null>(null);
const { inSight, height, reveal } = useRowWindow(scroller, () => rows.length);
const placeOf = computed(() => new Map(rows.map(({ key }, index) => [key, index])));
const chosenPlace = computed(() => placeOf.value.get(chosen) ?? -1);
const rowId = (index: number): string => `outline-row-${index}`;

watch(
  chosenPlace,
  (place) => {
    if (place >= 0) void nextTick(() => reveal(place));
  },
  { immediate: true },
);

/** The nearest row with a thing on it, on the way that the eye goes. */
function go(to: number, by: 1 | -1): void {
  for (let at = to; at >= 0 && at < rows.length; at += by) {
    const { key } = rows[at]!;
    if (key === undefined) continue;
    emit('open', key);
    return;
  }
}

/** After these a row without a thing is passed downward, after the others upward. */
const DOWNWARD = ['ArrowDown', 'PageDown', 'Home'];
const MOVES = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'in', ArrowLeft: 'out' } as const;

function pressed(event: KeyboardEvent): void {
  const at = chosenPlace.value;
  if (event.altKey && movable && event.key in MOVES && chosen !== '') {
    emit('move', chosen, MOVES[event.key as keyof typeof MOVES]);
    event.preventDefault();
    return;
  }
  if (event.altKey || event.ctrlKey || event.metaKey) return;
  const to = rowByKey(event.key, at, rows.length);
  if (to === undefined) return;
  go(to, DOWNWARD.includes(event.key) ? 1 : -1);
  event.preventDefault();
}
</script>

<template>
  <div
    ref="scroller"
    class="outline"
    role="tree"
    aria-label="Outline"
    tabindex="0"
    :aria-activedescendant="chosenPlace >= 0 ? rowId(chosenPlace) : undefined"
    @keydown="pressed"
  >
    <div :style="{ height: `${height}px` }" class="all" role="presentation">
      <OutlineRow
        v-for="{ index, start } in inSight"
        :id="rowId(index)"
        :key="rows[index]!.key ?? `area-${index}`"
        :row="rows[index]!"
        :chosen="rows[index]!.key === chosen && chosen !== ''"
        :movable="movable"
        :style="{ transform: `translateY(${start}px)` }"
        @open="(key) => $emit('open', key)"
        @drop="(key, onto, how) => $emit('drop', key, onto, how)"
      />
    </div>
    <p v-if="rows.length === 0" class="quiet none">Nothing stands in this course yet.</p>
  </div>
</template>

<style scoped>
.outline {
  overflow: hidden auto;
  scrollbar-width: thin;
}

.outline:focus-visible {
  outline: none;
}

.all {
  position: relative;
}

.none {
  padding: 12px 0;
}
</style>
