<script setup lang="ts">
import { checkPart, partCalendar, type Calendar, type CalendarsView, type TermCalendar } from '@yarin/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { fetchCalendars, removeTerm, saveTerm, termEffect } from '../shared/api/calendars.js';
import { sentenceOf } from '../shared/api/client.js';
import PageFailure from '../shared/PageFailure.vue';
import { useAnnouncer } from '../shared/announcer.js';
import TermEditor from './TermEditor.vue';

const { id } = defineProps<{ id: string }>();

const router = useRouter();
const { say } = useAnnouncer();
const view = shallowRef<CalendarsView | null>(null);
const failure = ref('');
const trouble = ref('');
const term = computed(() => view.value?.terms.find((each) => each.id === id));
const parent = computed(() => view.value?.terms.find((each) => each.id === term.value?.parentId));

async function load(): Promise<void> {
  failure.value = '';
  try {
    view.value = await fetchCalendars();
    if (term.value === undefined) failure.value = 'There is no such term. It may have been removed meanwhile.';
  } catch (error) {
    failure.value = sentenceOf(error);
  }
}
watch(() => id, load, { immediate: true });

const holding = (draft: Calendar): Calendar =>
  parent.value === undefined ? draft : partCalendar(parent.value.own, draft);
const beyond = (draft: Calendar): string =>
  parent.value === undefined ? '' : (checkPart(parent.value.own, draft)[0]?.message ?? '');

async function save(changed: TermCalendar, calendar: Calendar): Promise<boolean> {
  trouble.value = '';
  try {
    await saveTerm(id, changed.version, calendar.name ?? changed.name, calendar);
    await load();
    say(`${calendar.name} is saved. Open plans are computed anew.`);
    return true;
  } catch (error) {
    trouble.value = sentenceOf(error);
    return false;
  }
}
async function take(): Promise<void> {
  trouble.value = '';
  try {
    await removeTerm(id);
    await router.push({ name: 'calendars' });
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}
</script>

<template>
  <PageFailure v-if="failure" :sentence="failure" @again="load" />
  <TermEditor
    v-else-if="view && term"
    :key="`${term.id} ${term.version}`"
    :term="term"
    :parent="parent"
    :terms="view.terms"
    :right="view.right"
    :holding="holding"
    :beyond="beyond"
    :trouble="trouble"
    :ask-effect="(calendar) => termEffect(id, calendar)"
    :save="save"
    @remove="take"
  />
  <p v-else class="quiet loading">Opening the calendar …</p>
</template>

<style scoped>
.loading {
  padding: 26px var(--margin);
}
</style>
