<script setup lang="ts">
import { explain, FLAG_WORDS, momentWords, ROLE_WORDS, type PreviewDate } from '@yarin/core';
import { nextTick, ref, useTemplateRef, watch } from 'vue';
import { useRowWindow } from '../../shared/useRowWindow.js';

const { dates, doubtful, movable, fromOf } = defineProps<{
  dates: readonly PreviewDate[];
  doubtful: ReadonlySet<string>;
  movable: boolean;
  /** Of several sources: where a date is from. */
  fromOf?: ((date: PreviewDate) => string) | undefined;
}>();
const emit = defineEmits<{ set: [id: string, at: string]; back: [id: string] }>();
const focused = defineModel<number>('focused', { required: true });

const ROW = 29;
const scroller = ref<HTMLElement | null>(null);
const { inSight, height, reveal } = useRowWindow(scroller, () => dates.length, ROW);
const editing = ref<string | null>(null);
const edited = ref('');
const picker = useTemplateRef<{ focus(): void }[]>('picker');

const rowId = (index: number): string => `date-row-${index}`;

function go(to: number): void {
  focused.value = Math.max(0, Math.min(dates.length - 1, to));
}
watch(focused, (index) => void nextTick(() => reveal(index)));

function edit(): void {
  const date = dates[focused.value];
  if (!movable || date === undefined) return;
  editing.value = date.id;
  edited.value = date.to ?? date.from;
  void nextTick(() => picker.value?.[0]?.focus());
}
defineExpose({ edit });

function close(): void {
  editing.value = null;
  scroller.value?.focus();
}

function set(id: string, at: string | null): void {
  if (at) emit('set', id, at);
  close();
}

function pressed(event: KeyboardEvent): void {
  if (event.target !== scroller.value) return;
  const moves: Record<string, number> = {
    ArrowDown: focused.value + 1,
    ArrowUp: focused.value - 1,
    Home: 0,
    End: dates.length - 1,
  };
  const to = moves[event.key];
  if (to !== undefined) go(to);
  else if (event.key === 'Enter') edit();
  else return;
  event.preventDefault();
}

function why(date: PreviewDate): string {
  const told = explain(date);
  const flags = date.flags.map((flag) => FLAG_WORDS[flag]).join(', ');
  return [flags, told].filter((words) => words !== '').join(' · ');
}
</script>

<template>
  <div
    ref="scroller"
    class="table"
    role="grid"
    tabindex="0"
    aria-label="Dates, old and new, doubts first"
    :aria-rowcount="dates.length + 1"
    :aria-activedescendant="dates.length > 0 ? rowId(focused) : undefined"
    @keydown="pressed"
  >
    <div class="row head" role="row">
      <span role="columnheader">thing</span>
      <span role="columnheader">role</span>
      <span role="columnheader">was</span>
      <span role="columnheader">{{ movable ? 'will be' : 'is' }}</span>
      <span role="columnheader">{{ movable ? 'why' : '' }}</span>
    </div>
    <div class="all" :style="{ height: `${height}px` }" role="presentation">
      <div
        v-for="{ index, start } in inSight"
        :id="rowId(index)"
        :key="dates[index]!.id"
        class="row"
        :class="{ focused: index === focused }"
        :style="{ transform: `translateY(${start}px)` }"
        role="row"
        :aria-selected="index === focused"
        @click="focused = index"
        @dblclick="((focused = index), edit())"
      >
        <span class="title" role="gridcell"
          >{{ dates[index]!.title }} <small v-if="fromOf" class="quiet">{{ fromOf(dates[index]!) }}</small></span
        >
        <span class="quiet" role="gridcell">{{ ROLE_WORDS[dates[index]!.role] }}</span>
        <span class="quiet" role="gridcell">{{ momentWords(dates[index]!.from) }}</span>
        <span role="gridcell" class="new">
          <ElDatePicker
            v-if="editing === dates[index]!.id"
            ref="picker"
            v-model="edited"
            type="datetime"
            size="small"
            format="YYYY-MM-DD HH:mm"
            value-format="YYYY-MM-DDTHH:mm"
            :clearable="false"
            :prefix-icon="''"
            popper-class="small-picker"
            placement="top-start"
            class="picker"
            :aria-label="`New date of ${dates[index]!.title}`"
            @change="(at: string | null) => set(dates[index]!.id, at)"
            @keydown.esc.stop="close"
            @blur="editing = null"
          />
          <template v-else>
            <span v-if="dates[index]!.rule === 'byHand'" class="hand" title="set by hand"></span>
            <span :class="doubtful.has(dates[index]!.id) ? 'doubtful' : 'moved'">{{
              dates[index]!.to ? momentWords(dates[index]!.to!) : 'no date'
            }}</span>
          </template>
        </span>
        <span class="why" role="gridcell">
          <span class="told" :title="why(dates[index]!)">{{ why(dates[index]!) }}</span>
          <button
            v-if="dates[index]!.rule === 'byHand' && movable"
            class="plain-link"
            @click.stop="emit('back', dates[index]!.id)"
          >
            back to the rule
          </button>
          <button v-else-if="index === focused && movable && editing === null" class="plain-link" @click.stop="edit">
            set by hand
          </button>
        </span>
      </div>
    </div>
    <p v-if="dates.length === 0" class="quiet none">No dates here.</p>
  </div>
</template>

<style scoped>
.table {
  flex: 1;
  min-height: 0;
  margin: 0 var(--margin);
  overflow: hidden auto;
}

.row {
  display: grid;
  grid-template-columns: 250px 66px 142px 176px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  height: 29px;
  padding: 0 8px;
  border-top: 1px solid var(--rule-faint);
  white-space: nowrap;
}

.row.head {
  position: sticky;
  z-index: 1;
  top: 0;
  border: 0;
  background: var(--paper);
  height: 26px;
  font-size: 12.5px;
  color: var(--quiet);
}

.all {
  position: relative;
}

.all .row {
  position: absolute;
  top: 0;
  left: 0;
  right: 0;
}

.row.focused {
  background: var(--row-focus);
}

.table:focus-visible {
  outline: none;
}

.table:focus-visible .row.focused {
  outline: 2px solid var(--indigo);
  outline-offset: -2px;
}

.title,
.told {
  overflow: hidden;
  text-overflow: ellipsis;
}

.why {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  color: var(--quiet);
  overflow: hidden;
}

.moved {
  color: var(--indigo);
}

.new :deep(.picker) {
  width: 160px;
}

.hand {
  display: inline-block;
  width: 8px;
  height: 8px;
  margin-right: 6px;
  border-radius: 50%;
  background: var(--indigo);
}

.none {
  padding: 8px;
}

@media (max-width: 900px) {
  .row {
    grid-template-columns: minmax(0, 1fr) 130px 130px;
  }

  .row > :nth-child(2),
  .row > :nth-child(5) {
    display: none;
  }
}
</style>
