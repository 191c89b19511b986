<script setup lang="ts">
import { weekdayWord, type Landing, type PlanSourceView, type PlanPolicy } from '@yarin/core';
import { computed, ref } from 'vue';
import { usePlanStore } from '../planStore.js';
import { ruleWords, weekdayMapWords, withNarrow } from '../planWords.js';
import NarrowRules from './NarrowRules.vue';
import RulesPanel from './RulesPanel.vue';
import { mapsInForce, withSectionMaps } from './sectionMaps.js';
import SheetPanel from './SheetPanel.vue';

/** The source whose dates it is about. */
const { from } = defineProps<{ from: PlanSourceView }>();

const plan = usePlanStore();
const isOpen = ref(false);
const hasSheet = ref(false);

const LANDINGS: readonly { value: Landing; label: string }[] = [
  { value: 'next', label: 'next teaching day' },
  { value: 'previous', label: 'teaching day before' },
  { value: 'nearest', label: 'nearest teaching day' },
  { value: 'meeting', label: 'next class day' },
  { value: 'stay', label: 'stay on it' },
];

const suggestion = computed(() => from.suggestion);
const course = computed(() => from.source.course.id);
const policy = computed(() => withSectionMaps(plan.policies[course.value]!, from.source, plan.view!.shell));
/** Rules for single things, kinds or units stand beside the rule for all the rest. */
const isProposed = computed(() => isSame(policy.value, suggestion.value.proposed.policy));
const basis = (each: PlanPolicy): string => {
  const { rule = 'week', landing = 'next', hour = 'follow' } = each;
  return JSON.stringify([rule, weekdayMapWords(each), landing, hour]);
};
const isSame = (a: PlanPolicy, b: PlanPolicy): boolean => basis(a) === basis(b);
const rule = computed(() => {
  const words = ruleWords(policy.value);
  return words[0]!.toUpperCase() + words.slice(1);
});
/** The class-day map as it is read; in a shared shell one for each section. */
const maps = computed(() =>
  mapsInForce(policy.value, from.source, plan.view!.shell).map(({ section, map }) => ({
    section,
    days: Object.entries(map).map(([day, to]) => `${weekdayWord(Number(day))} → ${weekdayWord(to)}`),
  })),
);
const landing = computed({
  get: () => policy.value.landing ?? 'next',
  set: (value: Landing) => plan.decidePolicy(course.value, { ...policy.value, landing: value }, 'another landing'),
});

const hasNarrow = computed(() =>
  [policy.value.byItem, policy.value.byKind, policy.value.byUnit].some((rules) => Object.keys(rules ?? {}).length > 0),
);
const backToProposal = (): void =>
  plan.decidePolicy(
    course.value,
    hasNarrow.value ? withNarrow(suggestion.value.proposed.policy, policy.value) : undefined,
    'the proposed rule again',
  );
</script>

<template>
  <div class="bar">
    <div class="line">
      <b>{{ rule }}</b>
      <span v-for="{ section, days } in maps" :key="section ?? ''" class="days">
        <span v-if="section !== undefined">section {{ section }}</span>
        <span v-for="day in days" :key="day" class="day">{{ day }}</span>
        <span v-if="days.length === 0" class="day">same weekday</span>
      </span>
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
        <RouterLink
          class="plain-link"
          :to="{ name: 'course', params: { id: plan.view!.shell.course.id, part: 'class-days' } }"
          >calendar</RouterLink
        >
        <button class="plain-link" :aria-expanded="isOpen" @click="isOpen = !isOpen">other rules</button>
        <button class="plain-link" :aria-expanded="hasSheet" @click="hasSheet = !hasSheet">sheet</button>
      </span>
    </div>
    <NarrowRules :course="course" :policy="policy" />
    <SheetPanel v-if="hasSheet" />
    <RulesPanel
      v-if="isOpen"
      :from="from"
      :policy="policy"
      @take="(next, what) => plan.decidePolicy(course, next, what)"
    />
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

.days {
  display: flex;
  gap: 6px;
  align-items: center;
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
</style>
