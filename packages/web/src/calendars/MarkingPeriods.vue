<script setup lang="ts">
import { formatDay, parseDay, type Calendar } from '@yarin/core';
import { computed } from 'vue';
import DayField from '../shared/dates/DayField.vue';
import { dayWords } from '../shared/readersDates.js';

/** Marking periods: a graded date that comes to another one is a doubt. */
const { draft, holding, movable } = defineProps<{ draft: Calendar; holding: Calendar; movable: boolean }>();
const emit = defineEmits<{ change: [calendar: Calendar, what: string] }>();

type Period = NonNullable<Calendar['periods']>[number];
const own = computed(() => draft.periods ?? []);
const shown = computed(() => holding.periods ?? []);
const isInherited = computed(() => own.value.length === 0 && shown.value.length > 0);

const set = (periods: readonly Period[], what: string): void =>
  emit('change', { ...draft, periods: [...periods] }, what);

/** Two halves to begin with; after that one more behind the last. */
function add(): void {
  const { firstDay, lastDay } = holding;
  if (own.value.length === 0) {
    const middle = Math.floor((parseDay(firstDay) + parseDay(lastDay)) / 2);
    const halves = [
      { name: 'First half', from: firstDay, to: formatDay(middle) },
      { name: 'Second half', from: formatDay(middle + 1), to: lastDay },
    ];
    return set(halves, 'two marking periods');
  }
  const last = own.value.at(-1)!;
  const from = formatDay(Math.min(parseDay(last.to) + 1, parseDay(lastDay)));
  set([...own.value, { name: `Period ${own.value.length + 1}`, from, to: lastDay }], 'one more marking period');
}
const change = (at: number, part: Partial<Period>): void =>
  set(
    own.value.map((period, index) => (index === at ? { ...period, ...part } : period)),
    `${own.value[at]!.name} changed`,
  );
const take = (at: number): void => set(own.value.toSpliced(at, 1), `${own.value[at]!.name} taken out`);
</script>

<template>
  <section aria-label="Marking periods">
    <h2>
      Marking periods
      <small v-if="isInherited" class="beside">from its term</small>
    </h2>
    <template v-if="movable && !isInherited">
      <p v-for="(period, at) in own" :key="at" class="setting">
        <input
          :value="period.name"
          maxlength="100"
          :aria-label="`Name of marking period ${at + 1}`"
          @change="change(at, { name: ($event.target as HTMLInputElement).value.trim() || period.name })"
        />
        <DayField
          v-for="side in ['from', 'to'] as const"
          :key="side"
          :model-value="period[side]"
          :time="{ calendar: holding, meetings: [] }"
          :label="`${period.name}, ${side === 'from' ? 'first' : 'last'} day`"
          @update:model-value="(date) => change(at, { [side]: date })"
        />
        <button class="plain-link" @click="take(at)">take out</button>
      </p>
    </template>
    <p v-for="period in movable && !isInherited ? [] : shown" :key="period.name">
      {{ period.name }}
      <span class="quiet">{{ dayWords(parseDay(period.from)) }} – {{ dayWords(parseDay(period.to)) }}</span>
    </p>
    <p v-if="shown.length === 0" class="quiet small">None: no date is asked about because of them.</p>
    <button v-if="movable" class="plain-link" @click="add">
      {{ own.length === 0 ? 'two halves' : 'one more' }}
    </button>
  </section>
</template>

<style scoped>
input {
  width: 130px;
}
</style>
