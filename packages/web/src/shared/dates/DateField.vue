<script setup lang="ts">
import type { PreviewDate } from '@yarin/core';
import { nextTick, onMounted, ref, useTemplateRef } from 'vue';
import { fieldFormats } from './readersDates.js';

/** The date of one row while it is being set by hand. */
const { date } = defineProps<{ date: PreviewDate }>();
const emit = defineEmits<{ set: [at: string | null]; close: []; blur: [] }>();

const edited = ref(date.to ?? date.from);
const picker = useTemplateRef<{ focus(): void }>('picker');
onMounted(() => void nextTick(() => picker.value?.focus()));
</script>

<template>
  <span class="field">
    <ElDatePicker
      ref="picker"
      v-model="edited"
      type="datetime"
      size="small"
      :format="fieldFormats.typed"
      value-format="YYYY-MM-DDTHH:mm"
      :clearable="false"
      :prefix-icon="''"
      popper-class="small-picker"
      placement="top-start"
      class="picker"
      :aria-label="`New date of ${date.title}`"
      @change="(at: string | null) => emit('set', at)"
      @keydown.esc.stop="emit('close')"
      @blur="emit('blur')"
    />
  </span>
</template>

<style scoped>
.field :deep(.picker.picker) {
  width: 160px;
}
</style>
