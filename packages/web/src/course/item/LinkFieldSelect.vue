<script setup lang="ts">
import type { LinkField } from '@yarin/core';
import { computed } from 'vue';
import NumberBox from '../../shared/NumberBox.vue';
import { useCourseStore } from '../state/courseStore.js';

const { field } = defineProps<{ field: LinkField }>();
const keys = defineModel<string[]>({ default: () => [] });
const quantities = defineModel<Record<string, number>>('quantities', { required: true });

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
    <span v-if="field.type === 'draws'" class="many">
      <template v-for="key in keys" :key="key">
        <NumberBox
          :value="quantities[key]"
          label="how many are drawn"
          @set="(many) => (quantities = { ...quantities, [key]: many ?? 0 })"
        />
        are drawn
      </template>
    </span>
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
.many {
  display: flex;
  gap: 8px;
  align-items: center;
}

.many :deep(.el-input-number) {
  width: 70px;
}
</style>
