<script setup lang="ts" generic="T">
import { computed, ref } from 'vue';
import { count } from './words.js';
import { asRead } from './readersDates.js';

/** What was found elsewhere and is not there yet, to be looked at and taken over; make it anew for each look. */
const { fresh, known, nothing, unread, what } = defineProps<{
  fresh: readonly { readonly value: T; readonly words: string; readonly note: string }[];
  /** How many of what was found are there already. */
  known: number;
  /** Said when nothing was found at all. */
  nothing: string;
  /** A sentence for each that could not be read. */
  unread: readonly string[];
  /** What is added, in the singular. */
  what: string;
}>();
const emit = defineEmits<{ take: [values: readonly T[]] }>();

const refused = ref(new Set<number>());
const taken = computed(() => fresh.filter((_, at) => !refused.value.has(at)).map(({ value }) => value));
function toggle(at: number): void {
  const next = new Set(refused.value);
  if (!next.delete(at)) next.add(at);
  refused.value = next;
}
</script>

<template>
  <ul v-if="fresh.length > 0">
    <li v-for="({ words, note }, at) in fresh" :key="at">
      <label class="choice">
        <input type="checkbox" :checked="!refused.has(at)" @change="toggle(at)" />
        {{ words }} <span class="quiet small">{{ note }}</span>
      </label>
    </li>
  </ul>
  <p v-if="known > 0" class="quiet small">{{ count(known, 'is', 'are') }} there already.</p>
  <p v-if="known + fresh.length === 0" class="quiet small">{{ nothing }}</p>
  <p v-for="sentence in unread" :key="sentence" class="small unread">{{ asRead(sentence) }}</p>
  <ElButton
    v-if="fresh.length > 0"
    size="small"
    type="primary"
    :disabled="taken.length === 0"
    @click="emit('take', taken)"
  >
    Add {{ count(taken.length, what) }}
  </ElButton>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

.unread {
  color: var(--weld-ink);
}
</style>
