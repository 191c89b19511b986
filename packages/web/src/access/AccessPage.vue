<script setup lang="ts">
import type { AccessView } from '@yarin/core';
import { onMounted, ref } from 'vue';
import { fetchAccess } from '../shared/api/access.js';
import { sentenceOf } from '../shared/api/client.js';
import PageFailure from '../shared/PageFailure.vue';
import AskLine from './AskLine.vue';

const access = ref<AccessView>();
const failure = ref('');

function load(): void {
  failure.value = '';
  fetchAccess().then(
    (found) => void (access.value = found),
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
}
onMounted(load);
</script>

<template>
  <PageFailure v-if="failure" :sentence="failure" @again="load" />
  <div v-else-if="access" class="access">
    <h1>Asked</h1>
    <section aria-label="Asked of you">
      <h2>Of you</h2>
      <ul v-if="access.askedOfMe.length > 0" class="lines">
        <AskLine v-for="ask in access.askedOfMe" :key="ask.id" :ask="ask" mine-to-answer @answered="load" />
      </ul>
      <p v-else class="quiet">Nobody asked to be let into a course of yours.</p>
    </section>
    <section aria-label="Asked by you">
      <h2>By you</h2>
      <ul v-if="access.mine.length > 0" class="lines">
        <AskLine v-for="ask in access.mine" :key="ask.id" :ask="ask" />
      </ul>
      <p v-else class="quiet">You asked for nothing. A course that is not yours says how to ask where you meet it.</p>
    </section>
  </div>
</template>

<style scoped>
.access {
  height: 100%;
  overflow: auto;
  display: grid;
  gap: 20px;
  align-content: start;
  max-width: 860px;
  padding: 22px var(--margin) 40px;
}
</style>
