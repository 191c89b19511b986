<script setup lang="ts">
import { nextTick, ref } from 'vue';
import type { OldRow } from '../rows/spreadRows.js';
import { useResizeWatch } from '../../../shared/useResizeWatch.js';
import { rowByKey } from '../../../shared/rowByKey.js';
import { useRowWindow } from '../../../shared/useRowWindow.js';

const { rows } = defineProps<{ rows: readonly OldRow[]; isNarrowed: boolean }>();
const emit = defineEmits<{ scrolled: [top: number, height: number]; toggle: [row: OldRow]; open: [row: OldRow] }>();
const focused = defineModel<number>('focused', { required: true });

const scroller = ref<HTMLElement | null>(null);
const { inSight, height, reveal, scrollTo } = useRowWindow(scroller, () => rows.length);
defineExpose({ scrollTo });

const CHECKED = { on: 'true', off: 'false', part: 'mixed' } as const;
const rowId = (index: number): string => `old-row-${index}`;

function pressed(event: KeyboardEvent): void {
  const row = rows[focused.value];
  const to = rowByKey(event.key, focused.value, rows.length);
  if (to !== undefined) {
    focused.value = to;
    void nextTick(() => reveal(to));
  } else if (event.key === ' ' && row !== undefined) emit('toggle', row);
  else if (event.key === 'Enter' && row !== undefined) emit('open', row);
  else return;
  event.preventDefault();
}

function scrolled(): void {
  if (scroller.value !== null) emit('scrolled', scroller.value.scrollTop, scroller.value.clientHeight);
}
useResizeWatch(scroller, scrolled);
</script>

<template>
  <div
    ref="scroller"
    class="scroller"
    role="tree"
    aria-label="The old course: what comes and what stays"
    tabindex="0"
    :aria-activedescendant="rowId(focused)"
    @scroll.passive="scrolled"
    @keydown="pressed"
  >
    <div class="all" :style="{ height: `${height}px` }" role="presentation">
      <div
        v-for="{ index, start } in inSight"
        :id="rowId(index)"
        :key="rows[index]!.key"
        class="row"
        :class="{
          heading: rows[index]!.isHeading,
          area: rows[index]!.item === undefined,
          left: rows[index]!.box === 'off',
          focused: index === focused,
        }"
        :style="{ transform: `translateY(${start}px)` }"
        role="treeitem"
        :aria-level="rows[index]!.depth + 1"
        :aria-checked="CHECKED[rows[index]!.box]"
        :aria-selected="index === focused"
        @click="focused = index"
        @dblclick="emit('open', rows[index]!)"
      >
        <span
          class="box"
          :class="rows[index]!.box"
          title="bring or leave"
          aria-hidden="true"
          @click.stop="((focused = index), emit('toggle', rows[index]!))"
        ></span>
        <span class="title" :style="{ paddingLeft: `${rows[index]!.depth * 18}px` }"
          ><span>{{ rows[index]!.title }}</span>
          <small v-if="rows[index]!.from" class="from" :class="{ other: rows[index]!.from.isOther }">
            {{ ` ${rows[index]!.from.words}` }}
          </small>
          <small v-if="rows[index]!.note">{{ ` ${rows[index]!.note}` }}</small></span
        >
        <span class="kind">{{ rows[index]!.kind }}</span>
        <span class="date">{{ rows[index]!.date }}</span>
      </div>
    </div>
    <p v-if="rows.length === 0" class="quiet">
      {{ isNarrowed ? 'Nothing on this page has these words.' : 'The old course is empty.' }}
    </p>
  </div>
</template>

<style scoped src="./page.css"></style>
<style scoped>
.row {
  grid-template-columns: 20px minmax(0, 1fr) 92px 118px;
}

.row.area .title {
  grid-column: 2 / span 2;
}

.row.area .kind {
  text-align: right;
}

.row.area .date {
  display: none;
}

.row.left .title,
.row.left .date {
  color: var(--ash-ink);
}

.row.left .title > span {
  border-bottom: 1px dashed var(--ash);
}

.row.left.heading .title > span {
  border-bottom: 0;
}

.box {
  width: 13px;
  height: 13px;
  border: 1.5px solid var(--ink);
  border-radius: 2px;
  cursor: pointer;
}

.box.on {
  background: var(--indigo);
  border-color: var(--indigo);
}

.box.part {
  border-color: var(--indigo);
  box-shadow: inset 6px 0 0 var(--indigo);
}
</style>
