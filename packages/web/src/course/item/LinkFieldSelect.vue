<script setup lang="ts">
import type { LinkField } from '@yarin/core';
import { computed } from 'vue';
import { useCourseStore } from '../courseStore.js';

const { field } = defineProps<{ field: LinkField }>();
const keys = defineModel<string[]>({ default: () => [] });

const course = useCourseStore();
const things = computed(() => field.to.flatMap((kind) => course.itemsOf(kind)));
const chosen = computed({
  get: () => (field.many === true ? keys.value : (keys.value[0] ?? '')),
  set: (given: string | string[]) => (keys.value = Array.isArray(given) ? given : given === '' ? [] : [given]),
});
</script>

<template>
  <div class="field">
    <span>{{ field.words }}</span>
    <ElSelect
      v-model="chosen"
      size="small"
      filterable
      clearable
      :multiple="field.many === true"
      :aria-label="field.words"
      :placeholder="things.length === 0 ? 'there is none in this course' : 'none'"
      :value-on-clear="''"
    >
      <ElOption v-for="thing in things" :key="thing.id" :value="thing.id" :label="thing.title" />
    </ElSelect>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 3px;
}

span {
  font-size: 13px;
  color: var(--quiet);
}
</style>
