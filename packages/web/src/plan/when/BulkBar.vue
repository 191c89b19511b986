<script setup lang="ts">
import { KIND_WORDS, type Kind, type PreviewDate, type RuleName } from '@yarin/core';
import { computed, ref } from 'vue';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';
import { RULE_WORDS } from '../state/planWords.js';
import type { Reach } from '../state/usePlanDates.js';
import type { Moves } from '../../shared/dates/bulkMoves.js';
import MoveControls from '../../shared/dates/MoveControls.vue';

/** What can be done to many dates at once. Everything here can be undone. */
const { dates, all } = defineProps<{
  dates: readonly PreviewDate[];
  /** All dates of the plan, for the load of a day. */
  all: readonly PreviewDate[];
}>();
const emit = defineEmits<{ done: [] }>();

const plan = usePlanStore();
const reach = ref<Reach>('byItem');
/** Those that move; work that never had a date can only be given one. */
const dated = computed(() => dates.filter(({ from }) => from !== ''));
const words = computed(() => count(dated.value.length, 'date'));
const without = computed(() => {
  const bare = dates.length - dated.value.length;
  return bare === 0 ? '' : `, and ${count(bare, 'work', 'works')} without one`;
});

const kinds = computed(() => [...new Set(dated.value.map(({ kind }) => kind))]);
const things = computed(() => new Set(dated.value.map(({ item }) => item)).size);
const reaches = computed((): readonly { readonly value: Reach; readonly words: string }[] => [
  { value: 'byItem', words: things.value === 1 ? 'this thing' : `these ${things.value} things` },
  {
    value: 'byKind',
    words: `all ${kinds.value.map((kind) => KIND_WORDS[kind as Kind].many).join(' and ')}`,
  },
  { value: 'byUnit', words: 'all of their unit' },
]);

function move(moves: Moves, how: string): void {
  plan.setByHand(moves, `move ${count(Object.keys(moves).length, 'date')} ${how}`);
}
function otherRule(event: Event): void {
  const field = event.target as HTMLSelectElement;
  const rule = field.value === 'rest' ? undefined : { rule: field.value as RuleName };
  field.value = '';
  const which = reaches.value.find(({ value }) => value === reach.value)!.words;
  plan.goOtherwise(reach.value, dated.value, rule, `another rule for ${which}`);
}
</script>

<template>
  <div class="bulk" role="group" :aria-label="`${words} chosen${without}`">
    <b :title="`${words}${without}`">{{ words }}</b>
    <MoveControls :dates="dates" :loads="all" :time="plan.view!.shell" @move="move" />
    <span class="rule">
      <select aria-label="By another rule" @change="otherRule">
        <option value="" selected disabled>other rule</option>
        <option value="rest">as the rest</option>
        <option v-for="(each, rule) in RULE_WORDS" :key="rule" :value="rule">{{ each }}</option>
      </select>
      for
      <select v-model="reach" aria-label="How far another rule reaches">
        <option v-for="each in reaches" :key="each.value" :value="each.value">{{ each.words }}</option>
      </select>
    </span>
    <button class="plain-link" @click="plan.backToRule(dates)">back to the rule</button>
    <button class="plain-link" @click="emit('done')">choose none</button>
    <button class="plain-link takes" @click="plan.goOtherwise('byItem', dated, { rule: 'clear' }, `clear ${words}`)">
      take {{ dated.length === 1 ? 'its date' : 'their dates' }} away
    </button>
  </div>
</template>

<style scoped>
.bulk {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}

b {
  font-weight: 600;
  color: var(--ink);
}

.rule {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

.takes {
  margin-left: 8px;
  padding-left: 16px;
  border-left: 1px solid var(--rule);
  color: var(--madder);
}

.rule select {
  max-width: 132px;
}
</style>
