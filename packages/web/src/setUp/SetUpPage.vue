<script setup lang="ts">
import { computed, toRef } from 'vue';
import { useRouter } from 'vue-router';
import { openPlan } from '../shared/api/plans.js';
import { sentenceOf } from '../shared/api/client.js';
import PageFailure from '../shared/PageFailure.vue';
import PairHead from '../shared/PairHead.vue';
import { courseLine, courseName, termInSentence, termLabel } from '../shared/courseLine.js';
import { count } from '../shared/words.js';
import { actWords, effectWords, holdsWords, isUnbalanced } from './setUpWords.js';
import { useSetUp } from './useSetUp.js';

const { id } = defineProps<{ id: string }>();
const router = useRouter();
const { view, failure, chosen, outcomes, isBringing, load, bring, takeBack, toggle } = useSetUp(toRef(() => id));

const shells = computed(() => view.value?.into.filter(({ isRunning }) => !isRunning) ?? []);
const running = computed(() => view.value?.into.filter(({ isRunning }) => isRunning) ?? []);
const groups = computed(() => [
  { name: '', rows: shells.value },
  { name: 'Running courses', rows: running.value },
]);
const isEmpty = computed(() => {
  const { categories, lines, rubrics, hasScale } = view.value!.setUp;
  return categories + lines + rubrics === 0 && !hasScale;
});

/** Line by line, in the plan that it is. */
async function lookAt(course: string): Promise<void> {
  try {
    const { id: plan } = await openPlan([id], course, 'gradebook');
    await router.push({ name: 'plan', params: { id: plan, knot: 'what' } });
  } catch (error) {
    failure.value = sentenceOf(error);
  }
}
</script>

<template>
  <PageFailure v-if="failure" :sentence="failure" @again="load" />
  <div v-else-if="view" class="pair">
    <PairHead
      title="Carry a gradebook set-up on"
      :from="termInSentence(view.course)"
      :to="chosen.length === 0 ? 'other courses' : count(chosen.length, 'course')"
    >
      <ElButton
        v-if="view.right.may"
        type="primary"
        size="large"
        :disabled="chosen.length === 0 || isBringing"
        @click="bring"
        >{{ actWords(chosen.length) }}</ElButton
      >
      <p v-else class="quiet">{{ view.right.why }}</p>
    </PairHead>
    <div class="pages">
      <section aria-label="From">
        <h2>From</h2>
        <p class="name">
          <b>{{ termLabel(view.course) }}</b> {{ courseName(view.course) }}
        </p>
        <p>{{ isEmpty ? 'Its gradebook is empty; there is nothing to carry on.' : holdsWords(view.setUp) }}</p>
        <ul class="categories">
          <li v-for="{ title, weight, lines } in view.categories" :key="title">
            <span>{{ title }}</span>
            <span class="quiet">{{ count(lines, 'line') }}</span>
            <span class="weight">{{ weight === null ? '' : `${weight} %` }}</span>
          </li>
        </ul>
        <p class="quiet">
          Categories with their weights, lines, rubrics, scale and rounding come; no work, and no marks. What a course
          has already is compared and never doubled; what its people wrote there stays.
        </p>
        <p v-if="!view.setUp.hasScale && !isEmpty" class="quiet">It has no scale, so every course keeps its own.</p>
        <p>
          <RouterLink class="plain-link" :to="{ name: 'course', params: { id, part: 'gradebook' } }"
            >open its gradebook</RouterLink
          >
        </p>
      </section>
      <section aria-label="Into">
        <h2>Into</h2>
        <p v-if="view.into.length === 0" class="quiet">No course of this or a coming term is yours to fill.</p>
        <template v-for="{ name, rows } in groups" :key="name">
          <h3 v-if="name && rows.length > 0">{{ name }}</h3>
          <ul>
            <li v-for="row in rows" :key="row.course.id">
              <label>
                <input
                  type="checkbox"
                  :checked="chosen.includes(row.course.id)"
                  :disabled="row.toWrite === 0 || isBringing"
                  @change="toggle(row.course.id)"
                />
                <b>{{ termLabel(row.course) }}</b> <span>{{ courseName(row.course) }}</span>
              </label>
              <p class="quiet small">{{ courseLine(row.course) }}</p>
              <template v-if="typeof row.effect === 'string'">
                <p class="small">{{ row.effect }}</p>
              </template>
              <template v-else>
                <p class="small">holds {{ holdsWords(row.effect.holds) }}</p>
                <p v-if="row.toWrite === 0" class="small">has all of it</p>
                <p v-else class="small">{{ effectWords(row.effect).join(' · ') }}</p>
                <p v-if="row.toWrite > 0 && isUnbalanced(row.effect)" class="small">
                  <span class="doubtful">its weights would come to {{ row.effect.after.weights }} %</span>
                </p>
              </template>
              <p class="small links" role="status">
                <template v-if="outcomes.get(row.course.id)?.is === 'bringing'">bringing …</template>
                <template v-for="outcome in [outcomes.get(row.course.id)]" :key="outcome?.is">
                  <template v-if="outcome?.is === 'brought'">
                    <b>brought</b>
                    <button class="plain-link" @click="takeBack(row.course.id, outcome.runId)">take it back</button>
                    <RouterLink class="plain-link" :to="{ name: 'plan', params: { id: outcome.planId } }"
                      >record</RouterLink
                    >
                  </template>
                  <template v-else-if="outcome?.is === 'takenBack'">taken back</template>
                  <span v-else-if="outcome?.is === 'refused'" class="refused">{{ outcome.why }}</span>
                </template>
                <button v-if="row.toWrite > 0" class="plain-link" @click="lookAt(row.course.id)">line by line</button>
                <RouterLink
                  class="plain-link"
                  :to="{ name: 'course', params: { id: row.course.id, part: 'gradebook' } }"
                  >its gradebook</RouterLink
                >
              </p>
            </li>
          </ul>
        </template>
      </section>
    </div>
  </div>
  <p v-else class="quiet loading">Comparing the gradebooks …</p>
</template>

<style scoped src="../shared/pairOfPages.css"></style>
<style scoped>
ul {
  list-style: none;
  margin: 6px 0 14px;
  padding: 0;
}

li {
  padding: 9px 0;
  border-top: 1px solid var(--rule-faint);
}

b {
  font-weight: 600;
}

.name {
  font-size: 16.5px;
}

section > p {
  margin-bottom: 8px;
}

label {
  display: flex;
  gap: 9px;
  align-items: baseline;
  min-height: 24px;
}

li .small {
  padding-left: 22px;
}

.categories li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 80px 60px;
  padding: 2px 0;
}

.weight {
  text-align: right;
}

.links {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}

.refused {
  color: var(--madder);
}
</style>
