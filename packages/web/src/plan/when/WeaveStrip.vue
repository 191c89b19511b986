<script setup lang="ts">
import type { ScaleLinear } from 'd3-scale';
import type { Strip } from './weaveGeometry.js';
import { MARGIN, STRIP } from './weaveMeasures.js';

/** One term as a strip of weeks: closures hatched, class days ticked, graded work as bars on its outer side. */
const { x, y, isNew, loadHeight } = defineProps<{
  strip: Strip;
  name: string;
  days: string;
  y: number;
  isNew: boolean;
  x: ScaleLinear<number, number>;
  loadHeight: number;
  /** First day of the week that the table is narrowed to. */
  narrowed: number | null;
}>();
const emit = defineEmits<{ week: [start: number | null] }>();

const BEYOND_LOADS = 72;

const width = (days: number): number => x(days) - x(0);
const loadTop = (load: number): number => (isNew ? y + STRIP + 4 : y - 4 - load * loadHeight);
</script>

<template>
  <g>
    <text
      v-for="month in strip.months"
      :key="month.at"
      :x="x(month.at) + 4"
      :y="isNew ? y + STRIP + BEYOND_LOADS - 4 : y - BEYOND_LOADS + 2"
      class="quiet"
    >
      {{ month.name }}
    </text>
    <text :x="MARGIN" :y="y + 13" class="term">{{ name }}</text>
    <text :x="MARGIN" :y="y + 29" class="quiet">class {{ days }}</text>
    <text :x="MARGIN" :y="isNew ? y + 46 : y - 12" class="quiet">graded work</text>
    <g v-for="week in strip.weeks" :key="week.start">
      <rect
        v-if="week.load > 0"
        :x="x(week.at * 7) + 6"
        :width="width(7) - 12"
        :y="loadTop(week.load)"
        :height="week.load * loadHeight"
        :class="isNew ? (week.piled ? 'piled' : 'load-new') : 'load-old'"
      />
      <text v-if="week.piled" :x="x(week.at * 7 + 3.5)" :y="y + STRIP + 18" text-anchor="middle" class="doubt-text">
        {{ week.load }} due
      </text>
      <rect
        :x="x(week.at * 7)"
        :y="y"
        :width="width(7)"
        :height="STRIP"
        :class="['week', week.is, { narrowed: narrowed === week.start, pick: isNew }]"
        @click="isNew && emit('week', narrowed === week.start ? null : week.start)"
      />
      <text v-if="week.is === 'teaching'" :x="x(week.at * 7) + 6" :y="y + 15" class="quiet over">{{ week.label }}</text>
      <text v-else :x="x(week.at * 7 + 3.5)" :y="y + 15" text-anchor="middle" class="quiet over">{{ week.label }}</text>
    </g>
    <rect
      v-for="closed in strip.closedDays"
      :key="closed.at"
      :x="x(closed.at)"
      :y="y"
      :width="width(1)"
      :height="STRIP"
      fill="url(#hatch)"
      class="over"
    >
      <title>{{ closed.label }}</title>
    </rect>
    <path
      v-for="at in strip.classDays"
      :key="at"
      :d="`M${x(at + 0.5)} ${isNew ? y : y + STRIP}v${isNew ? -4 : 4}`"
      class="tick"
    />
    <g v-if="strip.today !== null" class="today">
      <path :d="`M${x(strip.today + 0.5)} ${y - 8}V${y + STRIP + 8}`" />
      <text :x="x(strip.today + 0.5)" :y="isNew ? y + STRIP + 20 : y - 12" text-anchor="middle">today</text>
    </g>
  </g>
</template>

<style scoped>
text {
  font: 12.5px var(--sans);
  font-variant-numeric: tabular-nums;
}

text.quiet {
  fill: var(--quiet);
}

text.term {
  font: 500 15px var(--serif);
  fill: var(--ink);
}

.over {
  pointer-events: none;
}

.week {
  fill: var(--raised);
  stroke: var(--rule);
}

.week.pick {
  cursor: pointer;
}

.week.exam {
  fill: var(--exam);
}

.week.outside {
  fill: none;
  stroke: var(--rule-faint);
}

.week.narrowed {
  stroke: var(--indigo);
  stroke-width: 2;
}

.load-old {
  fill: var(--load-old);
}

.load-new {
  fill: var(--load-new);
}

.piled {
  fill: var(--load-piled);
}

.doubt-text {
  fill: var(--weld-ink);
}

.today path {
  stroke: var(--ink);
  stroke-width: 2;
}

.today text {
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 3px;
}

.tick {
  stroke: var(--ink);
}
</style>
