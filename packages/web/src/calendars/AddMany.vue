<script setup lang="ts">
import type { Calendar, Closure, ReadClosures, TermCalendar } from '@yarin/core';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { fetchCountries, fetchHolidays, readClosures, type Region } from '../shared/api/calendars.js';
import { sentenceOf } from '../shared/api/client.js';
import { count } from '../shared/words.js';
import { addClosures, closuresFrom, closureWords, notThereYet } from './draft.js';

/** Closed days from elsewhere, many in one go: a region's holidays, another term, a list or a file. Nothing is doubled. */
const { draft, holding, terms } = defineProps<{
  draft: Calendar;
  holding: Calendar;
  /** Other terms that can be copied from. */
  terms: readonly TermCalendar[];
}>();
const emit = defineEmits<{ change: [calendar: Calendar, what: string] }>();

type Way = 'holidays' | 'term' | 'list' | 'file';
const WAYS: readonly { readonly way: Way; readonly words: string }[] = [
  { way: 'holidays', words: 'public holidays' },
  { way: 'term', words: 'another term' },
  { way: 'list', words: 'a pasted list' },
  { way: 'file', words: 'a calendar file' },
];
const way = ref<Way | null>(null);
const countries = ref<readonly Region[]>([]);
const regions = ref<readonly Region[]>([]);
const country = ref('US');
const region = ref('');
const other = ref('');
const pasted = ref('');
const trouble = ref('');
const read = shallowRef<ReadClosures | null>(null);
const refused = ref(new Set<number>());
const field = ref<HTMLInputElement>();

/** What was read and is not there yet, and what the person does not want is marked. */
const fresh = computed(() => (read.value === null ? [] : notThereYet(holding, read.value.closures)));
const taken = computed(() => fresh.value.filter((_, at) => !refused.value.has(at)));
const known = computed(() => (read.value?.closures.length ?? 0) - fresh.value.length);

async function attempt(look: () => Promise<ReadClosures> | ReadClosures): Promise<void> {
  trouble.value = '';
  refused.value = new Set();
  try {
    read.value = await look();
  } catch (error) {
    read.value = null;
    trouble.value = sentenceOf(error);
  }
}
async function chooseCountry(): Promise<void> {
  region.value = '';
  try {
    ({ countries: countries.value, regions: regions.value } = await fetchCountries(country.value));
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}
onMounted(chooseCountry);

function choose(next: Way): void {
  way.value = way.value === next ? null : next;
  read.value = null;
  trouble.value = '';
}
const copy = (): Promise<void> =>
  attempt(() => {
    const term = terms.find(({ id }) => id === other.value);
    return { closures: term === undefined ? [] : closuresFrom(term.calendar, holding), unread: [] };
  });
async function open(file: File | undefined): Promise<void> {
  if (file !== undefined) await attempt(async () => readClosures('file', await file.text(), holding));
  if (field.value) field.value.value = '';
}
function toggle(at: number): void {
  const next = new Set(refused.value);
  if (!next.delete(at)) next.add(at);
  refused.value = next;
}
function take(): void {
  const closures: Closure[] = [...taken.value];
  emit('change', addClosures(draft, closures), `${count(closures.length, 'closure')} added`);
  read.value = null;
  pasted.value = '';
}
</script>

<template>
  <section aria-label="Closed days in one go">
    <h2>In one go, from</h2>
    <p class="ways">
      <button
        v-for="{ way: each, words } in WAYS"
        :key="each"
        class="way-to-look"
        :aria-pressed="way === each"
        @click="choose(each)"
      >
        {{ words }}
      </button>
    </p>
    <form
      v-if="way === 'holidays'"
      class="line"
      @submit.prevent="attempt(() => fetchHolidays(country, region, holding))"
    >
      <select v-model="country" aria-label="Country" @change="chooseCountry">
        <option v-for="each in countries" :key="each.code" :value="each.code">{{ each.name }}</option>
      </select>
      <select v-if="regions.length > 0" v-model="region" aria-label="Region">
        <option value="">the whole country</option>
        <option v-for="each in regions" :key="each.code" :value="each.code">{{ each.name }}</option>
      </select>
      <ElButton size="small" plain type="primary" native-type="submit">Look</ElButton>
    </form>
    <form v-else-if="way === 'term'" class="line" @submit.prevent="copy">
      <select v-model="other" aria-label="Term to copy from">
        <option value="" disabled>which term</option>
        <option v-for="term in terms" :key="term.id" :value="term.id">{{ term.name }}</option>
      </select>
      <ElButton size="small" plain type="primary" native-type="submit" :disabled="other === ''">Look</ElButton>
      <span class="quiet small">as many weeks into this term as they were into that</span>
    </form>
    <form
      v-else-if="way === 'list'"
      class="list"
      @submit.prevent="attempt(() => readClosures('list', pasted, holding))"
    >
      <textarea
        v-model="pasted"
        rows="4"
        maxlength="100000"
        aria-label="Closed days, one a line"
        placeholder="15–21 March 2027 Spring break"
      ></textarea>
      <ElButton size="small" plain type="primary" native-type="submit" :disabled="pasted.trim() === ''"
        >Read it</ElButton
      >
    </form>
    <p v-else-if="way === 'file'">
      <button class="plain-link" @click="field?.click()">Choose an iCalendar file</button>
      <span class="quiet small"> recurring and all-day entries count</span>
      <input
        ref="field"
        class="visually-hidden"
        type="file"
        accept=".ics,text/calendar"
        tabindex="-1"
        aria-label="iCalendar file"
        @change="open(($event.target as HTMLInputElement).files?.[0])"
      />
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <template v-if="read">
      <ul v-if="fresh.length > 0">
        <li v-for="(closure, at) in fresh" :key="at">
          <label class="choice">
            <input type="checkbox" :checked="!refused.has(at)" @change="toggle(at)" />
            {{ closureWords(closure) }} <span class="quiet small">{{ closure.kind }}</span>
          </label>
        </li>
      </ul>
      <p v-if="known > 0" class="quiet small">{{ count(known, 'is', 'are') }} there already.</p>
      <p v-if="read.closures.length === 0" class="quiet small">Nothing was found that falls into this term.</p>
      <p v-for="line in read.unread" :key="line" class="small unread">No date in “{{ line }}”.</p>
      <ElButton v-if="fresh.length > 0" size="small" type="primary" :disabled="taken.length === 0" @click="take">
        Add {{ taken.length }}
      </ElButton>
    </template>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
  justify-items: start;
}

.ways,
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
}

.list {
  display: grid;
  gap: 6px;
  width: 100%;
  justify-items: start;
}

textarea {
  width: 100%;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

.trouble {
  color: var(--madder);
}

.unread {
  color: var(--weld-ink);
}
</style>
