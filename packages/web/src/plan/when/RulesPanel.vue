<script setup lang="ts">
import {
  indexTerms,
  type Landing,
  type PlanSourceView,
  type PlanPolicy,
  type PolicyEffect,
  type PreviewDate,
  type RuleName,
  type WeekdayMap,
} from '@yarin/core';
import { computed, onBeforeUnmount, shallowRef, watch } from 'vue';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';
import { RULE_WORDS, wayWords, weekdayMapWords, withNarrow } from '../state/planWords.js';
import ClassDayMaps from './ClassDayMaps.vue';
import { changeWords, dayLines } from './classDays.js';
import { classDaysFor, mapsInForce } from './sectionMaps.js';

/** Class days and other rules beside the weave, each with what it would do: seen there before it is taken. */
const { from, policy } = defineProps<{ from: PlanSourceView; policy: PlanPolicy }>();
const emit = defineEmits<{
  take: [policy: PlanPolicy, what: string];
  /** What the dates would be while something is looked at; `null` again. */
  try: [dates: readonly PreviewDate[] | null];
  close: [];
}>();

const plan = usePlanStore();
const course = computed(() => from.source.course.id);
const mayChange = computed(() => plan.view!.right.may);

interface Option {
  readonly words: string;
  readonly policy: PlanPolicy;
  readonly isProposed: boolean;
}
const maps = computed(() => mapsInForce(policy, from.source, plan.view!.shell));
const ownDates = computed(() =>
  plan.preview!.dates.filter(({ item }) => plan.sources.length < 2 || plan.originOf(item).course === course.value),
);
const groupsOf = ({ section, map }: { section: string | undefined; map: WeekdayMap }) => {
  const { source, destination } = classDaysFor(section, from.source, plan.view!.shell);
  const dates = ownDates.value.filter(
    ({ for: people }) => section === undefined || people === undefined || people === section,
  );
  return dayLines(indexTerms(source, destination), dates, map);
};
const keyOf = (each: PlanPolicy): string => `${each.rule ?? 'week'} ${weekdayMapWords(each)}`;

/** What was proposed and what came close, then every rule with the map that holds now; each once, without the one in force. */
const options = computed((): readonly Option[] => {
  const { proposed, others } = from.suggestion;
  const { weekdays, sections, landing, hour } = policy;
  const kept = withNarrow({ ...(landing && { landing }), ...(hour && { hour }) }, policy);
  const tried = [proposed, ...others].map((option) => ({
    policy: { ...option.policy, ...kept },
    words: wayWords(option.policy),
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
let trying = 0;
async function look(other: PlanPolicy | null): Promise<void> {
  const mine = ++trying;
  if (other === null) {
    emit('try', null);
    return;
  }
  const effect = await plan.effectOf({ course: course.value, policy: other });
  if (mine === trying && effect !== undefined) emit('try', effect.dates);
}
function lookAt(at: number | null): void {
  trying++;
  emit('try', at === null ? null : (effects.value[at]?.dates ?? null));
}
onBeforeUnmount(() => {
  asking++;
  trying++;
  emit('try', null);
});

function withMap(section: string | undefined, weekdays: WeekdayMap): PlanPolicy {
  return section === undefined
    ? { ...policy, weekdays }
    : { ...policy, sections: { ...policy.sections, [section]: weekdays } };
}

function effectWords(at: number): string {
  const effect = effects.value[at];
  if (effect === undefined) return '…';
  const differs =
    effect.differs === 0 ? 'no date goes elsewhere' : `${count(effect.differs, 'date goes', 'dates go')} elsewhere`;
  const { better, worse } = changeWords(effect);
  return [differs, better === '' ? '' : `better: ${better}`, worse === '' ? '' : `worse: ${worse}`]
    .filter((words) => words !== '')
    .join(' · ');
}

const LANDINGS: readonly { value: Landing | 'usual'; label: string }[] = [
  { value: 'usual', label: 'nearest teaching day, next class' },
  { value: 'next', label: 'next teaching day or class' },
  { value: 'previous', label: 'teaching day or class before' },
  { value: 'nearest', label: 'nearest teaching day or class' },
  { value: 'meeting', label: 'next class for everything' },
  { value: 'stay', label: 'stay on it' },
];
function setLanding(event: Event): void {
  const value = (event.target as HTMLSelectElement).value as Landing | 'usual';
  const { landing: _, ...others } = policy;
  emit('take', value === 'usual' ? others : { ...others, landing: value }, 'another landing');
}
const setHour = (event: Event): void =>
  emit(
    'take',
    { ...policy, hour: (event.target as HTMLSelectElement).value as 'follow' | 'keep' },
    'another way with hours',
  );
</script>

<template>
  <aside class="rules" aria-label="Class days and rules" @mouseleave="lookAt(null)">
    <p class="top"><b>Class days</b><button class="plain-link" @click="emit('close')">close</button></p>
    <ClassDayMaps
      v-for="each in maps"
      :key="each.section ?? ''"
      :groups="groupsOf(each)"
      :map="each.map"
      :section="each.section"
      :may-change="mayChange"
      @map="(...given) => plan.setMap(course, ...given)"
      @try="(section, weekdays) => look(weekdays === null ? null : withMap(section, weekdays))"
    />
    <template v-if="mayChange">
      <label>
        a closed day
        <select
          :value="policy.landing ?? 'usual'"
          aria-label="Where a date lands that comes to a closed day"
          @change="setLanding"
        >
          <option v-for="each in LANDINGS" :key="each.value" :value="each.value">{{ each.label }}</option>
        </select>
      </label>
      <label>
        hours of class
        <select :value="policy.hour ?? 'follow'" aria-label="What is due at the hour of class" @change="setHour">
          <option value="follow">move with the class</option>
          <option value="keep">stay as they are</option>
        </select>
      </label>
    </template>
    <p class="top"><b>Other rules</b></p>
    <ul>
      <li
        v-for="(option, at) in options"
        :key="option.words"
        @mouseenter="lookAt(at)"
        @focusin="lookAt(at)"
        @focusout="lookAt(null)"
      >
        <button
          class="plain-link"
          :disabled="!mayChange"
          :aria-label="`Take this: ${option.words}. ${effectWords(at)}`"
          @click="emit('take', option.policy, `dates by ${option.words}`)"
        >
          {{ option.words }}
        </button>
        <small v-if="option.isProposed" class="quiet"> proposed</small>
        <span class="quiet effect">{{ effectWords(at) }}</span>
      </li>
    </ul>
  </aside>
</template>

<style scoped>
.rules {
  flex: none;
  width: 356px;
  padding: 4px 14px 10px var(--margin);
  border-right: 1px solid var(--rule);
  background: var(--raised);
  font-size: 13.5px;
  overflow: hidden auto;
}

.top {
  display: flex;
  justify-content: space-between;
  margin: 8px 0 0;
}

.top b {
  font-weight: 600;
}

label {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  align-items: center;
  padding-top: 5px;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  padding: 4px 0;
  border-top: 1px solid var(--rule-faint);
}

li .plain-link {
  white-space: normal;
  text-align: left;
}

li:hover,
li:focus-within {
  background: var(--row-focus);
}

.effect {
  display: block;
  font-size: 13px;
}

button:disabled {
  color: inherit;
}

@media (max-width: 900px) {
  .rules {
    width: auto;
    border-right: 0;
    border-bottom: 1px solid var(--rule);
  }
}
</style>
