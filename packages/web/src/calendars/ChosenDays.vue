<script setup lang="ts">
import { CLOSURE_WORDS, parseDay, weekdayOf, weekdayWord, type Calendar, type Closure } from '@yarin/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { addClosures, closureWords, overlap, removeClosure, runAs, type Span } from './draft.js';
import { spanWords } from '../shared/readersDates.js';

/** What can be done with the days that were chosen on the strip. */
const { draft, holding, chosen } = defineProps<{
  /** What is set here; changes go into it. */
  draft: Calendar;
  /** With what is inherited. */
  holding: Calendar;
  chosen: Span;
}>();
const emit = defineEmits<{ change: [calendar: Calendar, what: string]; done: [] }>();

const KINDS = Object.keys(CLOSURE_WORDS) as Closure['kind'][];
const label = ref('');
const kind = ref<Closure['kind']>('holiday');
const name = useTemplateRef<{ focus(): void }>('name');
const words = computed(() => spanWords(chosen));
const here = computed(() => (holding.closures ?? []).filter((closure) => overlap(closure, chosen)));
const isOwn = (closure: Closure): boolean => (draft.closures ?? []).includes(closure);
const isOneDay = computed(() => chosen.from === chosen.to);
const swap = computed(() => (holding.swaps ?? []).find(({ date }) => date === chosen.from)?.runsAs ?? null);
const ownWeekday = computed(() => weekdayOf(parseDay(chosen.from)));

/** Five days or more are mostly a break, one is a holiday. */
watch(
  () => chosen,
  ({ from, to }) => {
    if (label.value === '') kind.value = parseDay(to) - parseDay(from) >= 4 ? 'break' : 'holiday';
  },
  { immediate: true },
);

function close(): void {
  const named = label.value.trim();
  const closure: Closure = { ...chosen, ...(named === '' ? {} : { label: named }), kind: kind.value };
  emit('change', addClosures(draft, [closure]), `${closureWords(closure)} added`);
  label.value = '';
  emit('done');
}
function swapTo(weekday: string): void {
  const runs = weekday === '' ? null : Number(weekday);
  const said = runs === null ? 'as itself' : `as ${weekdayWord(runs)}`;
  emit('change', runAs(draft, chosen.from, runs), `${words.value} runs ${said}`);
}
const focusName = (): void => void nextTick(() => name.value?.focus());
defineExpose({ focus: focusName });
</script>

<template>
  <section class="chosen" aria-label="Chosen days" @keydown.esc.stop="emit('done')">
    <form @submit.prevent="close">
      <b>{{ words }}</b>
      <ElInput
        ref="name"
        v-model="label"
        size="small"
        class="name"
        :maxlength="200"
        aria-label="Name of the closed days"
        placeholder="Name, such as Founders Day"
      />
      <select v-model="kind" aria-label="What kind of days">
        <option v-for="each in KINDS" :key="each" :value="each">{{ CLOSURE_WORDS[each] }}</option>
      </select>
      <ElButton size="small" type="primary" native-type="submit">{{
        kind === 'exams' ? 'Set these days' : 'Close these days'
      }}</ElButton>
      <label v-if="isOneDay" class="runs">
        runs as
        <select
          :value="swap ?? ''"
          aria-label="Whose timetable runs on this day"
          @change="swapTo(($event.target as HTMLSelectElement).value)"
        >
          <option value="">{{ weekdayWord(ownWeekday) }}, itself</option>
          <template v-for="each in 7" :key="each">
            <option v-if="each !== ownWeekday" :value="each">{{ weekdayWord(each) }}</option>
          </template>
        </select>
      </label>
      <button type="button" class="plain-link" @click="emit('done')">let go</button>
    </form>
    <p v-for="(closure, at) in here" :key="at" class="small">
      {{ closureWords(closure) }}
      <button
        v-if="isOwn(closure)"
        class="plain-link"
        @click="emit('change', removeClosure(draft, closure), `${closureWords(closure)} taken out`)"
      >
        take it out
      </button>
      <span v-else class="quiet">comes from its term</span>
    </p>
  </section>
</template>

<style scoped>
.chosen {
  display: grid;
  gap: 4px;
  padding: 8px 0;
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}

b {
  min-width: 90px;
  font-weight: 600;
}

.name {
  width: 240px;
}

.runs {
  margin-left: 14px;
}
</style>
