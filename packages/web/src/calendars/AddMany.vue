<script setup lang="ts">
import {
  checkCalendar,
  readClosureList,
  type Calendar,
  type Closure,
  type ReadClosures,
  type TermCalendar,
} from '@yarin/core';
import { computed, onMounted, ref, shallowRef } from 'vue';
import FileField from '../shared/FileField.vue';
import FoundToTake from '../shared/FoundToTake.vue';
import { fetchCountries, fetchHolidays, readClosureFile, type Region } from '../shared/api/calendars.js';
import { sentenceOf } from '../shared/api/client.js';
import { dateStyle, problemWords } from '../shared/readersDates.js';
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
/** Counts the looks, each with its own list. */
const looks = ref(0);

const fresh = computed(() =>
  notThereYet(holding, read.value?.closures ?? []).map((closure) => ({
    value: closure,
    words: closureWords(closure),
    note: closure.kind,
  })),
);
const known = computed(() => (read.value?.closures.length ?? 0) - fresh.value.length);

async function attempt(look: () => Promise<ReadClosures> | ReadClosures): Promise<void> {
  trouble.value = '';
  looks.value++;
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
const open = ([file]: readonly File[]): Promise<void> =>
  attempt(async () => readClosureFile(await file!.text(), holding));
function readList(): void {
  const { firstDay, lastDay, timeZone } = holding;
  const [problem] = checkCalendar({ firstDay, lastDay, timeZone }, '', 1);
  read.value = problem === undefined ? readClosureList(pasted.value, holding, dateStyle.value.order) : null;
  trouble.value = problemWords(problem?.message ?? '');
  looks.value++;
}
function take(closures: readonly Closure[]): void {
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
    <form v-else-if="way === 'list'" class="list" @submit.prevent="readList">
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
      <FileField words="Choose an iCalendar file" label="iCalendar file" accept=".ics,text/calendar" @chosen="open" />
      <span class="quiet small"> recurring and all-day entries count</span>
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <FoundToTake
      v-if="read"
      :key="looks"
      :fresh="fresh"
      :known="known"
      nothing="Nothing was found that falls into this term."
      :unread="read.unread"
      what="closure"
      @take="take"
    />
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

.trouble {
  color: var(--madder);
}
</style>
