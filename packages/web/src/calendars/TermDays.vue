<script setup lang="ts">
import { parseDay, weekdayWord, type Calendar } from '@yarin/core';
import DayField from '../shared/dates/DayField.vue';
import { dayWordsWithYear } from '../shared/readersDates.js';

/** Name, first and last day, zone and how weeks are cut. A part takes zone and weeks from its term. */
const { draft, isPart, movable } = defineProps<{ draft: Calendar; isPart: boolean; movable: boolean }>();
const emit = defineEmits<{ change: [calendar: Calendar, what: string] }>();

const DAYS = [
  ['firstDay', 'first day'],
  ['lastDay', 'last day'],
] as const;
const ZONES = Intl.supportedValuesOf('timeZone');
const WEEK_STARTS = [1, 7, 6];

function set(name: keyof Calendar, value: string | number, what: string): void {
  if (draft[name] !== value) emit('change', { ...draft, [name]: value }, what);
}
</script>

<template>
  <div v-if="movable" class="days">
    <label
      >name
      <input
        :value="draft.name"
        maxlength="200"
        @change="set('name', ($event.target as HTMLInputElement).value.trim() || draft.name!, 'another name')"
      />
    </label>
    <label v-for="[name, words] in DAYS" :key="name">
      {{ words }}
      <DayField
        :model-value="draft[name]"
        :label="words"
        :time="{ calendar: draft, meetings: [] }"
        :sheet-choices="{ weeksBeyond: 4, isOfEnds: true }"
        @update:model-value="(date) => set(name, date, `another ${words}`)"
      />
    </label>
    <template v-if="!isPart">
      <label
        >time zone
        <select
          :value="draft.timeZone"
          @change="set('timeZone', ($event.target as HTMLSelectElement).value, 'another time zone')"
        >
          <option v-for="zone in ZONES" :key="zone" :value="zone">{{ zone }}</option>
        </select>
      </label>
      <label title="Sunday only where work due on a Sunday belongs to the week that follows"
        >weeks start on
        <select
          :value="draft.weekStartsOn ?? 1"
          @change="set('weekStartsOn', Number(($event.target as HTMLSelectElement).value), 'weeks cut otherwise')"
        >
          <option v-for="day in WEEK_STARTS" :key="day" :value="day">{{ weekdayWord(day) }}</option>
        </select>
      </label>
    </template>
  </div>
  <p v-else class="days quiet">
    {{ dayWordsWithYear(parseDay(draft.firstDay)) }} – {{ dayWordsWithYear(parseDay(draft.lastDay)) }} ·
    {{ draft.timeZone }}
  </p>
</template>

<style scoped>
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
  padding: 8px 0 10px;
}

label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  font-size: 13px;
  color: var(--quiet);
}
</style>
