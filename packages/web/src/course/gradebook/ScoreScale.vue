<script setup lang="ts">
import type { SnapshotItem } from '@yarin/core';
import { computed } from 'vue';

const { scale, mayGive } = defineProps<{ scale: SnapshotItem | undefined; mayGive: boolean }>();
defineEmits<{ open: [key: string]; give: [] }>();

type Step = readonly [letter: string, from: number];
const steps = computed(() => (Array.isArray(scale?.details?.scale) ? (scale.details.scale as Step[]) : []));
const text = (value: unknown): string => (typeof value === 'string' ? value : '');
</script>

<template>
  <section aria-label="Scale" class="scale">
    <h2>
      Scale
      <small v-if="scale" class="beside"
        ><button class="plain-link" @click="$emit('open', scale.id)">{{ scale.title }}</button></small
      >
    </h2>
    <p v-if="scale" class="quiet">
      rounded {{ text(scale.details?.rounding) || 'as the college does' }}; learners see
      {{ text(scale.details?.learnersSee) || 'points' }}
    </p>
    <p v-else class="quiet">
      No scale; learners see points.
      <button v-if="mayGive" class="plain-link" @click="$emit('give')">give it one, A to F, to be changed</button>
    </p>
    <ol v-if="steps.length > 0">
      <li v-for="[letter, from] in steps" :key="letter">
        <b>{{ letter }}</b> <span class="quiet">from {{ from }}</span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.scale {
  margin-top: 22px;
}

ol {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}

b {
  font-weight: 600;
}
</style>
