<script setup lang="ts">
import { useTemplateRef } from 'vue';

/** A press that asks for files of this computer; the same ones can be chosen again. */
const { words, label, accept, multiple, disabled } = defineProps<{
  words: string;
  /** Names the field to a screen reader. */
  label: string;
  accept?: string;
  multiple?: boolean;
  disabled?: boolean;
}>();
const emit = defineEmits<{ chosen: [files: readonly File[]] }>();

const field = useTemplateRef<HTMLInputElement>('field');
function choose(): void {
  const files = [...(field.value!.files ?? [])];
  field.value!.value = '';
  if (files.length > 0) emit('chosen', files);
}
</script>

<template>
  <button type="button" class="plain-link" :disabled="disabled" @click="field?.click()">{{ words }}</button>
  <input
    ref="field"
    class="visually-hidden"
    type="file"
    tabindex="-1"
    :accept="accept"
    :multiple="multiple"
    :aria-label="label"
    @change="choose"
  />
</template>
