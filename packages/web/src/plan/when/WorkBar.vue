<script setup lang="ts">
import { isWork, WAYS, type Kind, type PreviewDate, type WorkSet } from '@yarin/core';
import { computed, reactive, ref } from 'vue';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';
import { hasTimeLimit, isHandedIn } from './workWords.js';

/** Points, category, attempts, time limit and ways of handing in, for all works among what is chosen. */
const { dates } = defineProps<{ dates: readonly PreviewDate[] }>();

const plan = usePlanStore();
const works = computed(() => [
  ...new Map(dates.filter(({ kind }) => isWork(kind as Kind)).map((date) => [date.item, date])).values(),
]);
const ids = (suits: (kind: string) => boolean = () => true): string[] =>
  works.value.filter(({ kind }) => suits(kind)).map(({ item }) => item);
const categories = computed(() => plan.source.items.filter(({ kind }) => kind === 'gradeCategory'));
const fields = reactive({ points: '', attempts: '', minutes: '' });
/** What was typed that is no such number, at its box. */
const trouble = ref<{ readonly name: keyof typeof fields; readonly words: string } | null>(null);
const ways = ref<readonly (typeof WAYS)[number][]>([]);

function set(items: readonly string[], change: WorkSet, what: string): void {
  if (items.length > 0) plan.setWork(items, change, `${what} for ${count(items.length, 'work')}`);
}
/** An empty field takes the value away. */
function setNumber(name: 'points' | 'attempts' | 'minutes', most: number): void {
  const text = fields[name].trim();
  const value = text === '' ? null : Number(text.replace(',', '.'));
  trouble.value = null;
  if (value !== null && !(value >= 0 && value <= most)) {
    trouble.value = { name, words: Number.isNaN(value) ? `“${text}” is no number.` : `From 0 to ${most}.` };
    return;
  }
  const words = value === null ? `no ${name}` : `${value} ${name}`;
  if (name === 'points') set(ids(), { points: value }, words);
  else if (name === 'minutes') set(ids(hasTimeLimit), { minutesAllowed: value === 0 ? null : value }, words);
  else
    set(
      ids((kind) => hasTimeLimit(kind) || isHandedIn(kind)),
      { attempts: value },
      words,
    );
}
function toCategory(event: Event): void {
  const field = event.target as HTMLSelectElement;
  const category = field.value;
  field.value = '';
  const title = categories.value.find(({ id }) => id === category)?.title ?? '';
  set(ids(), { category }, `category ${title}`);
}
function toggleWay(way: (typeof WAYS)[number]): void {
  ways.value = ways.value.includes(way) ? ways.value.filter((each) => each !== way) : [...ways.value, way];
}
</script>

<template>
  <div v-if="works.length > 0" class="work" role="group" :aria-label="`Set for ${count(works.length, 'work')}`">
    <b>{{ count(works.length, 'work') }}</b>
    <form @submit.prevent="setNumber('points', 100000)">
      <input v-model="fields.points" inputmode="decimal" class="short" aria-label="Points" placeholder="–" />
      <button class="plain-link" type="submit">points</button>
      <small v-if="trouble?.name === 'points'" class="trouble" role="alert">{{ trouble.words }}</small>
    </form>
    <select aria-label="Category" @change="toCategory">
      <option value="" selected disabled>category</option>
      <option v-for="category in categories" :key="category.id" :value="category.id">{{ category.title }}</option>
    </select>
    <form @submit.prevent="setNumber('attempts', 100)">
      <input v-model="fields.attempts" inputmode="numeric" class="short" aria-label="Attempts" placeholder="–" />
      <button class="plain-link" type="submit">attempts</button>
      <small v-if="trouble?.name === 'attempts'" class="trouble" role="alert">{{ trouble.words }}</small>
    </form>
    <form v-if="ids(hasTimeLimit).length > 0" @submit.prevent="setNumber('minutes', 1440)">
      <input v-model="fields.minutes" inputmode="numeric" class="short" aria-label="Minutes allowed" placeholder="–" />
      <button class="plain-link" type="submit">minutes</button>
      <small v-if="trouble?.name === 'minutes'" class="trouble" role="alert">{{ trouble.words }}</small>
    </form>
    <form
      v-if="ids(isHandedIn).length > 0"
      @submit.prevent="set(ids(isHandedIn), { ways: [...ways] }, `handed in as ${ways.join(', ')}`)"
    >
      <label v-for="way in WAYS" :key="way" class="choice">
        <input type="checkbox" :checked="ways.includes(way)" @change="toggleWay(way)" />{{ way }}
      </label>
      <button class="plain-link" type="submit" :disabled="ways.length === 0">ways</button>
    </form>
    <button
      class="plain-link"
      @click="plan.setWork(ids(), undefined, `as in the old course, ${count(works.length, 'work')}`)"
    >
      as in the old course
    </button>
  </div>
</template>

<style scoped>
.trouble {
  color: var(--madder);
}

.work {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  padding: 4px calc(var(--margin) + 8px) 0;
  font-size: 13px;
  color: var(--quiet);
}

b {
  font-weight: 600;
  color: var(--ink);
}

form {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

.short {
  width: 52px;
}

button:disabled {
  color: var(--ash-ink);
  cursor: default;
}
</style>
