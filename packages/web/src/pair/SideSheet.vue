<script setup lang="ts">
import { KIND_WORDS, type PairView } from '@yarin/core';
import { computed } from 'vue';
import { courseLine, courseName } from '../find/courseLine.js';
import { count, whenWords } from '../shared/words.js';

const { view, label } = defineProps<{ view: PairView; label: 'From' | 'Into' }>();

/** What stands in a shell that no run of Yarin brought: said first, since doubles come from there. */
const byHand = computed(() =>
  label === 'Into' && view.byHand > 0
    ? `${count(view.byHand, 'thing stands', 'things stand')} here that Yarin did not bring: somebody made ${view.byHand === 1 ? 'it' : 'them'} by hand or by other means. The plan compares by content and title and doubles nothing.`
    : '',
);
const hasFresh = computed(() => view.course.things === view.course.stockThings);
</script>

<template>
  <section :aria-label="label">
    <h2>{{ label }}</h2>
    <p class="name">
      <b>{{ view.course.term }}</b> {{ courseName(view.course) }}
    </p>
    <p class="quiet">{{ courseLine(view.course) }}</p>
    <p v-if="view.course.cancelled" class="told doubtful">The registrar took this section off.</p>
    <template v-if="label === 'Into'">
      <p v-for="run in view.brought" :key="run.runId" class="told">
        {{ count(run.things, 'thing') }} {{ run.things === 1 ? 'was' : 'were' }} brought already, by {{ run.by }} on
        {{ whenWords(run.at) }}, from {{ run.from }}.
        <RouterLink class="plain-link" :to="{ name: 'plan', params: { id: run.planId } }">record</RouterLink>
      </p>
      <p v-if="byHand" class="told doubtful">{{ byHand }}</p>
      <p v-if="view.brought.length === 0 && !byHand" class="told">
        {{
          hasFresh ? 'Nobody has brought anything into it. What it holds is stock, which gives way to what comes.' : ''
        }}
      </p>
    </template>
    <h3>It holds</h3>
    <ul>
      <li v-for="{ kind, count: number } in view.kinds" :key="kind">
        <span>{{ KIND_WORDS[kind].many }}</span> <b>{{ number }}</b>
      </li>
    </ul>
    <p v-if="view.kinds.length === 0" class="quiet">Nothing at all.</p>
    <p class="small">
      <RouterLink class="plain-link" :to="{ name: 'course', params: { id: view.course.id } }"
        >open the course</RouterLink
      >
    </p>
  </section>
</template>

<style scoped>
.name {
  font-size: 16.5px;
}

b {
  font-weight: 600;
}

.told {
  margin-top: 8px;
}

h3 {
  margin: 12px 0 4px;
}

ul {
  columns: 2;
  column-gap: 32px;
  list-style: none;
  margin: 0 0 10px;
  padding: 0;
}

li {
  display: flex;
  justify-content: space-between;
  padding: 2px 0;
  border-bottom: 1px solid var(--rule-faint);
  break-inside: avoid;
}
</style>
