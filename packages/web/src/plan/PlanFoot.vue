<script setup lang="ts">
import { computed } from 'vue';
import { asRead } from '../shared/readersDates.js';
import { count } from '../shared/words.js';
import { usePlanStore } from './state/planStore.js';

const { knot } = defineProps<{ knot: string }>();
const plan = usePlanStore();

type Keys = readonly (readonly [key: string, what: string])[];
const KEYS: Readonly<Record<string, Keys>> = {
  '': [
    ['w', 'What'],
    ['n', 'When'],
    ['l', 'Left over'],
    ['?', 'keys'],
  ],
  what: [
    ['space', 'bring or leave'],
    ['← →', 'fold'],
    ['Enter', 'open'],
    ['Esc', 'the plan'],
    ['?', 'keys'],
  ],
  when: [
    [']', 'next doubt'],
    ['h', 'set by hand'],
    ['f', 'fine as it is'],
    ['?', 'keys'],
  ],
  'left-over': [
    ['w', 'What'],
    ['n', 'When'],
    ['Esc', 'the plan'],
    ['?', 'keys'],
  ],
};

/** Dates that were brought are only looked at, and their doubts settled. */
const LOOKING: Keys = [
  ['w', 'What'],
  ['l', 'Left over'],
  ['Esc', 'the plan'],
  ['?', 'keys'],
];
const SETTLING: Keys = [[']', 'next doubt'], ['f', 'fine as it is'], ...LOOKING.slice(2)];
const keys = computed(() => {
  if (knot !== 'when' || !plan.isDone) return KEYS[knot];
  return plan.preview!.causes.length === 0 ? LOOKING : SETTLING;
});

/** What and When have the list of what can be undone themselves. */
const isUndoneHere = computed(() => knot === '' || knot === 'left-over');

const words = computed(() => {
  const { toWrite } = plan.preview!;
  if (plan.isDone) return 'Taking it back leaves the shell exactly as it was.';
  if (toWrite === 0) return 'Nothing is written until you bring it.';
  const seconds = Math.ceil(toWrite / plan.view!.thingsPerSecond);
  return `About ${count(seconds, 'second')}. Nothing is written until you bring it.`;
});
</script>

<template>
  <footer class="foot">
    <span v-if="knot !== 'what'">{{ words }}</span>
    <span v-if="isUndoneHere && plan.undoable">
      <button class="plain-link" :title="`Undo: ${plan.undoable}`" @click="plan.undo">undo</button>
      {{ asRead(plan.undoable) }}
    </span>
    <span v-if="knot === 'what'" class="legend">
      <span
        ><svg width="34" height="8" aria-hidden="true"><path d="M0 4H34" class="comes" /></svg>comes</span
      >
      <span
        ><svg width="34" height="8" aria-hidden="true"><path d="M0 4H34" class="stays" /></svg>stays behind</span
      >
      <span
        ><svg width="34" height="8" aria-hidden="true"><path d="M0 2H34M0 6H34" class="joins" /></svg>joins what is
        here</span
      >
      <span
        ><svg width="34" height="10" aria-hidden="true">
          <path d="M0 5H13M21 5H34M12 9l3 -8M18 9l3 -8" class="needs" /></svg
        >needs you</span
      >
      <span
        ><svg width="34" height="8" aria-hidden="true"><path d="M0 4H34" class="own" /></svg>the shell’s own</span
      >
    </span>
    <span class="keys">
      <span v-for="[key, what] in keys" :key="key"
        ><kbd>{{ key }}</kbd> {{ what }}</span
      >
    </span>
  </footer>
</template>

<style scoped>
.foot {
  flex: none;
  height: 36px;
  display: flex;
  align-items: center;
  gap: 24px;
  padding: 0 var(--margin);
  border-top: 1px solid var(--rule);
  background: var(--raised);
  color: var(--quiet);
  font-size: 13px;
  white-space: nowrap;
  overflow: hidden;
}

.legend,
.keys {
  display: flex;
  gap: 14px;
}

.keys {
  margin-left: auto;
}

svg {
  margin-right: 6px;
  vertical-align: middle;
}

path {
  fill: none;
  stroke-width: 1.6;
}

.comes {
  stroke: var(--indigo);
}

.stays {
  stroke: var(--ash);
  stroke-dasharray: 4 4;
}

.joins {
  stroke: var(--woad);
}

.needs {
  stroke: var(--madder);
}

.own {
  stroke: var(--ash);
  stroke-dasharray: 1.5 4;
}

@media (max-width: 720px) {
  .keys {
    display: none;
  }
}
</style>
