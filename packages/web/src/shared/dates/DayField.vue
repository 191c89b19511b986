<script setup lang="ts">
import TypedDate from './TypedDate.vue';
import type { SheetChoices, Time } from './termSheet.js';

/** A day that is typed or picked, as `YYYY-MM-DD`. */
const date = defineModel<string>({ required: true });
defineProps<{
  label: string;
  placeholder?: string;
  time?: Time | undefined;
  sheetChoices?: Omit<SheetChoices, 'without'> | undefined;
}>();
</script>

<template>
  <TypedDate
    :at="date"
    :label="label"
    :placeholder="placeholder"
    :time="time"
    :sheet-choices="sheetChoices"
    day-only
    class="field"
    @set="(at) => (date = at)"
  />
</template>
