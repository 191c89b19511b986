<script setup lang="ts">
import { ROLE_WORDS, type Redated } from '@yarin/core';
import { computed, ref } from 'vue';
import type { Moves } from '../../shared/dates/bulkMoves.js';
import LongList from '../../shared/LongList.vue';
import { count } from '../../shared/words.js';
import { momentWords } from '../../shared/readersDates.js';

/** Where the plan would date things now; what somebody changed since it was brought is asked about, not taken. */
const { redated } = defineProps<{ redated: Redated }>();
const emit = defineEmits<{ take: [moves: Moves]; done: [] }>();

const idsOf = (dates: Redated['dates']): Set<string> => new Set(dates.map(({ id }) => id));
const untouched = redated.dates.filter((date) => !date.touched);
const wanted = ref(idsOf(untouched));
const moves = computed((): Moves =>
  Object.fromEntries(redated.dates.filter(({ id }) => wanted.value.has(id)).map(({ id, would }) => [id, would])),
);
const touched = redated.dates.length - untouched.length;
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
        <template v-if="touched > 0">
          · choose <button class="plain-link" @click="wanted = idsOf(redated.dates)">all</button> or
          <button class="plain-link" @click="wanted = idsOf(untouched)">what nobody changed</button>
        </template>
      </p>
      <LongList :rows="redated.dates" label="Dates that would stand elsewhere">
        <template #default="{ row: date }">
          <span class="row">
            <label class="choice">
              <input type="checkbox" :checked="wanted.has(date.id)" @change="toggle(date.id)" />
              {{ date.title }}
            </label>
            <span class="quiet">{{ ROLE_WORDS[date.role] }}</span>
            <span class="quiet">{{ momentWords(date.is) }}</span>
            <span>{{ momentWords(date.would) }}</span>
            <span v-if="date.touched" class="doubt">changed by somebody since</span>
          </span>
        </template>
      </LongList>
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

.row {
  display: grid;
  grid-template-columns: 300px 70px 148px 148px 1fr;
  gap: 12px;
}

.choice {
  overflow: hidden;
  text-overflow: ellipsis;
}

.doubt {
  color: var(--weld-ink);
}
</style>
