<script setup lang="ts">
import { onUnmounted, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { asRead } from '../shared/readersDates.js';
import { useAnnouncer } from '../shared/announcer.js';

/** What was just done, at the foot of the page for a while, with the way back beside it. */
const STAYS_MS = 12_000;
const { said, hush } = useAnnouncer();
const isHeld = ref(false);
let timer: ReturnType<typeof setTimeout> | undefined;
function wait(): void {
  clearTimeout(timer);
  if (said.value !== null && !isHeld.value) timer = setTimeout(hush, STAYS_MS);
}
watch([said, isHeld], wait, { immediate: true });
onUnmounted(() => clearTimeout(timer));
// The way back is one of the page that it was done on.
useRouter().afterEach((to, from) => {
  if (
    said.value?.back !== undefined &&
    to.path.split('/').slice(0, 3).join() !== from.path.split('/').slice(0, 3).join()
  )
    hush();
});

function goBack(): void {
  const { back } = said.value!;
  hush();
  back!.act();
}
</script>

<template>
  <p
    v-if="said"
    class="said"
    @mouseenter="isHeld = true"
    @mouseleave="isHeld = false"
    @focusin="isHeld = true"
    @focusout="isHeld = false"
  >
    {{ asRead(said.words) }}
    <button v-if="said.back" class="plain-link" @click="goBack">{{ said.back.words }}</button>
    <button class="plain-link quiet" aria-label="Close what was said" @click="hush">close</button>
  </p>
</template>

<style scoped>
.said {
  position: fixed;
  left: var(--margin);
  bottom: 3px;
  z-index: 20;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  max-width: calc(100vw - 2 * var(--margin));
  margin: 0;
  padding: 4px 14px;
  border: 1px solid var(--woad);
  border-radius: 4px;
  background: var(--raised);
}
</style>
