<script setup lang="ts">
import { CLOSURE_WORDS, closureName, parseDay, weekdayWord, type Calendar, type Closure } from '@yarin/core';
import { computed } from 'vue';
import { changeClosure, closureWords, removeClosure, runAs } from './draft.js';
import DayField from '../shared/dates/DayField.vue';
import { dayWords } from '../shared/readersDates.js';

/** Closed days and swapped ones in their order; what is inherited can be seen, not changed. */
const { draft, holding, movable, from } = defineProps<{
  draft: Calendar;
  holding: Calendar;
  movable: boolean;
  /** Where what is inherited comes from. */
  from: string;
}>();
const emit = defineEmits<{ change: [calendar: Calendar, what: string] }>();

const KINDS = Object.keys(CLOSURE_WORDS) as Closure['kind'][];
const isOwn = (closure: Closure): boolean => (draft.closures ?? []).includes(closure);
const closures = computed(() => [...(holding.closures ?? [])].sort((a, b) => a.from.localeCompare(b.from)));
const swaps = computed(() => holding.swaps ?? []);
const ownSwap = (date: string): boolean => (draft.swaps ?? []).some((swap) => swap.date === date);

function edit(closure: Closure, change: Partial<Closure>): void {
  const next = { ...closure, ...change };
  emit('change', changeClosure(draft, closure, change), `${closureWords(next)} changed`);
}
function setDay(closure: Closure, side: 'from' | 'to', date: string): void {
  const other = side === 'from' ? closure.to : closure.from;
  const isReversed = side === 'from' ? date > other : date < other;
  edit(closure, isReversed ? { from: date, to: date } : { [side]: date });
}
</script>

<template>
  <section aria-label="Closed days">
    <h2>
      Closed days
      <small class="beside">{{
        closures.length === 0 ? 'none yet: drag over days on the strip' : closures.length
      }}</small>
    </h2>
    <table class="facts">
      <thead v-if="closures.length > 0">
        <tr>
          <th scope="col">name</th>
          <th scope="col">kind</th>
          <th scope="col">first day</th>
          <th scope="col">last day</th>
          <th scope="col"><span class="visually-hidden">take out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(closure, at) in closures" :key="at">
          <template v-if="movable && isOwn(closure)">
            <td>
              <input
                class="bare"
                :value="closure.label ?? ''"
                maxlength="200"
                :placeholder="closureName(closure)"
                :aria-label="`Name of ${closureWords(closure)}`"
                @change="edit(closure, { label: ($event.target as HTMLInputElement).value.trim() })"
              />
            </td>
            <td>
              <select
                class="bare"
                :value="closure.kind"
                :aria-label="`Kind of ${closureWords(closure)}`"
                @change="edit(closure, { kind: ($event.target as HTMLSelectElement).value as Closure['kind'] })"
              >
                <option v-for="each in KINDS" :key="each" :value="each">{{ CLOSURE_WORDS[each] }}</option>
              </select>
            </td>
            <td v-for="side in ['from', 'to'] as const" :key="side" class="side">
              <DayField
                :model-value="closure[side]"
                :time="{ calendar: draft, meetings: [] }"
                :label="`${side === 'from' ? 'First' : 'Last'} day of ${closureWords(closure)}`"
                @update:model-value="(date) => setDay(closure, side, date)"
              />
            </td>
            <td>
              <button
                class="plain-link"
                @click="emit('change', removeClosure(draft, closure), `${closureWords(closure)} taken out`)"
              >
                take out
              </button>
            </td>
          </template>
          <template v-else>
            <td>{{ closureName(closure) }}</td>
            <td class="quiet">{{ CLOSURE_WORDS[closure.kind] }}</td>
            <td>{{ dayWords(parseDay(closure.from)) }}</td>
            <td>{{ dayWords(parseDay(closure.to)) }}</td>
            <td class="quiet small whose">{{ isOwn(closure) ? '' : from }}</td>
          </template>
        </tr>
        <tr v-for="swap in swaps" :key="swap.date">
          <td colspan="2">runs as {{ weekdayWord(swap.runsAs) }}</td>
          <td colspan="2">{{ dayWords(parseDay(swap.date)) }}</td>
          <td>
            <button
              v-if="movable && ownSwap(swap.date)"
              class="plain-link"
              @click="
                emit('change', runAs(draft, swap.date, null), `${dayWords(parseDay(swap.date))} runs as itself again`)
              "
            >
              take out
            </button>
            <span v-else-if="!ownSwap(swap.date)" class="quiet small whose">{{ from }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
section {
  overflow-x: auto;
}

td {
  height: 28px;
  padding: 0 8px 0 0;
  border-top: 1px solid var(--rule-faint);
}

.bare {
  width: 100%;
  height: 24px;
  padding: 0 2px;
  border: 1px solid transparent;
  border-radius: 3px;
  background: none;
  font: inherit;
  color: inherit;
}

.bare:hover,
.bare:focus {
  border-color: var(--rule);
  background: var(--raised);
}

.side,
.whose {
  white-space: nowrap;
}

.side > .small {
  display: inline-block;
  width: 30px;
}
</style>
