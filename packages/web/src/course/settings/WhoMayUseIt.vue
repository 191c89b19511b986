<script setup lang="ts">
import type { AccessAsk } from '@yarin/core';
import { computed, ref, watch } from 'vue';
import { fetchAsksOf } from '../../shared/api/access.js';
import { sentenceOf } from '../../shared/api/client.js';
import AskLine from '../../access/AskLine.vue';
import LetColleagueIn from './LetColleagueIn.vue';
import { useCourseStore } from '../state/courseStore.js';

const course = useCourseStore();
const asks = ref<readonly AccessAsk[]>([]);
const failure = ref('');
const summary = computed(() => course.view!.summary);

function load(): void {
  failure.value = '';
  fetchAsksOf(summary.value.id).then(
    (found) => void (asks.value = found),
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
}
watch(() => summary.value.id, load, { immediate: true });
</script>

<template>
  <section aria-label="Who may use it">
    <h2>Who may use it</h2>
    <p class="quiet">
      {{ summary.staff.map(({ name, role }) => `${name}, ${role}`).join(' · ') || 'Nobody teaches it yet.' }}
    </p>
    <label class="choice">
      <input
        type="checkbox"
        :checked="summary.openForReuse"
        @change="course.edit({ openForReuse: !summary.openForReuse })"
      />
      open for reuse: everybody who teaches here may read it and bring from it
    </label>
    <LetColleagueIn @done="load" />
    <p v-if="failure" role="alert">{{ failure }}</p>
    <ul v-else-if="asks.length > 0" class="lines">
      <AskLine v-for="ask in asks" :key="ask.id" :ask="ask" mine-to-answer @answered="load" />
    </ul>
    <p v-else class="quiet small">Nobody asked to be let in, and nobody was let in.</p>
  </section>
</template>
