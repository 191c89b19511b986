<script setup lang="ts">
import { weekdayWord, type Landing, type PlanSourceView, type Policy } from '@yarin/core';
import { computed, ref } from 'vue';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../planStore.js';
import { ruleWords } from '../planWords.js';

/** The source whose dates it is about. */
const { from } = defineProps<{ from: PlanSourceView }>();

const plan = usePlanStore();
const isOpen = ref(false);

const LANDINGS: readonly { value: Landing; label: string }[] = [
  { value: 'next', label: 'next teaching day' },
  { value: 'previous', label: 'teaching day before' },
  { value: 'nearest', label: 'nearest teaching day' },
  { value: 'meeting', label: 'next class day' },
  { value: 'stay', label: 'stay on it' },
];

const suggestion = computed(() => from.suggestion);
const course = computed(() => from.source.course.id);
const policy = computed((): Policy => plan.policies[course.value]!);
const isProposed = computed(() => policy.value === suggestion.value.proposed.policy);
const rule = computed(() => {
  const words = ruleWords(policy.value);
  return words[0]!.toUpperCase() + words.slice(1);
});
const map = computed(() => Object.entries(policy.value.weekdays ?? {}));
const landing = computed({
  get: () => policy.value.landing ?? 'next',
  set: (value: Landing) => plan.decidePolicy(course.value, { ...policy.value, landing: value }, 'another landing'),
});

const backToProposal = (): void => plan.decidePolicy(course.value, undefined, 'the proposed rule again');
</script>

<template>
  <div class="bar">
    <div class="line">
      <b>{{ rule }}</b>
      <span v-for="[from, to] in map" :key="from" class="day"
        >{{ weekdayWord(Number(from)) }} → {{ weekdayWord(to) }}</span
      >
      <span v-if="map.length === 0" class="day">same weekday</span>
      <label class="landing">
        closed day:
        <ElSelect
          v-model="landing"
          size="small"
          class="select"
          aria-label="Where a date lands that comes to a closed day"
          :disabled="!plan.view!.right.may"
        >
          <ElOption v-for="each in LANDINGS" :key="each.value" :value="each.value" :label="each.label" />
        </ElSelect>
      </label>
      <span class="quiet">{{ isProposed ? `proposed: ${suggestion.reason}` : 'set by you' }}</span>
      <span class="right">
        <button v-if="!isProposed" class="plain-link" @click="backToProposal">as proposed</button>
        <button class="plain-link" :aria-expanded="isOpen" @click="isOpen = !isOpen">other rules</button>
      </span>
    </div>
    <ul v-if="isOpen">
      <li v-for="option in [suggestion.proposed, ...suggestion.others]" :key="option.words">
        <span>{{ option.words }}</span>
        <span class="quiet"
          >{{ count(option.doubts, 'doubt')
          }}{{ option.differs > 0 ? `, ${count(option.differs, 'date')} would differ` : ', the proposal' }}</span
        >
        <button class="plain-link" @click="plan.decidePolicy(course, option.policy, 'another rule')">take this</button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.bar {
  flex: none;
  border-bottom: 1px solid var(--rule);
  background: var(--raised);
  font-size: 13.5px;
}

.line {
  min-height: 40px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  padding: 4px var(--margin);
}

b {
  font-weight: 600;
}

.day {
  border: 1px solid var(--rule);
  border-radius: var(--corner);
  padding: 2px 9px;
  background: var(--paper);
}

.landing {
  display: flex;
  gap: 6px;
  align-items: center;
}

.select {
  width: 168px;
}

.right {
  margin-left: auto;
  display: flex;
  gap: 14px;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0 var(--margin) 8px;
}

li {
  display: grid;
  grid-template-columns: 380px 1fr auto;
  gap: 16px;
  padding: 4px 0;
  border-top: 1px solid var(--rule-faint);
}
</style>
