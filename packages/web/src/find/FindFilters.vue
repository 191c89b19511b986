<script setup lang="ts">
import type { FoundView } from '@yarin/core';
import { TICKS, WHENS, type Filters, type Tick } from './filters.js';

const {
  found,
  ticks = Object.keys(TICKS) as Tick[],
  name,
} = defineProps<{
  found: Pick<FoundView, 'terms' | 'campuses'> | null;
  /** Those of the ticks that make sense here. */
  ticks?: readonly Tick[];
  /** Tells the radios of two such rows on one page apart. */
  name: string;
}>();
const filters = defineModel<Filters>({ required: true });
const set = (change: Partial<Filters>): void => void (filters.value = { ...filters.value, ...change });
</script>

<template>
  <span class="choices" role="radiogroup" aria-label="When">
    <label v-for="each in WHENS" class="choice" :key="each"
      ><input type="radio" :name="name" :value="each" :checked="filters.when === each" @change="set({ when: each })" />
      {{ each === 'any' ? 'any time' : each }}</label
    >
  </span>
  <ElSelect
    :model-value="filters.term"
    size="small"
    clearable
    aria-label="Term"
    placeholder="any term"
    :value-on-clear="''"
    @update:model-value="(term: string) => set({ term })"
  >
    <ElOption v-for="each in found?.terms ?? []" :key="each" :value="each" :label="each" />
  </ElSelect>
  <ElSelect
    v-if="(found?.campuses.length ?? 0) > 1 || filters.campus !== ''"
    :model-value="filters.campus"
    size="small"
    clearable
    aria-label="Campus"
    placeholder="any campus"
    :value-on-clear="''"
    @update:model-value="(campus: string) => set({ campus })"
  >
    <ElOption v-for="each in found?.campuses ?? []" :key="each" :value="each" :label="each" />
  </ElSelect>
  <label v-for="each in ticks" :key="each" class="choice"
    ><input type="checkbox" :checked="filters[each]" @change="set({ [each]: !filters[each] })" />
    {{ TICKS[each] }}</label
  >
</template>

<style scoped>
.el-select {
  width: 132px;
}
</style>
