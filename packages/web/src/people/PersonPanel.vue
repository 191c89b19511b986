<script setup lang="ts">
import type { PersonView } from '@yarin/core';
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { fetchPeople } from '../shared/api/people.js';
import DateStyleChoice from './DateStyleChoice.vue';
import { useSessionStore } from './sessionStore.js';

const emit = defineEmits<{ close: []; actFor: [person: string]; leave: [] }>();

const session = useSessionStore();
const me = computed(() => session.actor ?? session.person!);
const others = ref<PersonView[]>([]);
const isAdministrator = computed(() => me.value.role === 'administrator');

/** A press anywhere else closes it. */
const panel = ref<HTMLElement>();
function pressed(event: PointerEvent): void {
  const { target } = event;
  if (target instanceof Node && panel.value?.parentElement?.contains(target) !== true) emit('close');
}
onMounted(() => window.addEventListener('pointerdown', pressed));
onBeforeUnmount(() => window.removeEventListener('pointerdown', pressed));

onMounted(() => {
  if (!isAdministrator.value) return;
  fetchPeople().then(
    (people) => void (others.value = people.filter(({ role }) => role !== 'administrator')),
    () => undefined,
  );
});
</script>

<template>
  <div ref="panel" class="panel" @keydown.esc.stop="emit('close')">
    <b>{{ me.name }}</b>
    <span class="quiet">{{ me.role }}{{ me.department ? `, ${me.department}` : '' }}</span>
    <RouterLink class="plain-link" :to="{ name: 'access' }" @click="emit('close')">Asked</RouterLink>
    <RouterLink class="plain-link" :to="{ name: 'calendars' }" @click="emit('close')">Calendars</RouterLink>
    <template v-if="isAdministrator">
      <RouterLink
        v-if="me.department === null && session.actor === null"
        class="plain-link"
        :to="{ name: 'roster' }"
        @click="emit('close')"
        >The roster</RouterLink
      >
      <span class="quiet small">Act for</span>
      <ul>
        <li v-for="person in others" :key="person.id">
          <button class="plain-link" :aria-label="`Act for ${person.name}`" @click="emit('actFor', person.id)">
            {{ person.name }}
          </button>
        </li>
      </ul>
    </template>
    <DateStyleChoice />
    <button class="plain-link" @click="emit('leave')">Sign out</button>
  </div>
</template>

<style scoped>
.panel {
  position: absolute;
  z-index: 30;
  right: 0;
  top: 36px;
  display: grid;
  gap: 4px;
  justify-items: start;
  padding: 12px 16px;
  border: 1px solid var(--rule);
  border-radius: var(--corner);
  background: var(--raised);
  white-space: nowrap;
}

b {
  font-weight: 600;
}

ul {
  list-style: none;
  margin: 0 0 4px;
  padding: 0 0 0 10px;
}
</style>
