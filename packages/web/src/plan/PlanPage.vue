<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, watch } from 'vue';
import { useRouter } from 'vue-router';
import { courseCode } from '../shared/words.js';
import { asRead } from '../shared/readersDates.js';
import PageFailure from '../shared/PageFailure.vue';
import { useKeys } from '../shared/useKeys.js';
import { useNews } from '../shared/useNews.js';
import { useUndoKeys } from '../shared/useUndoKeys.js';
import CalendarNotice from './CalendarNotice.vue';
import PlanFoot from './PlanFoot.vue';
import PlanGlance from './glance/PlanGlance.vue';
import PlanHead from './PlanHead.vue';
import PlanTurn from './PlanTurn.vue';
import LeftOverView from './leftOver/LeftOverView.vue';
import { usePlanStore } from './state/planStore.js';
import SpreadView from './what/SpreadView.vue';
import WeaveView from './when/WeaveView.vue';

const { id, knot } = defineProps<{ id: string; knot?: string }>();

const plan = usePlanStore();
const router = useRouter();

watch(
  () => id,
  (next) => void plan.load(next),
  { immediate: true },
);
onMounted(() => window.addEventListener('pagehide', plan.leave));
onBeforeUnmount(() => {
  window.removeEventListener('pagehide', plan.leave);
  void plan.flush();
});
useNews(() => plan.hear());

const go = (to?: string): void => void router.push({ name: 'plan', params: { id, knot: to ?? '' } });
useKeys({
  w: () => go('what'),
  n: () => go('when'),
  l: () => go('left-over'),
  Escape: () => (knot ? go() : false),
});

useUndoKeys(plan);

/** Of the plan: those whose calendars it goes by. */
const courses = computed(() =>
  plan.view === null ? [] : [...plan.view.sources.map(({ source }) => source.course), plan.view.shell.course],
);

const shown = computed(() =>
  knot === 'what' ? SpreadView : knot === 'when' ? WeaveView : knot === 'left-over' ? LeftOverView : PlanGlance,
);
</script>

<template>
  <PageFailure v-if="plan.failure" :sentence="plan.failure" @again="plan.load(id)" />
  <div v-else-if="plan.view && plan.preview" class="plan">
    <PlanHead :knot="knot ?? ''" @go="go" />
    <PlanTurn :id="id" />
    <CalendarNotice />
    <p v-if="plan.trouble || plan.problem" class="trouble" role="alert">{{ plan.trouble || asRead(plan.problem) }}</p>
    <component :is="shown" class="body" @go="go" />
    <PlanFoot :knot="knot ?? ''" />
  </div>
  <PageFailure v-else-if="plan.view && plan.problem" :sentence="asRead(plan.problem)" @again="plan.load(id)">
    <p>
      The calendars and class days of both courses:
      <template v-for="(course, at) in courses" :key="course.id"
        ><template v-if="at > 0"> · </template
        ><RouterLink :to="{ name: 'course', params: { id: course.id, part: 'class-days' } }">{{
          `${courseCode(course)}, ${course.term}`
        }}</RouterLink></template
      >. Nothing of the plan is lost.
    </p>
  </PageFailure>
  <p v-else class="working quiet">Working the plan out …</p>
</template>

<style scoped>
.plan {
  height: 100%;
  display: flex;
  flex-direction: column;
}

.body {
  flex: 1;
  min-height: 0;
}

@media (max-height: 520px) {
  .plan {
    height: auto;
    min-height: 100%;
  }

  .body {
    flex: none;
    height: 100vh;
  }
}

.trouble {
  padding: 8px var(--margin);
  color: var(--madder);
  background: var(--raised);
  border-bottom: 1px solid var(--rule);
}

.working {
  padding: 26px var(--margin);
}
</style>
