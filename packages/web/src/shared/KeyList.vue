<script setup lang="ts">
import { ref } from 'vue';
import { useKeys } from './useKeys.js';

const KEYS: readonly (readonly [string, string])[] = [
  ['/', 'find a course, or anything in one'],
  ['d', 'the Desk'],
  ['w', 'What comes'],
  ['n', 'When it is due'],
  ['l', 'Left over'],
  ['Esc', 'back to the plan'],
  ['↑ ↓', 'up and down in a list'],
  ['space', 'bring or leave; of the shell’s own, keep or take out'],
  ['← →', 'fold and unfold; with Shift, all'],
  ['Ctrl Z', 'undo a choice; with Shift, do it again'],
  ['Enter', 'open'],
  ['Alt ↑ ↓', 'move a thing among its neighbours'],
  ['Alt → ←', 'into a unit, and out of it'],
  ['h', 'set a date by hand'],
  ['[ ]', 'previous and next doubt'],
  ['space', 'among dates: choose one'],
  ['Shift ↑ ↓', 'choose a stretch of dates or days'],
  ['Ctrl A', 'choose all dates'],
  ['Ctrl V', 'paste a column of dates'],
  ['f', 'fine as it is'],
  ['?', 'this list'],
];

const isOpen = ref(false);
useKeys({ '?': () => (isOpen.value = true) });
</script>

<template>
  <ElDialog v-model="isOpen" title="Keys" width="420px">
    <dl class="keys">
      <template v-for="[key, what] in KEYS" :key="what">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
    <p class="quiet small">No key brings anything or takes anything back.</p>
  </ElDialog>
</template>

<style scoped>
.keys {
  display: grid;
  grid-template-columns: 80px 1fr;
  gap: 6px 12px;
  margin: 0 0 12px;
}

.keys dd {
  margin: 0;
}
</style>
