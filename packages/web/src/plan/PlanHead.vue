<script setup lang="ts">
import { dateTotalsOf, waitsForDecision, weekdayWords } from '@yarin/core';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { count, ofWords } from '../shared/words.js';
import { broughtBy } from './state/runWords.js';
import { usePlanStore } from './state/planStore.js';
import { useRunStore } from './state/runStore.js';
import { timeWords } from '../shared/readersDates.js';

const { knot } = defineProps<{ knot: string }>();
const emit = defineEmits<{ go: [knot?: string] }>();

const plan = usePlanStore();
const runs = useRunStore();
const router = useRouter();

const course = computed(() => plan.view!.shell.course);
/** The run under way: of this window, or into this shell from another one. */
const running = computed(() => (runs.job?.planId === plan.view!.id ? runs.job : plan.elsewhere));
const isRunning = computed(() => running.value !== null);
const doubts = computed(() => plan.preview!.causes.length);
const toDecide = computed(() => (plan.isDone ? 0 : plan.preview!.looseEnds.filter(waitsForDecision).length));
const loose = computed(() => plan.preview!.looseEnds.length);
const dates = computed(() => {
  if (plan.isDone) return plan.lastRun!.counts.dates + (plan.lastRun!.counts.datesKept ?? 0);
  const { move, kept } = dateTotalsOf(plan.preview!.dates);
  return move + kept;
});
/** What the plan brings; once that is done, what it brought. */
const comes = computed(() => ofWords(plan.isDone ? broughtBy(plan.standingRuns) : plan.totals));

const knots = computed(() => [
  {
    id: 'what',
    name: 'What',
    count: toDecide.value === 0 ? comes.value : `${comes.value}, ${toDecide.value} to decide`,
    waits: toDecide.value > 0,
    doubtful: toDecide.value > 0,
  },
  {
    id: 'when',
    name: 'When',
    count:
      doubts.value === 0
        ? count(dates.value, 'date')
        : `${count(dates.value, 'date')}, ${count(doubts.value, 'doubt')}`,
    waits: doubts.value > 0,
    doubtful: doubts.value > 0,
  },
  { id: 'left-over', name: 'Left over', count: String(loose.value), waits: loose.value > 0, doubtful: loose.value > 0 },
]);

const classDays = computed(() => {
  const [before, after] = [plan.source, plan.view!.shell].map(({ meetings }) => weekdayWords(meetings));
  return before === after || before === '' || after === '' ? '' : `class moves from ${before} to ${after} · `;
});
const savedWords = computed(() => {
  const alone = plan.view!.scope === 'gradebook' ? 'the gradebook set-up alone · ' : '';
  if (plan.isDone) return `${alone}brought ${timeWords(plan.lastRun!.at)} by ${plan.lastRun!.by}`;
  return `${alone}${classDays.value}${{ saved: 'saved', saving: 'saving …', failed: 'not saved' }[plan.saving]}`;
});
/** The act by its result: “Bring 212 things”. */
const actWords = computed(() => {
  const { comes: come, takenOut: out } = plan.totals;
  if (out === 0) return `Bring ${count(come, 'thing')}`;
  return come === 0 ? `Take ${count(out, 'thing')} out` : `Bring ${come}, take ${out} out`;
});
const share = computed(() => running.value?.share ?? (plan.isDone ? 1 : 0));

/** The old course; of several their list. */
function openOld(): void {
  if (plan.sources.length > 1)
    void router.push({ name: 'plan', params: { id: plan.view!.id, knot: 'what' }, query: { show: 'sources' } });
  else void router.push({ name: 'course', params: { id: plan.source.course.id } });
}

async function bring(): Promise<void> {
  const outcome = await plan.bring();
  if (outcome !== null) emit('go');
}
</script>

