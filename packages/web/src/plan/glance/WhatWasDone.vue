<script setup lang="ts">
import { firstFew, KIND_WORDS, KINDS, parseDay } from '@yarin/core';
import { computed } from 'vue';
import { count } from '../../shared/words.js';
import { runWords } from '../state/runWords.js';
import { usePlanStore } from '../state/planStore.js';
import { zerosWords } from '../state/planWords.js';
import PartToTakeBack from './PartToTakeBack.vue';
import TakenBack from './TakenBack.vue';
import { dayWords, timeWords } from '../../shared/readersDates.js';

const plan = usePlanStore();
const run = computed(() => plan.lastRun!);
/** What would be refused is not offered. */
const mayTakeBack = computed(() => plan.view!.right.may);
const MOST_NAMED = 5;
const rows = computed(() =>
  KINDS.flatMap((kind) => {
    const counts = run.value.counts.byKind[kind];
    // Of a set-up by itself nothing else was meant to come.
    const isMeant = plan.view!.scope === 'course' || (counts?.brought ?? 0) > 0;
    if (counts === undefined || !isMeant) return [];
    const { source, brought, stood = 0 } = counts;
    return [{ name: KIND_WORDS[kind].many, source, brought, stood, left: source - brought - stood }];
  }),
);
const sum = (of: 'source' | 'brought' | 'stood' | 'left'): number => rows.value.reduce((all, row) => all + row[of], 0);
const hasStood = computed(() => sum('stood') > 0);
/** Earlier runs of the plan that stand. */
const earlier = computed(() => plan.standingRuns.slice(1));
</script>

<template>
  <section aria-label="What was done">
    <h2>What was done</h2>
    <p class="lead">
      {{ runWords(run.counts) }}. {{ dayWords(parseDay(run.at)) }} at {{ timeWords(run.at) }}, by {{ run.by }}.
    </p>
    <p v-for="before in earlier" :key="before.id" class="quiet">
      Before it: {{ runWords(before.counts) }}, {{ dayWords(parseDay(before.at)) }} at {{ timeWords(before.at) }}, by
      {{ before.by }}. It stands, and is taken back after this one.
    </p>
    <p v-if="run.counts.bySource" class="quiet">
      {{ run.counts.bySource.map(({ name, things }) => `${things} from ${name}`).join(' · ') }}.
    </p>
    <p class="quiet">Never came: {{ zerosWords(plan.learners) }}.</p>
    <p v-if="mayTakeBack && plan.changedSince.length === 0" class="back">
      <ElButton plain type="primary" @click="plan.takeBack()">Take it back</ElButton>
      <span class="quiet">The shell will be exactly as it was before.</span>
    </p>
    <div v-else-if="mayTakeBack" class="asked" role="alert">
      <p>
        {{ count(plan.changedSince.length, 'thing was', 'things were') }} changed since:
        {{ firstFew(plan.changedSince, MOST_NAMED) }}. Nothing was taken back yet.
      </p>
      <p class="back">
        <ElButton plain type="primary" @click="plan.takeRestBack('stay')">Take the rest back</ElButton>
        <ElButton plain type="primary" @click="plan.takeRestBack('go')">Take all back</ElButton>
        <button class="plain-link" @click="plan.changedSince = []">leave it</button>
      </p>
      <p class="quiet small">
        The rest: what was changed stays, with its units and what it needs. All: changes since the run are lost; what
        somebody made themselves stays.
      </p>
    </div>
    <PartToTakeBack
      v-if="mayTakeBack && plan.changedSince.length === 0"
      :run-id="run.id"
      @take="plan.takeBack($event)"
    />
    <TakenBack />
    <table>
      <thead>
        <tr>
          <th scope="col">kind</th>
          <th scope="col">last term</th>
          <th scope="col">brought</th>
          <th v-if="hasStood" scope="col">was there</th>
          <th scope="col">left</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <td>{{ row.name }}</td>
          <td>{{ row.source }}</td>
          <td>{{ row.brought }}</td>
          <td v-if="hasStood">{{ row.stood || '' }}</td>
          <td>{{ row.left || '' }}</td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">together</th>
          <td>{{ sum('source') }}</td>
          <td>{{ sum('brought') }}</td>
          <td v-if="hasStood">{{ sum('stood') }}</td>
          <td>{{ sum('left') }}</td>
        </tr>
      </tfoot>
    </table>
  </section>
</template>

<style scoped>
.lead {
  font-size: 16.5px;
  line-height: 24px;
  padding-bottom: 6px;
}

.back {
  display: flex;
  align-items: center;
  gap: 14px;
  margin: 12px 0 6px;
}

.asked {
  margin: 12px 0 16px;
  padding: 8px 12px;
  background: var(--weld-paper);
}

.asked .back {
  margin: 8px 0;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th {
  padding: 4px 8px 3px 0;
  text-align: left;
  font-weight: 400;
  font-size: 13px;
  color: var(--quiet);
}

tfoot th {
  padding-left: 0;
}

tfoot td,
tfoot th {
  border-top: 1px solid var(--rule);
}

td {
  height: 24px;
  padding-right: 8px;
  border-top: 1px solid var(--rule-faint);
}

th:not(:first-child),
td:not(:first-child) {
  width: 90px;
  text-align: right;
}
</style>
