<script setup lang="ts">
import type { CourseSummary } from '@yarin/core';
import { computed } from 'vue';
import { courseLine, courseName, termLabel } from '../shared/courseLine.js';
import type { How, Press } from './chosen.js';

/**
 * A course of the other side. Of old courses one is the source, until another is asked for beside it; of shells several are
 * ticked; to a plan that stands more are added.
 */
const {
  course,
  how,
  chosen,
  disabled = false,
} = defineProps<{
  course: CourseSummary;
  how: How;
  chosen: readonly { readonly id: string }[];
  disabled?: boolean;
}>();
defineEmits<{
  press: [course: CourseSummary, press: Press];
  peek: [course: CourseSummary];
  beside: [course: CourseSummary];
}>();

const place = computed(() => chosen.findIndex(({ id }) => id === course.id) + 1);
const mayBeSecond = computed(() => how === 'one' && !disabled && chosen.length > 0 && place.value === 0);
</script>

<template>
  <label>
    <input
      v-if="how === 'one'"
      type="radio"
      name="source"
      :checked="place === 1"
      :disabled="disabled"
      @change="$emit('press', course, 'only')"
    />
    <input
      v-else
      type="checkbox"
      :checked="place > 0"
      :disabled="disabled"
      @change="$emit('press', course, place > 0 ? 'not' : 'also')"
    />
    <b>{{ termLabel(course) }}</b>
    <span>{{ courseName(course) }}</span>
    <small v-if="how === 'one' && place > 0 && chosen.length > 1" class="quiet">no. {{ place }}</small>
  </label>
  <p class="quiet small">{{ courseLine(course) }}</p>
  <slot />
  <p v-if="how !== 'more'" class="small links">
    <button class="plain-link" @click="$emit('peek', course)">look inside</button>
    <button v-if="mayBeSecond" class="plain-link" @click="$emit('beside', course)">
      beside the chosen one, thing by thing
    </button>
    <button v-if="mayBeSecond" class="plain-link" @click="$emit('press', course, 'also')">bring from it too</button>
    <button v-else-if="how === 'one' && place > 1" class="plain-link" @click="$emit('press', course, 'not')">
      not from it
    </button>
    <slot name="links" />
  </p>
</template>

<style scoped>
label {
  display: flex;
  gap: 9px;
  align-items: baseline;
  min-height: 24px;
}

b {
  font-weight: 600;
}

.small {
  padding-left: 22px;
}

.links {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
</style>
