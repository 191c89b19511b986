<script setup lang="ts">
import { weekdayWord, type WeekdayMap } from '@yarin/core';
import { count } from '../../shared/words.js';
import type { DayLines } from './classDays.js';
import WeekdayTrack from './WeekdayTrack.vue';

/** Where each old class day goes, series by series, and the other weekdays; of one section in a shell that several share. */
const { groups, map, section, mayChange } = defineProps<{
  groups: readonly DayLines[];
  map: WeekdayMap;
  section: string | undefined;
  mayChange: boolean;
}>();
const emit = defineEmits<{
  map: [section: string | undefined, weekdays: WeekdayMap, what: string];
  try: [section: string | undefined, weekdays: WeekdayMap | null];
}>();

function withDay(weekday: number, to: number): WeekdayMap {
  const { [String(weekday)]: _, ...others } = map;
  return to === weekday ? others : { ...others, [weekday]: to };
}
function set(weekday: number, to: number): void {
  const of = section === undefined ? '' : ` for section ${section}`;
  emit('map', section, withDay(weekday, to), `${weekdayWord(weekday)} to ${weekdayWord(to)}${of}`);
}
const labelOf = (name: string, weekday: number): string =>
  `${weekdayWord(weekday)} of ${name} goes to${section === undefined ? '' : `, section ${section}`}`;
</script>

<template>
  <h3 v-if="section !== undefined">section {{ section }}</h3>
  <template v-for="group in groups" :key="group.name">
    <p class="name">{{ group.name }}</p>
    <div v-for="line in group.lines" :key="line.weekday" class="line">
      <span
        ><b>{{ weekdayWord(line.weekday) }}</b> {{ line.hour
        }}<small class="quiet">{{ count(line.count, 'date') }}</small></span
      >
      <WeekdayTrack
        :from="line.weekday"
        :to="line.to"
        :class-days="line.classDays"
        :label="labelOf(group.name, line.weekday)"
        :may-change="mayChange"
        @set="(to) => set(line.weekday, to)"
        @try="(to) => emit('try', section, to === null ? null : withDay(line.weekday, to))"
      />
      <span
        ><b>{{ weekdayWord(line.to) }}</b> {{ line.newHour }}</span
      >
    </div>
  </template>
</template>

<style scoped>
h3 {
  margin: 6px 0 0;
  font: 600 13.5px var(--sans);
}

.name {
  margin: 6px 0 0;
  color: var(--quiet);
}

.line {
  display: grid;
  grid-template-columns: 84px auto minmax(0, 1fr);
  gap: 10px;
  align-items: center;
}

b {
  font-weight: 600;
}

small {
  display: block;
}
</style>
