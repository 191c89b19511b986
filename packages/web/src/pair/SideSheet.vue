<script setup lang="ts">
import { KIND_WORDS, type PairView } from '@yarin/core';
import { computed } from 'vue';
import { courseLine, courseName, termLabel } from '../shared/courseLine.js';
import { standingWords } from '../shared/words.js';

const { view, label } = defineProps<{ view: PairView; label: 'From' | 'Into' }>();

const standing = computed(() => (label === 'Into' ? standingWords(view) : []));
const hasFresh = computed(() => view.course.things === view.course.stockThings);
</script>

<template>
  <section :aria-label="label">
    <h2>{{ label }}</h2>
    <p class="name">
      <b>{{ termLabel(view.course) }}</b> {{ courseName(view.course) }}
    </p>
    <p class="quiet">{{ courseLine(view.course) }}</p>
    <p v-if="view.course.cancelled" class="told doubtful">The registrar took this section off.</p>
    <p v-for="(sentence, index) in standing" :key="sentence" class="told">
      {{ sentence }}
      <RouterLink
        v-if="view.brought[index]"
        class="plain-link"
        :to="{ name: 'plan', params: { id: view.brought[index]!.planId } }"
        >record</RouterLink
      >
    </p>
    <p v-if="label === 'Into' && standing.length === 0 && hasFresh" class="told">
      Nobody has brought anything into it. What it holds is stock, which gives way to what comes.
    </p>
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
