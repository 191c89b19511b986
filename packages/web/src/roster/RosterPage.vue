<script setup lang="ts">
import type { RosterReport } from '@yarin/core';
import { onMounted, ref } from 'vue';
import { fetchLastLoad, loadRoster } from '../shared/api/roster.js';
import { sentenceOf } from '../shared/api/client.js';
import FileField from '../shared/FileField.vue';
import PageFailure from '../shared/PageFailure.vue';
import { useAnnouncer } from '../shared/announcer.js';
import RosterReportView from './RosterReportView.vue';

const FILES = 'academicSessions.csv, orgs.csv, courses.csv, classes.csv, users.csv and enrollments.csv';

const { say } = useAnnouncer();
const report = ref<RosterReport | null>(null);
const failure = ref('');
const trouble = ref('');
const isLoading = ref(false);
const isOver = ref(false);

function look(): void {
  failure.value = '';
  fetchLastLoad().then(
    (last) => void (report.value = last),
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
}
onMounted(look);

async function load(files: readonly File[]): Promise<void> {
  isOver.value = false;
  if (files.length === 0) return;
  isLoading.value = true;
  trouble.value = '';
  try {
    report.value = await loadRoster(files);
    say('The roster is loaded.');
  } catch (error) {
    trouble.value = sentenceOf(error);
  } finally {
    isLoading.value = false;
  }
}
</script>

<template>
  <PageFailure v-if="failure" :sentence="failure" @again="look" />
  <div v-else class="roster">
    <h1>The roster</h1>
    <p class="quiet">
      Terms, sections and who teaches them, as the registrar’s feed says it (OneRoster 1.1). Loading it again brings
      what is there up to date and never doubles. Learners in it are left out.
    </p>
    <div
      class="drop"
      :class="{ over: isOver }"
      @dragover.prevent="isOver = true"
      @dragleave="isOver = false"
      @drop.prevent="load([...($event.dataTransfer?.files ?? [])])"
    >
      <p v-if="isLoading">Loading …</p>
      <p v-else>
        <FileField
          words="Choose the files of a roster"
          label="Files of the roster"
          accept=".csv"
          multiple
          @chosen="load"
        />, or drop them here:
        {{ FILES }}
      </p>
    </div>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <RosterReportView v-if="report" :report="report" />
  </div>
</template>

<style scoped>
.roster {
  height: 100%;
  overflow: auto;
  display: grid;
  gap: 14px;
  align-content: start;
  padding: 22px var(--margin) 40px;
}

.roster > p {
  max-width: 760px;
}

.drop {
  max-width: 760px;
  padding: 14px;
  border: 1px dashed var(--hatch);
  border-radius: var(--corner);
  color: var(--quiet);
}

.drop.over {
  border-color: var(--indigo);
  background: var(--raised);
}

.trouble {
  color: var(--madder);
}
</style>
