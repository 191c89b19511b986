<script setup lang="ts">
import type { Calendar } from '@yarin/core';
import { nextTick, ref, useTemplateRef } from 'vue';
import ChosenDays from './ChosenDays.vue';
import DayGrid from './DayGrid.vue';
import type { Span } from './draft.js';

/** A strip to draw on: days are chosen on it, and what can be done with them stands under it. */
defineProps<{
  /** What is drawn on. */
  draft: Calendar;
  /** With what is inherited. */
  holding: Calendar;
  /** What the strip shows: what holds, or the last that was sound. */
  shown: Calendar;
  classDays?: ReadonlySet<number>;
  movable: boolean;
  /** Said while no day is chosen. */
  hint: string;
}>();
const emit = defineEmits<{ change: [calendar: Calendar, what: string] }>();

const chosen = ref<Span | null>(null);
const panel = useTemplateRef<InstanceType<typeof ChosenDays>>('panel');
const grid = useTemplateRef<InstanceType<typeof DayGrid>>('grid');

function letGo(): void {
  chosen.value = null;
  void nextTick(() => grid.value?.focus());
}
</script>

<template>
  <DayGrid
    ref="grid"
    v-model:chosen="chosen"
    :calendar="shown"
    :class-days="classDays"
    :movable="movable"
    @choose="panel?.focus()"
  />
  <p v-if="movable && !chosen" class="quiet small hint">{{ hint }}</p>
  <ChosenDays
    v-if="movable && chosen"
    ref="panel"
    :draft="draft"
    :holding="holding"
    :chosen="chosen"
    @change="(calendar, what) => emit('change', calendar, what)"
    @done="letGo"
  />
</template>

<style scoped>
.hint {
  padding: 8px 0;
}
</style>
