<script setup lang="ts">
import type { Answer, ItemView, PlanLine } from '@yarin/core';
import { computed, defineAsyncComponent, ref } from 'vue';
import { usePlanStore } from '../../state/planStore.js';
import { differencesOf, type AnswerField } from './bothSides.js';
import { KEEP_ALL, TAKE_ALL, useAnswers } from '../panels/useAnswers.js';

const { line, old, here } = defineProps<{ line: PlanLine; old: ItemView | undefined; here: ItemView | undefined }>();

const RichText = defineAsyncComponent(() => import('../../../course/item/RichText.vue'));
const plan = usePlanStore();
const { answer: decide, titleOf } = useAnswers();

const id = computed(() => line.item!);
const sourceItem = computed(() => plan.source.items.find((item) => item.id === id.value)!);
const shellItem = computed(() => plan.view!.shell.items.find((item) => item.id === line.to)!);
const differences = computed(() => differencesOf(sourceItem.value, shellItem.value, sourceItem.value.moments ?? []));
const answer = computed((): Answer => plan.decisions.answers?.[id.value] ?? {});

type Side = 'shell' | 'source' | 'written';
const sideOf = (field: AnswerField): Side => {
  const side = answer.value[field];
  return typeof side === 'object' ? 'written' : (side ?? 'shell');
};
const isUndecided = computed(() => plan.decisions.answers?.[id.value] === undefined);

function take(field: AnswerField, side: NonNullable<Answer[AnswerField]>, what: string): void {
  writing.value = null;
  decide([id.value], { ...answer.value, [field]: side }, `${what} of ${titleOf(id.value)}`);
}

/** The text or title that is being written; it counts when it is taken. */
const writing = ref<{ readonly field: 'title' | 'body'; text: string } | null>(null);
const written = (field: 'title' | 'body'): string => {
  const side = answer.value[field];
  return typeof side === 'object' ? side.text : '';
};
function write(field: 'title' | 'body'): void {
  const shown = field === 'title' ? shellItem.value.title : (here?.item.body ?? '');
  writing.value = { field, text: written(field) || shown };
}
const bothTexts = (): string => `${here?.item.body ?? ''}${old?.item.body ?? ''}`;
</script>

<template>
  <section class="both" :aria-label="`Decide about ${titleOf(id)}`">
    <p class="lead">
      <b>{{ isUndecided ? 'Both sides have their own. Unanswered, the shell’s stays.' : 'Decided.' }}</b>
      <button class="plain-link" @click="decide([id], KEEP_ALL, `keep the shell’s ${titleOf(id)}`)">
        keep all of the shell’s
      </button>
      <button class="plain-link" @click="decide([id], TAKE_ALL, `take the old ${titleOf(id)}`)">
        take all of the old course’s
      </button>
    </p>
    <table>
      <thead>
        <tr>
          <td></td>
          <th scope="col">the old course’s</th>
          <th scope="col">the shell’s</th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ field, words, shell, source } in differences" :key="field">
          <th scope="row">{{ words }}</th>
          <td>
            <button
              class="side"
              :aria-pressed="sideOf(field) === 'source'"
              @click="take(field, 'source', `the old ${words}`)"
            >
              {{ source }}
            </button>
          </td>
          <td>
            <button
              class="side"
              :aria-pressed="sideOf(field) === 'shell'"
              @click="take(field, 'shell', `the shell’s ${words}`)"
            >
              {{ shell }}
            </button>
          </td>
          <td>
            <button
              v-if="field === 'body'"
              class="plain-link"
              @click="take('body', { text: bothTexts() }, 'both texts')"
            >
              both
            </button>
            <button v-if="field === 'body' || field === 'title'" class="plain-link" @click="write(field)">
              {{ sideOf(field) === 'written' ? 'written; change it' : 'write' }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <form
      v-if="writing"
      class="writing"
      @submit.prevent="
        take(writing.field, { text: writing.text }, `another ${writing.field === 'title' ? 'title' : 'text'}`)
      "
    >
      <ElInput v-if="writing.field === 'title'" v-model="writing.text" aria-label="Title in the new course" />
      <RichText
        v-else
        v-model="writing.text"
        label="Text in the new course"
        :course-id="plan.view!.shell.course.id"
        :items="plan.preview!.items"
      />
      <p class="presses">
        <ElButton native-type="submit" size="small" type="primary">Take this</ElButton>
        <button type="button" class="plain-link" @click="writing = null">leave it as it was</button>
      </p>
    </form>
  </section>
</template>

<style scoped>
.both {
  grid-column: 1 / -1;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}

.lead,
.presses {
  display: flex;
  gap: 18px;
  align-items: center;
  margin: 4px 0;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  text-align: left;
  padding: 3px 16px 3px 0;
  border-bottom: 1px solid var(--rule-faint);
  font-weight: 400;
  vertical-align: top;
}

th[scope='row'] {
  width: 72px;
  color: var(--quiet);
}

thead th {
  color: var(--quiet);
  font-size: 12.5px;
}

td:last-child {
  width: 170px;
  white-space: nowrap;
}

td:last-child button + button {
  margin-left: 12px;
}

.side {
  border: 0;
  padding: 0 0 1px;
  background: none;
  font: inherit;
  color: var(--quiet);
  cursor: pointer;
  text-align: left;
  border-bottom: 1.5px solid transparent;
}

.side[aria-pressed='true'] {
  color: var(--ink);
  border-bottom-color: var(--woad);
  font-weight: 600;
}

.writing {
  display: grid;
  gap: 8px;
  margin-top: 8px;
}
</style>
