<script setup lang="ts">
import { formatDay, parseDay, type TermCalendar } from '@yarin/core';
import { computed, reactive, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { addTerm } from '../shared/api/calendars.js';
import { placesOf, sentenceOf } from '../shared/api/client.js';
import DayField from '../shared/dates/DayField.vue';

const { terms } = defineProps<{ terms: readonly TermCalendar[] }>();
const emit = defineEmits<{ close: [] }>();

const router = useRouter();
const term = reactive({ name: '', parentId: '', firstDay: '', lastDay: '' });
const trouble = ref('');
const places = shallowRef<ReadonlyMap<string, string>>(new Map());
const wholes = computed(() => terms.filter(({ parentId }) => parentId === null));
const isWhole = computed(() => term.name.trim() !== '' && term.firstDay !== '' && term.lastDay !== '');

/** Half a year, in which the ends of a term are picked. */
const SHOWN_DAYS = 26 * 7;

/** What its days are picked from: its whole term; else the weeks from its first day on, at first from where the last term ends. */
const shown = computed(() => {
  const parent = wholes.value.find(({ id }) => id === term.parentId);
  if (parent !== undefined) return parent.calendar;
  const last = wholes.value.map(({ calendar }) => calendar).sort((a, b) => b.lastDay.localeCompare(a.lastDay))[0];
  if (last === undefined && term.firstDay === '') return undefined;
  const from = term.firstDay === '' ? parseDay(last!.lastDay) + 1 : parseDay(term.firstDay);
  const { timeZone = 'UTC', weekStartsOn } = last ?? {};
  return { firstDay: formatDay(from), lastDay: formatDay(from + SHOWN_DAYS), timeZone, weekStartsOn };
});

/** A part begins with the days of its term. */
watch(
  () => term.parentId,
  (id) => {
    const parent = wholes.value.find((each) => each.id === id);
    if (parent === undefined) return;
    term.firstDay = parent.calendar.firstDay;
    term.lastDay = parent.calendar.lastDay;
    if (term.name === '') term.name = `${parent.name}, first eight weeks`;
  },
);

async function make(): Promise<void> {
  trouble.value = '';
  places.value = new Map();
  try {
    const id = await addTerm({ ...term, name: term.name.trim(), parentId: term.parentId || null });
    await router.push({ name: 'term', params: { id } });
  } catch (error) {
    trouble.value = sentenceOf(error);
    places.value = placesOf(error);
  }
}
</script>

<template>
  <form aria-label="New term" @submit.prevent="make" @keydown.esc.stop="emit('close')">
    <label>
      part of
      <select v-model="term.parentId">
        <option value="">none, a whole term</option>
        <option v-for="each in wholes" :key="each.id" :value="each.id">{{ each.name }}</option>
      </select>
    </label>
    <ElInput
      v-model="term.name"
      size="small"
      class="name"
      :maxlength="200"
      aria-label="Name of the term"
      :aria-invalid="places.has('/name')"
      placeholder="Fall 2027"
    />
    <DayField
      v-for="[name, words] in [
        ['firstDay', 'First day'],
        ['lastDay', 'Last day'],
      ] as const"
      :key="name"
      v-model="term[name]"
      :label="words"
      :placeholder="words"
      :time="shown && { calendar: shown, meetings: [] }"
      :sheet-choices="{ weeksBeyond: 1, isOfEnds: true, isUnsaid: term.firstDay === '' }"
    />
    <ElButton size="small" type="primary" native-type="submit" :disabled="!isWhole">Make it</ElButton>
    <button type="button" class="plain-link" @click="emit('close')">close</button>
    <span v-if="trouble" class="trouble" role="alert">{{ trouble }}</span>
  </form>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  padding-top: 10px;
}

.name {
  width: 240px;
}

.trouble {
  color: var(--madder);
}
</style>
