<script setup lang="ts">
import type { CourseSummary, PairView } from '@yarin/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { fetchPair } from '../shared/api/courses.js';
import { openPlan } from '../shared/api/plans.js';
import { sentenceOf } from '../shared/api/client.js';
import PageFailure from '../shared/PageFailure.vue';
import { useAnnouncer } from '../shared/announcer.js';
import { count, courseCode } from '../shared/words.js';
import FindOther from './FindOther.vue';
import PairCandidates from './PairCandidates.vue';
import SideSheet from './SideSheet.vue';

const { side, id } = defineProps<{ side: 'into' | 'from'; id: string }>();

const router = useRouter();
const { announce } = useAnnouncer();
const view = shallowRef<PairView | null>(null);
const failure = ref('');
const trouble = ref('');
/** What was chosen for the other side, in order. */
const chosen = shallowRef<readonly CourseSummary[]>([]);

function load(): void {
  failure.value = '';
  view.value = null;
  chosen.value = [];
  fetchPair(id, side === 'into' ? 'shell' : 'source').then(
    (found) => {
      view.value = found;
      const [first] = found.candidates;
      if (side === 'into' && found.verdict === 'one' && first !== undefined) chosen.value = [first.course];
    },
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
}
watch(() => [side, id], load, { immediate: true });

const right = computed(() => (side === 'into' ? view.value?.rights.run : view.value?.rights.use));
const isChosen = (course: CourseSummary): boolean => chosen.value.some(({ id: known }) => known === course.id);

function toggle(course: CourseSummary): void {
  chosen.value = isChosen(course) ? chosen.value.filter((each) => each.id !== course.id) : [...chosen.value, course];
}

const actWords = computed(() => {
  const [first] = chosen.value;
  if (first === undefined) return 'Choose the other side';
  const many = chosen.value.length > 1;
  if (side === 'into') return many ? `Plan from ${count(chosen.value.length, 'course')}` : `Plan from ${first.term}`;
  return many ? `Open ${count(chosen.value.length, 'plan')}` : `Plan into ${courseCode(first)}`;
});

/** Several sources make one plan, in the order chosen; several shells one each. */
async function open(): Promise<void> {
  trouble.value = '';
  try {
    const plans: string[] = [];
    const others = chosen.value.map((other) => other.id);
    if (side === 'into') plans.push((await openPlan(others, id)).id);
    else for (const shell of others) plans.push((await openPlan([id], shell)).id);
    if (plans.length === 1) await router.push({ name: 'plan', params: { id: plans[0] } });
    else {
      announce(`${count(plans.length, 'plan')} opened.`);
      load();
    }
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}
</script>

<template>
  <PageFailure v-if="failure" :sentence="failure" @again="load" />
  <div v-else-if="view" class="pair">
    <header>
      <h1>{{ side === 'into' ? 'Bring into this shell' : 'Carry this course forward' }}</h1>
      <p class="way" aria-hidden="true">
        <span>{{ side === 'into' ? (chosen[0]?.term ?? 'the old course') : view.course.term }}</span>
        <svg viewBox="0 0 220 14" preserveAspectRatio="none">
          <path d="M2 7H206" />
          <path d="M200 2l8 5-8 5" />
        </svg>
        <span>{{
          side === 'into'
            ? view.course.term
            : chosen.length > 1
              ? count(chosen.length, 'shell')
              : (chosen[0]?.term ?? 'the new shell')
        }}</span>
      </p>
      <ElButton v-if="right?.may" type="primary" size="large" :disabled="chosen.length === 0" @click="open">{{
        actWords
      }}</ElButton>
      <p v-else class="refusal">{{ right?.may === false ? right.why : '' }}</p>
    </header>
    <p class="visually-hidden">
      Things flow from {{ side === 'into' ? 'the old course at the left' : courseCode(view.course) }} into
      {{ side === 'into' ? courseCode(view.course) : 'the shells at the right' }}.
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <div class="pages">
      <template v-if="side === 'into'">
        <section aria-label="From">
          <PairCandidates :view="view" side="into" :chosen="chosen" @toggle="toggle" />
          <FindOther :self="view.course" :chosen="chosen" side="into" @toggle="toggle" />
        </section>
        <SideSheet :view="view" label="Into" />
      </template>
      <template v-else>
        <SideSheet :view="view" label="From" />
        <section aria-label="Into">
          <PairCandidates :view="view" side="from" :chosen="chosen" @toggle="toggle" />
          <FindOther :self="view.course" :chosen="chosen" side="from" @toggle="toggle" />
        </section>
      </template>
    </div>
  </div>
  <p v-else class="quiet loading">Looking for the other side …</p>
</template>

<style scoped>
.pair {
  height: 100%;
  overflow: auto;
}

header {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 6px 28px;
  align-items: center;
  padding: 14px var(--margin);
  border-bottom: 1px solid var(--rule);
}

h1 {
  font-size: 26px;
  line-height: 32px;
}

.way {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: center;
  font: 500 17px/24px var(--serif);
  white-space: nowrap;
}

svg {
  width: 220px;
  height: 14px;
  flex: none;
}

path {
  fill: none;
  stroke: var(--indigo);
  stroke-width: 2;
}

.refusal {
  max-width: 420px;
  color: var(--quiet);
}

.trouble {
  padding: 8px var(--margin);
  color: var(--madder);
}

.pages {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 64px;
  padding: 14px var(--margin) 40px;
}

.loading {
  padding: 26px var(--margin);
}

@media (max-width: 800px) {
  header,
  .pages {
    grid-template-columns: 1fr;
  }

  .way {
    justify-content: start;
  }

  svg {
    width: 60px;
  }
}
</style>
