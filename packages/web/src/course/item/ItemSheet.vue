<script setup lang="ts">
import { KIND_WORDS, ROLE_WORDS } from '@yarin/core';
import { computed, defineAsyncComponent, ref } from 'vue';
import { listed } from '../../shared/words.js';
import { useCourseStore } from '../state/courseStore.js';
import EarlierTexts from './EarlierTexts.vue';
import ItemBody from './ItemBody.vue';
import NextTime from './NextTime.vue';
import { momentWords } from '../../shared/readersDates.js';

const emit = defineEmits<{ open: [key: string | undefined] }>();
const ItemEditor = defineAsyncComponent(() => import('./ItemEditor.vue'));

const course = useCourseStore();
const isEditing = ref(false);
const view = computed(() => course.opened!);
const item = computed(() => view.value.item);
const courseId = computed(() => course.view!.summary.id);

async function duplicate(): Promise<void> {
  const key = await course.duplicate(item.value.id);
  if (key !== undefined) emit('open', key);
}

async function remove(): Promise<void> {
  const { id } = item.value;
  if ((await course.remove(id)) === true) emit('open', undefined);
}

async function saved(takenOut: readonly string[]): Promise<void> {
  isEditing.value = false;
  if (takenOut.length > 0) course.trouble = `Saved, but without what could run: ${listed(takenOut)}.`;
  await course.open(item.value.id);
  await course.reload();
  course.saySaved(`${item.value.title} is saved.`);
}
</script>

<template>
  <ItemEditor v-if="isEditing" @close="isEditing = false" @saved="saved" />
  <template v-else>
    <div class="top">
      <p class="quiet small">
        {{ KIND_WORDS[item.kind].one }}{{ item.state !== 'open' ? `, ${item.state}` : '' }}
        <template v-if="item.editedAt">
          · last edited {{ momentWords(item.editedAt) }}{{ view.editedBy ? ` by ${view.editedBy}` : '' }}</template
        >
      </p>
      <p v-if="course.mayChange" class="acts">
        <button class="plain-link" @click="isEditing = true">edit</button>
        <button v-if="item.kind !== 'courseSettings'" class="plain-link" @click="duplicate">copy as a template</button>
        <button v-if="item.kind !== 'courseSettings'" class="plain-link" @click="remove">remove</button>
      </p>
    </div>
    <h2>{{ item.title }}</h2>
    <p v-for="moment in item.moments" :key="moment.id" class="small">
      {{ ROLE_WORDS[moment.role] }} <b>{{ momentWords(moment.at) }}</b>
      <span v-if="moment.for" class="quiet"> for {{ moment.for }} alone</span>
    </p>
    <ItemBody :view="view" :course-id="courseId" @open="(key: string) => $emit('open', key)" />
    <NextTime />
    <EarlierTexts v-if="view.earlier.length > 0" />
  </template>
</template>

<style scoped>
.top {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}

.acts {
  display: flex;
  gap: 14px;
}

b {
  font-weight: 600;
}
</style>
