<script setup lang="ts">
import type { PersonView } from '@yarin/core';
import { onMounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { fetchPeople } from '../shared/api/people.js';
import { sentenceOf } from '../shared/api/client.js';
import { useSessionStore } from './sessionStore.js';

const route = useRoute();
const router = useRouter();
const session = useSessionStore();
const people = ref<PersonView[]>([]);
const failure = ref('');

onMounted(() => {
  fetchPeople().then(
    (found) => void (people.value = found),
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
});

async function enter(id: string): Promise<void> {
  try {
    await session.signIn(id);
    await router.push(typeof route.query.to === 'string' ? route.query.to : { name: 'desk' });
  } catch (error) {
    failure.value = sentenceOf(error);
  }
}
</script>

<template>
  <section class="sign-in">
    <p class="mark" aria-hidden="true">yarin</p>
    <h1>Last term’s course, into the new shell</h1>
    <p class="quiet">Marrowbrook College. Choose who you are; this stands in for the campus sign-on.</p>
    <p v-if="failure" role="alert" class="failure">{{ failure }}</p>
    <ul>
      <li v-for="person in people" :key="person.id">
        <button @click="enter(person.id)">
          <b>{{ person.name }}</b>
          <span>{{ person.role }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.sign-in {
  max-width: 680px;
  margin: 0 auto;
  padding: 56px var(--margin);
}

.mark {
  font: italic 500 40px/48px var(--serif);
  color: var(--indigo);
}

.failure {
  margin-top: 12px;
  color: var(--madder);
}

ul {
  list-style: none;
  margin: 24px 0 0;
  padding: 0;
  border-bottom: 1px solid var(--rule-faint);
}

button {
  width: 100%;
  display: flex;
  justify-content: space-between;
  padding: 9px 4px;
  border: 0;
  border-top: 1px solid var(--rule-faint);
  background: none;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}

button:hover {
  background: var(--row-focus);
}

b {
  font-weight: 600;
}

span {
  color: var(--quiet);
}
</style>
