<script setup lang="ts">
import { computed } from 'vue';
import { useKeys } from '../../../shared/useKeys.js';
import type { OldRow } from '../rows/spreadRow.js';

/** The outline shrunk to what stands around a thing, so that one keeps one's place while both pages show it. */
const { rows, at } = defineProps<{ rows: readonly OldRow[]; at: number }>();
const emit = defineEmits<{ open: [item: string] }>();

const AROUND = 11;
const shown = computed(() => {
  const first = Math.max(0, Math.min(at - AROUND, rows.length - 2 * AROUND - 1));
  return rows.slice(first, first + 2 * AROUND + 1);
});

/** The next row that is a thing and no heading of an area. */
function step(by: 1 | -1): void {
  for (let next = at + by; rows[next] !== undefined; next += by) {
    const { item } = rows[next]!;
    if (item !== undefined) return emit('open', item.id);
  }
}
useKeys({ ArrowDown: () => step(1), ArrowUp: () => step(-1) });
</script>

<template>
  <nav class="margin" aria-label="Around it">
    <template v-for="row in shown" :key="row.key">
      <button
        v-if="row.item"
        class="row"
        :class="{ heading: row.isHeading, left: row.box === 'off' }"
        :style="{ paddingLeft: `${row.depth * 10}px` }"
        :aria-current="row === rows[at] ? 'true' : undefined"
        @click="emit('open', row.item.id)"
      >
        {{ row.title }}
      </button>
      <span v-else class="row heading">{{ row.title }}</span>
    </template>
  </nav>
</template>

<style scoped>
.margin {
  display: flex;
  flex-direction: column;
  min-width: 0;
  padding-right: 14px;
  border-right: 1px solid var(--rule);
  font-size: 13px;
}

.row {
  flex: none;
  height: 24px;
  border: 0;
  padding: 0;
  background: none;
  font: inherit;
  line-height: 24px;
  color: var(--quiet);
  text-align: left;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}

button.row {
  cursor: pointer;
}

.row.heading {
  font-weight: 600;
}

.row.left {
  color: var(--ash-ink);
}

.row[aria-current] {
  background: var(--row-focus);
  color: var(--ink);
}

@media (max-width: 1000px) {
  .margin {
    display: none;
  }
}
</style>
