<script setup lang="ts">
import { weekdayWord } from '@yarin/core';
import { ref, useTemplateRef } from 'vue';

/** A weekday that is drawn to another: seven places, the class days of the new term tall, the end of the strand dragged or moved by arrows. */
const { from, to, classDays, label, mayChange } = defineProps<{
  from: number;
  to: number;
  classDays: readonly number[];
  label: string;
  mayChange: boolean;
}>();
const emit = defineEmits<{ set: [weekday: number]; try: [weekday: number | null] }>();

const PLACE = 22;
const HEIGHT = 34;
const x = (weekday: number): number => (weekday - 0.5) * PLACE;
const held = ref<number | null>(null);
const track = useTemplateRef<SVGSVGElement>('track');

const placeAt = (event: PointerEvent): number => {
  const { left } = track.value!.getBoundingClientRect();
  return Math.min(7, Math.max(1, Math.ceil((event.clientX - left) / PLACE)));
};
function grab(event: PointerEvent): void {
  if (!mayChange) return;
  track.value!.setPointerCapture(event.pointerId);
  held.value = placeAt(event);
  emit('try', held.value);
}
function drag(event: PointerEvent): void {
  if (held.value === null || placeAt(event) === held.value) return;
  held.value = placeAt(event);
  emit('try', held.value);
}
function drop(): void {
  const weekday = held.value;
  if (weekday === null) return;
  held.value = null;
  emit('try', null);
  if (weekday !== to) emit('set', weekday);
}
function pressed(event: KeyboardEvent): void {
  const step = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key];
  if (step === undefined || !mayChange) return;
  event.preventDefault();
  event.stopPropagation();
  const weekday = to + step;
  if (weekday >= 1 && weekday <= 7) emit('set', weekday);
}
</script>

<template>
  <svg
    ref="track"
    class="track"
    :class="{ still: !mayChange }"
    :width="PLACE * 7"
    :height="HEIGHT"
    role="slider"
    :tabindex="mayChange ? 0 : -1"
    :aria-label="label"
    aria-valuemin="1"
    aria-valuemax="7"
    :aria-valuenow="to"
    :aria-valuetext="weekdayWord(to)"
    :aria-disabled="!mayChange"
    @pointerdown="grab"
    @pointermove="drag"
    @pointerup="drop"
    @pointercancel="((held = null), emit('try', null))"
    @keydown="pressed"
  >
    <path :d="`M0 ${HEIGHT - 13}H${PLACE * 7}`" class="base" />
    <path
      v-for="weekday in 7"
      :key="weekday"
      :d="`M${x(weekday)} ${HEIGHT - 13}v${classDays.includes(weekday) ? -8 : -3}`"
      :class="classDays.includes(weekday) ? 'class' : 'tick'"
    />
    <text v-for="weekday in 7" :key="weekday" :x="x(weekday)" :y="HEIGHT - 2" text-anchor="middle">
      {{ weekdayWord(weekday).slice(0, 2) }}
    </text>
    <path :d="`M${x(from)} 3C${x(from)} 12 ${x(held ?? to)} 10 ${x(held ?? to)} ${HEIGHT - 16}`" class="strand" />
    <circle :cx="x(held ?? to)" :cy="HEIGHT - 14" r="4.5" class="end" />
  </svg>
</template>

<style scoped>
.track {
  touch-action: none;
  cursor: ew-resize;
}

.still {
  cursor: default;
}

.track:focus-visible {
  outline: 2px solid var(--indigo);
  outline-offset: 1px;
}

text {
  font: 11px var(--sans);
  fill: var(--quiet);
}

.base {
  stroke: var(--rule);
}

.tick {
  stroke: var(--ash);
}

.class {
  stroke: var(--ink);
  stroke-width: 1.6;
}

.strand {
  fill: none;
  stroke: var(--indigo);
  stroke-width: 1.4;
}

.end {
  fill: var(--indigo);
}
</style>
