<script setup lang="ts">
import type { FoundView } from '@yarin/core';
import { computed } from 'vue';
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
/** Where a college has one alone, there is nothing to choose. */
const lists = computed(() => [
  { by: 'term' as const, label: 'Term', values: found?.terms ?? [] },
  { by: 'campus' as const, label: 'Campus', values: found?.campuses ?? [] },
]);
const set = (change: Partial<Filters>): void => void (filters.value = { ...filters.value, ...change });
</script>

<template>
  <span class="choices" role="radiogroup" aria-label="When">
    <label v-for="each in WHENS" class="choice" :key="each"
      ><input type="radio" :name="name" :value="each" :checked="filters.when === each" @change="set({ when: each })" />
      {{ each === 'any' ? 'any time' : each }}</label
    >
  </span>
  <template v-for="{ by, label, values } in lists" :key="by">
    <ElSelect
      v-if="values.length > 1 || filters[by] !== ''"
      :model-value="filters[by]"
      size="small"
      clearable
      :aria-label="label"
      :placeholder="`any ${by}`"
      :value-on-clear="''"
      @update:model-value="(value: string) => set({ [by]: value })"
    >
      <ElOption v-for="each in values" :key="each" :value="each" :label="each" />
    </ElSelect>
  </template>
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
