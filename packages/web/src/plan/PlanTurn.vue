<script setup lang="ts">
import { computed } from 'vue';
import { usePlansInTurn } from '../shared/plansInTurn.js';

const { id } = defineProps<{ id: string }>();
const { plans, goThrough } = usePlansInTurn();
const at = computed(() => plans.value.findIndex((plan) => plan.id === id));
const before = computed(() => plans.value[at.value - 1]);
const after = computed(() => plans.value[at.value + 1]);
</script>

<template>
  <nav v-if="at >= 0 && plans.length > 1" aria-label="Plans opened together">
    <span class="quiet">{{ at + 1 }} of {{ plans.length }} plans opened together</span>
    <RouterLink v-if="before" class="plain-link" :to="{ name: 'plan', params: { id: before.id } }"
      >‹ {{ before.name }}</RouterLink
    >
    <RouterLink v-if="after" class="plain-link" :to="{ name: 'plan', params: { id: after.id } }"
      >next: {{ after.name }} ›</RouterLink
    >
    <button class="plain-link" @click="goThrough([])">leave the row</button>
  </nav>
</template>

<style scoped>
nav {
  flex: none;
  display: flex;
  gap: 18px;
  padding: 5px var(--margin);
  border-bottom: 1px solid var(--rule);
  background: var(--raised);
  font-size: 14px;
}
</style>
