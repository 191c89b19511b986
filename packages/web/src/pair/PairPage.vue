<script setup lang="ts">
import type { CourseSummary } from '@yarin/core';
import { computed, shallowRef, toRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import PeekSheet from '../find/PeekSheet.vue';
import PageFailure from '../shared/PageFailure.vue';
import { termInSentence, termLabel } from '../shared/courseLine.js';
import { useKeys } from '../shared/useKeys.js';
import { count, courseCode } from '../shared/words.js';
import FindOther from './FindOther.vue';
import PairCandidates from './PairCandidates.vue';
import SideSheet from './SideSheet.vue';
import TwoCourses from './TwoCourses.vue';
import { usePair } from './usePair.js';

const { side, id } = defineProps<{ side: 'into' | 'from'; id: string }>();

const route = useRoute();
const router = useRouter();
const { view, failure, trouble, chosen, above, load, open, press } = usePair(
  toRef(() => side),
  toRef(() => id),
);

const right = computed(() => (side === 'into' ? view.value?.rights.run : view.value?.rights.use));
const actWords = computed(() => {
  const [first] = chosen.value;
  if (first === undefined) return 'Choose the other side';
  const many = chosen.value.length > 1;
  if (side === 'into')
    return many ? `Plan from ${count(chosen.value.length, 'course')}` : `Plan from ${termInSentence(first)}`;
  return many ? `Open ${count(chosen.value.length, 'plan')}` : `Plan into ${courseCode(first)}`;
});

/** What is looked at beside the list stands in the address, so that the way back leads to the pair, with all that is ticked. */
const peeked = shallowRef<CourseSummary>();
const compared = shallowRef<readonly [CourseSummary, CourseSummary]>();
const inside = computed(() => (route.query.look === peeked.value?.id ? peeked.value : undefined));
const beside = computed(() => (route.query.beside === compared.value?.[1].id ? compared.value : undefined));

function look(course: CourseSummary): void {
  peeked.value = course;
  void router.push({ query: { look: course.id } });
}
function compare(course: CourseSummary): void {
  compared.value = [chosen.value[0]!, course];
  void router.push({ query: { beside: course.id } });
}
const close = (): void => void router.push({ query: {} });
useKeys({ Escape: () => (inside.value || beside.value ? close() : false) });
</script>

<template>
  <PageFailure v-if="failure" :sentence="failure" @again="load" />
  <div v-else-if="view" class="pair">
    <header>
      <h1>{{ side === 'into' ? 'Bring into this shell' : 'Carry this course forward' }}</h1>
      <p class="way" aria-hidden="true">
        <span>{{
          side === 'into' ? (chosen[0] ? termInSentence(chosen[0]) : 'the old course') : termInSentence(view.course)
        }}</span>
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
      <ElButton v-if="right?.may" type="primary" size="large" :disabled="chosen.length === 0" @click="open(chosen)">{{
        actWords
      }}</ElButton>
      <p v-else class="refusal">{{ right?.may === false ? right.why : '' }}</p>
    </header>
    <p class="visually-hidden">
      Things flow from {{ side === 'into' ? 'the old course at the left' : courseCode(view.course) }} into
      {{ side === 'into' ? courseCode(view.course) : 'the shells at the right' }}.
    </p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <TwoCourses v-if="beside" :left="beside[0]" :right="beside[1]">
      <template v-if="right?.may">
        <ElButton v-for="course in beside" :key="course.id" size="small" @click="open([course])"
          >Plan from {{ termLabel(course) }}</ElButton
        >
        <ElButton size="small" @click="open(beside)">Plan from both</ElButton>
      </template>
      <button class="plain-link" @click="close">back to the pair</button>
    </TwoCourses>
    <div v-else class="pages" :class="{ looking: inside }">
      <section :aria-label="side === 'into' ? 'From' : 'Into'" class="others">
        <PairCandidates :view="view" :side="side" :chosen="chosen" @press="press" @peek="look" @beside="compare" />
        <FindOther
          :above="above"
          :chosen="chosen"
          :how="side === 'into' ? 'one' : 'several'"
          @press="press"
          @peek="look"
          @beside="compare"
        />
      </section>
      <PeekSheet v-if="inside" :key="inside.id" class="inside" :course="inside">
        <template #default="{ mayUse }">
          <ElButton v-if="right?.may && (side === 'from' || mayUse)" size="small" @click="open([inside])">{{
            side === 'into' ? 'Plan from this' : 'Plan into this'
          }}</ElButton>
          <button class="plain-link" @click="close">back to the pair</button>
        </template>
      </PeekSheet>
      <SideSheet v-else :view="view" :label="side === 'into' ? 'Into' : 'From'" :class="{ first: side === 'from' }" />
    </div>
  </div>
  <p v-else class="quiet loading">Looking for the other side …</p>
</template>

<style scoped>
.pair {
  height: 100%;
  display: flex;
  flex-direction: column;
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
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 64px;
  padding: 0 var(--margin);
}

.pages > * {
  min-height: 0;
  overflow: auto;
  padding: 14px 0 40px;
}

.pages > .inside {
  overflow: hidden;
  padding: 14px 0 0;
}

.first {
  order: -1;
}

.loading {
  padding: 26px var(--margin);
}

@media (max-width: 800px) {
  .pair {
    height: auto;
  }

  header,
  .pages {
    grid-template-columns: 1fr;
    gap: 8px;
  }

  .pages > * {
    overflow: visible;
  }

  .pages > .inside {
    order: -1;
    height: 80vh;
  }

  .way {
    justify-content: start;
  }

  svg {
    width: 60px;
  }
}
</style>
