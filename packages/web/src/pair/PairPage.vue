<script setup lang="ts">
import type { CourseSummary } from '@yarin/core';
import { computed, shallowRef, toRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import PeekSheet from '../find/PeekSheet.vue';
import PageFailure from '../shared/PageFailure.vue';
import PairHead from '../shared/PairHead.vue';
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
    <PairHead
      :title="side === 'into' ? 'Bring into this shell' : 'Carry this course forward'"
      :from="side === 'into' ? (chosen[0] ? termInSentence(chosen[0]) : 'the old course') : termInSentence(view.course)"
      :to="
        side === 'into'
          ? view.course.term
          : chosen.length > 1
            ? count(chosen.length, 'shell')
            : (chosen[0]?.term ?? 'the new shell')
      "
    >
      <ElButton v-if="right?.may" type="primary" size="large" :disabled="chosen.length === 0" @click="open(chosen)">{{
        actWords
      }}</ElButton>
      <p v-else class="refusal">{{ right?.may === false ? right.why : '' }}</p>
    </PairHead>
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

<style scoped src="../shared/pairOfPages.css"></style>
<style scoped>
.refusal {
  max-width: 420px;
  color: var(--quiet);
}

.trouble {
  padding: 8px var(--margin);
  color: var(--madder);
}

.pages > .inside {
  overflow: hidden;
  padding: 14px 0 0;
}

.first {
  order: -1;
}

@media (max-width: 800px) {
  .pages > .inside {
    order: -1;
    height: 80vh;
  }
}
</style>
