<script setup lang="ts">
import { weekdayWord, type WeekdayMap } from '@yarin/core';
import type { MapInForce } from './sectionMaps.js';

/** Where each weekday goes; in a shell that several sections share, section by section. */
defineProps<{ maps: readonly MapInForce[] }>();
const emit = defineEmits<{ map: [section: string | undefined, weekdays: WeekdayMap, what: string] }>();

const WEEKDAYS = [1, 2, 3, 4, 5, 6, 7];

function change({ section, map }: MapInForce, weekday: number, event: Event): void {
  const to = Number((event.target as HTMLSelectElement).value);
  const { [String(weekday)]: _, ...others } = map;
  const of = section === undefined ? '' : ` for section ${section}`;
  const what = `${weekdayWord(weekday)} to ${weekdayWord(to)}${of}`;
  emit('map', section, to === weekday ? others : { ...others, [weekday]: to }, what);
}
</script>

<template>
  <p v-for="each in maps" :key="each.section ?? ''" class="map">
    <b v-if="each.section !== undefined">section {{ each.section }}</b>
    <label v-for="weekday in WEEKDAYS" :key="weekday">
      {{ weekdayWord(weekday) }} →
      <select
        :value="each.map[String(weekday)] ?? weekday"
        :aria-label="`${weekdayWord(weekday)} goes to${each.section === undefined ? '' : `, section ${each.section}`}`"
        @change="change(each, weekday, $event)"
      >
        <option v-for="to in WEEKDAYS" :key="to" :value="to">{{ weekdayWord(to) }}</option>
      </select>
    </label>
  </p>
</template>

<style scoped>
.map {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  padding: 2px 0 6px;
}

b {
  min-width: 74px;
  font-weight: 600;
}
</style>
