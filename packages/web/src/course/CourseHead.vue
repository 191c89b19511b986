<script setup lang="ts">
import { computed } from 'vue';
import { termLabel } from '../shared/courseLine.js';
import { count, sectionWords } from '../shared/words.js';
import { useCourseStore } from './state/courseStore.js';

const { part } = defineProps<{ part: string }>();

const course = useCourseStore();
const view = computed(() => course.view!);
const summary = computed(() => view.value.summary);

const PARTS = ['outline', 'gradebook', 'dates', 'class-days', 'files', 'settings'] as const;

/** Why nothing can be changed here, or what else has to be known of the course first. */
const remarks = computed(() => {
  const { rights } = view.value;
  return [
    summary.value.cancelled ? 'The registrar took this section off.' : '',
    rights.change.may ? '' : rights.change.why,
  ].filter((remark) => remark !== '');
});
</script>

<template>
  <header>
    <div class="name">
      <h1>{{ summary.code }} {{ summary.number }} {{ summary.title }}</h1>
      <p class="quiet">
        <b>{{ termLabel(summary) }}</b> · {{ sectionWords(summary) }} ·
        {{ summary.instructors.join(', ') || 'no instructor yet' }} · {{ count(view.items.length, 'thing') }}
        <template v-if="summary.campus"> · {{ summary.campus }}</template>
        <template v-if="summary.archived"> · archived</template>
        <template v-if="summary.madeByHand"> · made by hand</template>
      </p>
    </div>
    <nav class="parts" aria-label="Parts of the course">
      <RouterLink
        v-for="each in PARTS"
        :key="each"
        :to="{ params: { part: each === 'outline' ? '' : each }, query: {} }"
        :aria-current="each === part ? 'page' : undefined"
        >{{ each.replace('-', ' ') }}</RouterLink
      >
    </nav>
    <div class="acts">
      <RouterLink
        v-if="view.rights.run.may && summary.type === 'course'"
        class="act"
        :to="{ name: 'pair', params: { side: 'into', id: summary.id } }"
        >Bring into this</RouterLink
      >
      <RouterLink
        v-if="view.rights.use.may"
        class="act"
        :to="{ name: 'pair', params: { side: 'from', id: summary.id } }"
        >Carry forward to …</RouterLink
      >
    </div>
    <p v-for="remark in remarks" :key="remark" class="remark quiet small">{{ remark }}</p>
  </header>
</template>

<style scoped>
header {
  flex: none;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: end;
  gap: 2px 24px;
  padding: 12px var(--margin) 0;
  border-bottom: 1px solid var(--rule);
}

h1 {
  font-size: 26px;
  line-height: 30px;
}

b {
  font-weight: 600;
}

.acts {
  grid-column: 2;
  grid-row: 1;
  display: flex;
  gap: 10px;
  align-self: center;
}

.act {
  padding: 5px 14px;
  border: 1px solid var(--indigo);
  border-radius: var(--corner);
  font-weight: 600;
  text-decoration: none;
  white-space: nowrap;
}

.act:hover {
  background: var(--row-focus);
}

.parts {
  grid-column: 1 / -1;
  display: flex;
  gap: 22px;
  margin-top: 6px;
}

.parts a {
  padding-bottom: 6px;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 2px solid transparent;
}

.parts a:hover {
  border-bottom-color: var(--rule);
}

.parts a[aria-current] {
  font-weight: 600;
  border-bottom-color: var(--indigo);
}

.remark {
  grid-column: 1 / -1;
  padding-bottom: 6px;
}

@media (max-width: 800px) {
  header {
    grid-template-columns: minmax(0, 1fr);
  }

  .acts {
    grid-column: 1;
    grid-row: auto;
    flex-wrap: wrap;
  }

  .parts {
    gap: 14px;
  }
}
</style>
