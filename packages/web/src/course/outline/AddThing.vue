<script setup lang="ts">
import { KIND_WORDS, LONGEST_TITLE, MAKEABLE, type Kind } from '@yarin/core';
import { computed, nextTick, ref } from 'vue';
import { useCourseStore } from '../state/courseStore.js';

const { beside } = defineProps<{ beside: string }>();
const emit = defineEmits<{ added: [key: string] }>();

const course = useCourseStore();
const KINDS_TO_ADD = MAKEABLE.filter((each) => each !== 'courseSettings');
const isOpen = ref(false);
const title = ref('');
const kind = ref<Kind>('page');
const field = ref<{ focus(): void }>();

/** A new thing goes into the unit that is open, or in which what is open stands. */
const unit = computed(() => {
  const item = course.itemsById.get(beside);
  return item?.kind === 'unit' ? item : course.itemsById.get(item?.parent ?? '');
});

async function open(): Promise<void> {
  isOpen.value = true;
  await nextTick();
  field.value?.focus();
}

async function add(): Promise<void> {
  if (title.value.trim() === '') return;
  const key = await course.add(kind.value, title.value, unit.value?.id ?? null);
  if (key === undefined) return;
  title.value = '';
  isOpen.value = false;
  emit('added', key);
}
</script>

<template>
  <div class="add">
    <p v-if="!isOpen" class="line">
      <button class="plain-link" @click="open">Add a thing</button>
      <span class="quiet small"
        >drag to move · <kbd>Alt</kbd> with <kbd>↑</kbd> <kbd>↓</kbd> moves, <kbd>→</kbd> <kbd>←</kbd> into and out of a
        unit</span
      >
    </p>
    <form v-else class="line" @submit.prevent="add" @keydown.esc.stop="isOpen = false">
      <ElSelect v-model="kind" class="kind" aria-label="Kind" size="small" filterable>
        <ElOption v-for="each in KINDS_TO_ADD" :key="each" :value="each" :label="KIND_WORDS[each].one" />
      </ElSelect>
      <ElInput
        ref="field"
        v-model="title"
        size="small"
        :maxlength="LONGEST_TITLE"
        aria-label="Title"
        placeholder="Title"
      />
      <ElButton size="small" type="primary" native-type="submit" :disabled="title.trim() === ''">Add</ElButton>
      <button type="button" class="plain-link" @click="isOpen = false">close</button>
      <span class="quiet small">{{ unit ? `into ${unit.title}` : 'at the end' }}, as a draft</span>
    </form>
  </div>
</template>

<style scoped>
.add {
  flex: none;
  padding: 8px 4px;
  border-top: 1px solid var(--rule);
}

.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
}

.kind {
  width: 150px;
}

.line :deep(.el-input) {
  flex: 1;
  min-width: 160px;
}
</style>
