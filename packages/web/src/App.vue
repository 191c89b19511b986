<script setup lang="ts">
import { useRouter } from 'vue-router';
import KeyList from './shared/KeyList.vue';
import SaidLine from './frame/SaidLine.vue';
import TopBar from './frame/TopBar.vue';
import { useAnnouncer } from './shared/announcer.js';
import { useKeys } from './shared/useKeys.js';
import { useSessionStore } from './people/sessionStore.js';

const session = useSessionStore();
const router = useRouter();
const { message } = useAnnouncer();

useKeys({ d: () => void router.push({ name: 'desk' }) });
</script>

<template>
  <div class="frame">
    <TopBar v-if="session.person" />
    <main class="page"><RouterView :key="session.person?.id" /></main>
    <SaidLine />
    <KeyList />
    <div class="visually-hidden" role="status" aria-live="polite">{{ message }}</div>
  </div>
</template>

<style scoped>
.frame {
  display: flex;
  flex-direction: column;
  height: 100%;
}

.page {
  flex: 1;
  min-height: 0;
}

/* On a low screen, or one that is zoomed, what stands above and below the work scrolls away. */
@media (max-height: 520px) {
  .frame {
    overflow-y: auto;
  }

  .page {
    flex: none;
    height: 100%;
  }
}
</style>