<template>
  <header class="head">
    <h1>
      {{ course.code }} {{ course.number }} {{ course.title }} <small>{{ savedWords }}</small>
    </h1>
    <div class="pair">
      <button class="side" @click="openOld">
        <span class="term">{{ plan.sides!.old.term }}</span>
        <small>{{ plan.sides!.old.words }}</small>
      </button>
      <nav class="strand" aria-label="The plan">
        <span class="thread"><span class="filled" :style="{ width: `${share * 100}%` }"></span></span>
        <a
          v-for="each in knots"
          :key="each.id"
          class="knot"
          :class="{ here: knot === each.id, filled: !each.waits }"
          :href="`/plan/${plan.view!.id}/${each.id}`"
          :aria-current="knot === each.id ? 'page' : undefined"
          @click.prevent="$emit('go', knot === each.id ? undefined : each.id)"
        >
          <svg width="22" height="16" aria-hidden="true"><ellipse cx="11" cy="8" rx="9" ry="6.5" /></svg>
          <span class="label"
            ><b>{{ each.name }}</b> <span :class="each.doubtful ? 'waits' : 'quiet'">{{ each.count }}</span></span
          >
        </a>
      </nav>
      <button class="side new" @click="router.push({ name: 'course', params: { id: course.id } })">
        <span class="term">{{ plan.sides!.new.term }}</span>
        <small>{{ plan.sides!.new.words }}</small>
      </button>
      <div class="act">
        <template v-if="plan.isDone">
          <ElButton type="primary" class="go" @click="router.push({ name: 'course', params: { id: course.id } })">
            <span
              >Open the new course<small
                >{{ count(plan.totals.holds, 'thing stands', 'things stand') }} in it</small
              ></span
            >
          </ElButton>
        </template>
        <ElButton
          v-else-if="plan.view!.right.may"
          type="primary"
          class="go"
          :disabled="isRunning || plan.preview!.toWrite === 0 || plan.problem !== ''"
          @click="bring"
        >
          <span v-if="isRunning"
            >Bringing …<small
              >{{ Math.round(share * 100) }} %{{ plan.elsewhere ? `, by ${plan.elsewhere.by}` : '' }}</small
            ></span
          >
          <span v-else-if="plan.preview!.toWrite === 0"
            >Nothing to bring<small>{{
              plan.totals.stands === 0 ? 'nothing is chosen yet' : 'all that is chosen is there'
            }}</small></span
          >
          <span v-else>{{ actWords }}<small>one press takes it back</small></span>
        </ElButton>
        <small v-else class="quiet">{{ plan.view!.right.why }}</small>
      </div>
    </div>
  </header>
</template>

<style scoped>
.head {
  flex: none;
  padding: 12px var(--margin) 10px;
  border-bottom: 1px solid var(--rule);
}

h1 {
  font-size: 26px;
  line-height: 30px;
}

h1 small {
  margin-left: 8px;
  font: 13.5px var(--sans);
  color: var(--quiet);
}

.pair {
  display: grid;
  grid-template-columns: auto 1fr auto 190px;
  gap: 18px;
  align-items: center;
  margin-top: 6px;
}

.side {
  border: 0;
  padding: 0;
  background: none;
  color: var(--ink);
  text-align: left;
  cursor: pointer;
}

.side.new {
  text-align: right;
}

.term {
  display: block;
  font: 500 18px/22px var(--serif);
}

.side small {
  display: block;
  font-size: 13px;
  line-height: 16px;
  color: var(--quiet);
}

.strand {
  position: relative;
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  padding: 0 12px;
}

.thread {
  position: absolute;
  left: 0;
  right: 0;
  top: 7px;
  height: 2px;
  background: var(--load-new);
}

.thread::before,
.thread::after {
  content: '';
  position: absolute;
  top: -2px;
  width: 6px;
  height: 6px;
  border-radius: 50%;
  background: var(--indigo);
}

.thread::after {
  right: 0;
}

.thread .filled {
  position: absolute;
  left: 0;
  top: 0;
  height: 2px;
  background: var(--indigo);
  transition: width 0.2s;
}

.knot {
  position: relative;
  justify-self: center;
  display: grid;
  justify-items: center;
  gap: 3px;
  padding-bottom: 3px;
  border-bottom: 2px solid transparent;
  color: var(--ink);
  text-decoration: none;
}

.knot.here {
  border-bottom-color: var(--indigo);
}

.knot ellipse {
  fill: var(--paper);
  stroke: var(--indigo);
  stroke-width: 1.8;
}

.knot.filled ellipse {
  fill: var(--indigo);
}

.label {
  font-size: 14px;
}

.label b {
  font-weight: 600;
}

.waits {
  color: var(--weld-ink);
}

.act {
  text-align: right;
}

.go {
  width: 190px;
  height: auto;
  padding: 7px 14px;
  font-size: 15px;
}

.go small {
  display: block;
  margin-top: 2px;
  font-size: 12px;
  font-weight: 400;
}

@media (max-width: 900px) {
  .pair {
    grid-template-columns: 1fr 1fr;
  }

  .strand {
    grid-column: 1 / -1;
    order: 3;
  }

  .act {
    grid-column: 1 / -1;
    order: 4;
    text-align: left;
  }
}
</style>
