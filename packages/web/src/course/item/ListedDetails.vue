<script setup lang="ts">
import type { Kind } from '@yarin/core';
import { computed } from 'vue';
import { LISTED, type ListedRow } from './listedDetails.js';

const { kind } = defineProps<{ kind: Kind }>();
const details = defineModel<Record<string, unknown>>({ required: true });

const listed = computed(() => LISTED[kind]);
const rows = computed(() => listed.value?.read(details.value) ?? []);

function write(given: readonly ListedRow[]): void {
  if (listed.value !== undefined) details.value = { ...details.value, ...listed.value.write(given) };
}
const change = (index: number, column: string, value: string): void =>
  write(rows.value.map((row, at) => (at === index ? { ...row, [column]: value } : row)));
const drop = (index: number): void => write(rows.value.filter((_, at) => at !== index));
const add = (): void => write([...rows.value, {}]);
</script>

<template>
  <fieldset v-if="listed">
    <legend>{{ listed.words }}</legend>
    <div v-for="(row, index) in rows" :key="index" class="row" :style="{ gridTemplateColumns: listed.widths }">
      <ElInput
        v-for="column in listed.columns"
        :key="column.name"
        :model-value="row[column.name] ?? ''"
        size="small"
        :type="column.lines ? 'textarea' : 'text'"
        :autosize="column.lines ? { minRows: 2 } : undefined"
        :placeholder="column.words"
        :aria-label="`${column.words} ${index + 1}`"
        :maxlength="1000"
        @update:model-value="(value: string) => change(index, column.name, value)"
      />
      <button
        type="button"
        class="plain-link"
        :aria-label="`Take ${listed.one} ${index + 1} away`"
        @click="drop(index)"
      >
        take away
      </button>
    </div>
    <p>
      <button type="button" class="plain-link" @click="add">add {{ listed.one }}</button>
    </p>
  </fieldset>
</template>

<style scoped>
.row {
  display: grid;
  gap: 8px;
  align-items: start;
  padding: 3px 0;
}
</style>
