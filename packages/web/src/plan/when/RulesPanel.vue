<script setup lang="ts">
import { type PlanSourceView, type PlanPolicy, type PolicyEffect, type RuleName } from '@yarin/core';
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../planStore.js';
import { RULE_WORDS, weekdayMapWords, withNarrow } from '../planWords.js';
import ClassDayMaps from './ClassDayMaps.vue';
import { mapsInForce } from './sectionMaps.js';

/** Other rules and class-day maps, each with what it would do before it is taken. */
const { from, policy } = defineProps<{ from: PlanSourceView; policy: PlanPolicy }>();
const emit = defineEmits<{ take: [policy: PlanPolicy, what: string] }>();

const plan = usePlanStore();
const course = computed(() => from.source.course.id);
const mayChange = computed(() => plan.view!.right.may);

interface Option {
  readonly words: string;
  readonly policy: PlanPolicy;
  readonly isProposed: boolean;
}
const maps = computed(() => mapsInForce(policy, from.source, plan.view!.shell));
const keyOf = (each: PlanPolicy): string => `${each.rule ?? 'week'} ${weekdayMapWords(each)}`;

/** What was proposed and what came close, then every rule with the map that holds now; each once, without the one in force. */
const options = computed((): readonly Option[] => {
  const { proposed, others } = from.suggestion;
  const { weekdays, sections, landing, hour } = policy;
  const kept = withNarrow({ ...(landing && { landing }), ...(hour && { hour }) }, policy);
  const tried = [proposed, ...others].map((option) => ({
    policy: { ...option.policy, ...kept },
    words: `${RULE_WORDS[option.policy.rule ?? 'week']}, ${weekdayMapWords(option.policy)}`,
    isProposed: option === proposed,
  }));
  const rules = (Object.keys(RULE_WORDS) as RuleName[]).map((rule) => ({
    policy: { ...(weekdays && { weekdays }), ...(sections && { sections }), ...kept, rule },
    words: RULE_WORDS[rule],
    isProposed: false,
  }));
  const seen = new Set([keyOf(policy)]);
  return [...tried, ...rules].filter(({ policy: each }) => !seen.has(keyOf(each)) && seen.add(keyOf(each)));
});

const effects = shallowRef<readonly (PolicyEffect | undefined)[]>([]);
/** Counts what was asked for, so that an older question ends where a newer one begins. */
let asking = 0;
/** Worked out one by one when the plan as it is was shown. */
watch(
  [options, (): unknown => plan.preview?.dates],
  async () => {
    const mine = ++asking;
    const found: (PolicyEffect | undefined)[] = [];
    for (const { policy: other } of options.value) {
      const effect = await plan.effectOf({ course: course.value, policy: other });
      if (mine !== asking) return;
      found.push(effect);
    }
    effects.value = found;
  },
  { immediate: true },
);
onBeforeUnmount(() => void asking++);

function effectWords(at: number): string {
  const effect = effects.value[at];
  if (effect === undefined) return '…';
  const differs = effect.differs === 0 ? 'no date' : count(effect.differs, 'date');
  return `${differs} would go elsewhere, ${count(effect.doubts, 'date')} in doubt`;
}

const setHour = (event: Event): void =>
  emit(
    'take',
    { ...policy, hour: (event.target as HTMLSelectElement).value as 'follow' | 'keep' },
    'another way with hours',
  );
</script>

<template>
  <section class="rules" aria-label="Other rules">
    <template v-if="mayChange">
      <ClassDayMaps :maps="maps" @map="(...given) => plan.setMap(course, ...given)" />
      <label class="hours">
        hours of class
        <select :value="policy.hour ?? 'follow'" aria-label="What is due at the hour of class" @change="setHour">
          <option value="follow">move with the class</option>
          <option value="keep">stay as they are</option>
        </select>
      </label>
    </template>
    <ul>
      <li v-for="(option, at) in options" :key="option.words">
        <span> {{ option.words }} <small v-if="option.isProposed" class="quiet">proposed</small> </span>
        <span class="quiet">{{ effectWords(at) }}</span>
        <button v-if="mayChange" class="plain-link" @click="emit('take', option.policy, `dates by ${option.words}`)">
          take this
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.rules {
  padding: 2px var(--margin) 8px;
}

.hours {
  display: block;
  padding-bottom: 6px;
}

ul {
  list-style: none;
  max-height: 190px;
  margin: 0;
  padding: 0;
  overflow: auto;
}

li {
  display: grid;
  grid-template-columns: minmax(0, 420px) minmax(0, 1fr) auto;
  gap: 16px;
  padding: 3px 0;
  border-top: 1px solid var(--rule-faint);
}
</style>
