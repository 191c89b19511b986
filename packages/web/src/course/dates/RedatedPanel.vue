<script setup lang="ts">
import { momentWords, ROLE_WORDS, type Redated } from '@yarin/core';
import { computed, ref } from 'vue';
import type { Moves } from '../../shared/dates/bulkMoves.js';
import { count } from '../../shared/words.js';

/** Where the plan would date things now; what somebody changed since it was brought is asked about, not taken. */
const { redated } = defineProps<{ redated: Redated }>();
const emit = defineEmits<{ take: [moves: Moves]; done: [] }>();

const wanted = ref(new Set(redated.dates.filter(({ touched }) => !touched).map(({ id }) => id)));
const moves = computed((): Moves =>
  Object.fromEntries(redated.dates.filter(({ id }) => wanted.value.has(id)).map(({ id, would }) => [id, would])),
);
const touched = computed(() => redated.dates.filter((date) => date.touched).length);
function toggle(id: string): void {
  const next = new Set(wanted.value);
  if (!next.delete(id)) next.add(id);
  wanted.value = next;
}
</script>

<template>
  <section class="redated" aria-label="By the calendar as it is now" @keydown.esc.stop="emit('done')">
    <p v-if="redated.brought === 0">
      Nothing was brought into this course by a plan, so there is no rule to go by. Choose dates and move them.
    </p>
    <p v-else-if="redated.dates.length === 0">
      Every date that was brought stands where its rule puts it on the calendar as it is now.
      <button class="plain-link" @click="emit('done')">good</button>
    </p>
    <template v-else>
      <p>
        {{ count(redated.dates.length, 'date') }} of {{ redated.brought }} brought would stand elsewhere; dates set by
        hand in the plan stay.
        <template v-if="touched > 0">
          {{ count(touched, 'is on a thing', 'are on things') }} that somebody changed since, and left unless you take
          {{ touched === 1 ? 'it' : 'them' }}.
        </template>
        <button class="plain-link" :disabled="wanted.size === 0" @click="emit('take', moves)">
          take {{ wanted.size }} over
        </button>
        · <button class="plain-link" @click="emit('done')">leave it</button>
      </p>
      <ul>
        <li v-for="date in redated.dates" :key="date.id">
          <label class="choice">
            <input type="checkbox" :checked="wanted.has(date.id)" @change="toggle(date.id)" />
            {{ date.title }}
          </label>
          <span class="quiet">{{ ROLE_WORDS[date.role] }}</span>
          <span class="quiet">{{ momentWords(date.is) }}</span>
          <span>{{ momentWords(date.would) }}</span>
          <span v-if="date.touched" class="doubt">changed by somebody since</span>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.redated {
  flex: none;
  padding: 6px calc(var(--margin) + 8px);
  border-block: 1px solid var(--rule);
  background: var(--raised);
}

ul {
  list-style: none;
  max-height: 200px;
  margin: 4px 0 0;
  padding: 0;
  overflow: auto;
}

li {
  display: grid;
  grid-template-columns: 300px 70px 140px 140px 1fr;
  gap: 12px;
}

.doubt {
  color: var(--weld-ink);
}
</style>
