<script setup lang="ts">
import { combine } from '@atlaskit/pragmatic-drag-and-drop/combine';
import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import { attachInstruction, extractInstruction } from '@atlaskit/pragmatic-drag-and-drop-hitbox/tree-item';
import { onBeforeUnmount, onMounted, ref } from 'vue';
import type { CourseRow } from './courseRows.js';

const { row, chosen, movable } = defineProps<{ row: CourseRow; chosen: boolean; movable: boolean }>();
const emit = defineEmits<{
  open: [key: string];
  drop: [key: string, onto: string, how: 'above' | 'below' | 'into'];
}>();

const INDENT = 18;
const element = ref<HTMLElement | null>(null);
const isDragged = ref(false);
const over = ref<'above' | 'below' | 'into' | null>(null);

const HOW = { 'reorder-above': 'above', 'reorder-below': 'below', 'make-child': 'into' } as const;

function instructionOf(data: Record<string | symbol, unknown>): 'above' | 'below' | 'into' | null {
  const instruction = extractInstruction(data);
  return instruction !== null && instruction.type in HOW ? HOW[instruction.type as keyof typeof HOW] : null;
}

let stop = (): void => undefined;
onMounted(() => {
  if (element.value === null || row.key === undefined) return;
  stop = combine(
    draggable({
      element: element.value,
      canDrag: () => movable,
      getInitialData: () => ({ key: row.key }),
      onDragStart: () => (isDragged.value = true),
      onDrop: () => (isDragged.value = false),
    }),
    dropTargetForElements({
      element: element.value,
      canDrop: ({ source }) => source.data.key !== row.key,
      getData: ({ input, element: target }) =>
        attachInstruction(
          {},
          {
            input,
            element: target,
            currentLevel: row.depth,
            indentPerLevel: INDENT,
            mode: 'standard',
            block: row.isUnit ? ['reparent'] : ['reparent', 'make-child'],
          },
        ),
      onDrag: ({ self }) => (over.value = instructionOf(self.data)),
      onDragLeave: () => (over.value = null),
      onDrop: ({ self, source }) => {
        over.value = null;
        const how = instructionOf(self.data);
        if (how !== null) emit('drop', source.data.key as string, row.key!, how);
      },
    }),
  );
});
onBeforeUnmount(() => stop());
</script>

<template>
  <div v-if="row.key === undefined" class="row" role="treeitem" aria-level="1">
    <b>{{ row.title }}</b>
  </div>
  <div
    v-else
    ref="element"
    class="row thing"
    :class="[over, { chosen, dragged: isDragged }]"
    role="treeitem"
    :aria-level="row.depth + 1"
    :aria-selected="chosen"
    @click="$emit('open', row.key)"
  >
    <span class="title" :class="{ unit: row.isUnit }" :style="{ paddingLeft: `${row.depth * INDENT}px` }">
      {{ row.title }} <small v-if="row.state">{{ row.state }}</small>
      <small v-if="row.mark" class="mark">{{ row.mark }}</small>
    </span>
    <span class="kind">{{ row.kind }}</span>
    <span class="date">{{ row.date }}</span>
  </div>
</template>

<style scoped>
b {
  font-weight: 600;
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
  padding: 0 4px;
  border-bottom: 1px solid var(--rule-faint);
  white-space: nowrap;
}

.thing {
  cursor: pointer;
}

.thing:hover,
.chosen {
  background: var(--row-focus);
}

.dragged {
  opacity: 0.5;
}

.above {
  box-shadow: inset 0 2px 0 var(--indigo);
}

.below {
  box-shadow: inset 0 -2px 0 var(--indigo);
}

.into {
  outline: 2px solid var(--indigo);
  outline-offset: -2px;
}

.title {
  overflow: hidden;
  text-overflow: ellipsis;
}

.unit {
  font-weight: 600;
}

small {
  font-size: 12px;
  font-weight: 400;
  color: var(--quiet);
}

.mark {
  color: var(--weld-ink);
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
<style>
.outline:focus-visible .chosen {
  outline: 2px solid var(--indigo);
  outline-offset: -2px;
}
</style>
