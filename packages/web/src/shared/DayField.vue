<script setup lang="ts">
import { fieldFormats } from './dates/readersDates.js';

/** A date that is typed or chosen, as `YYYY-MM-DD`. */
const date = defineModel<string>({ required: true });
const { label } = defineProps<{ label: string; placeholder?: string }>();
</script>

<template>
  <span class="field">
    <ElDatePicker
      v-model="date"
      type="date"
      size="small"
      :format="fieldFormats.day"
      value-format="YYYY-MM-DD"
      popper-class="small-picker"
      :clearable="false"
      :prefix-icon="''"
      :placeholder="placeholder ?? ''"
      :aria-label="label"
    />
  </span>
</template>

<style scoped>
.field :deep(.el-date-editor.el-date-editor) {
  width: 100px;
}

.field :deep(.el-input__prefix) {
  display: none;
}
</style>
