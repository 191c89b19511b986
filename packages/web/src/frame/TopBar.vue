<script setup lang="ts">
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { useSessionStore } from '../people/sessionStore.js';
import { useRunStore } from '../plan/state/runStore.js';
import FindField from './FindField.vue';
import PersonPanel from '../people/PersonPanel.vue';

const session = useSessionStore();
const running = useRunStore();
const router = useRouter();
const isOpen = ref(false);

async function actFor(person: string | null): Promise<void> {
  isOpen.value = false;
  await session.actFor(person);
  // Whoever acts for somebody else starts at that person's Desk, and everything is read anew.
  await router.push({ name: 'desk' });
}

async function leave(): Promise<void> {
  isOpen.value = false;
  await session.signOut();
  await router.push({ name: 'signIn' });
}
</script>

<template>
  <header class="bar">
    <RouterLink class="mark" :to="{ name: 'desk' }" aria-label="Yarin, to the Desk">yarin</RouterLink>
    <FindField />
    <div class="right">
      <RouterLink v-if="running.job" class="job" :to="{ name: 'plan', params: { id: running.job.planId } }">
        <svg width="120" height="10" aria-hidden="true">
          <path d="M0 5H120" class="rest" />
          <path :d="`M0 5H${Math.round(running.job.share * 116)}`" class="filled" />
          <circle :cx="Math.round(running.job.share * 116)" cy="5" r="4" />
        </svg>
        {{ running.job.words }}, {{ Math.round(running.job.share * 100) }} %
      </RouterLink>
      <div class="person">
        <span v-if="session.actor" class="acting">
          {{ session.actor.name }} for {{ session.person?.name }}
          <button class="plain-link" @click="actFor(null)">stop</button>
        </span>
        <button
          class="who"
          :aria-label="(session.actor ?? session.person)?.name"
          :aria-expanded="isOpen"
          @click="isOpen = !isOpen"
        >
          {{ (session.actor ?? session.person)?.initials }}
        </button>
        <PersonPanel v-if="isOpen" @close="isOpen = false" @act-for="actFor" @leave="leave" />
      </div>
    </div>
  </header>
</template>

<style scoped>
.bar {
  flex: none;
  height: 44px;
  display: flex;
  align-items: center;
  gap: 20px;
  padding: 0 var(--margin);
  border-bottom: 1px solid var(--rule);
}

.mark {
  font: italic 500 23px/30px var(--serif);
  color: var(--indigo);
  letter-spacing: -0.3px;
  text-decoration: none;
}

.right {
  margin-left: auto;
  display: flex;
  gap: 18px;
  align-items: center;
}

.job {
  display: flex;
  gap: 10px;
  align-items: center;
  color: var(--quiet);
  text-decoration: none;
}

.job .rest {
  stroke: var(--rule);
  stroke-width: 2;
}

.job .filled {
  stroke: var(--indigo);
  stroke-width: 2;
}

.job circle {
  fill: var(--indigo);
}

.person {
  position: relative;
  display: flex;
  gap: 12px;
  align-items: center;
}

.acting {
  padding: 1px 8px;
  border-radius: 3px;
  background: var(--weld-paper);
  color: var(--weld-ink);
  white-space: nowrap;
}

.who {
  width: 28px;
  height: 28px;
  border-radius: 50%;
  border: 1px solid var(--ink);
  background: none;
  color: var(--ink);
  font-size: 12px;
  cursor: pointer;
}
</style>
