<script setup lang="ts">
import { parseDay, type CourseSummary, type DeskShell, type RunUnderWay } from '@yarin/core';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { openPlan } from '../shared/api/plans.js';
import { sentenceOf } from '../shared/api/client.js';
import { asRead } from '../shared/readersDates.js';
import KnotStrand from '../shared/KnotStrand.vue';
import { termLabel } from '../shared/courseLine.js';
import { count, courseCode, listed, sectionWords } from '../shared/words.js';
import { holdsWords, leftWords, numberWord, reasonWords, sentenceWords } from './deskWords.js';
import { dayWords, timeWords } from '../shared/readersDates.js';

const { entry, isFirst, running } = defineProps<{
  entry: DeskShell;
  isFirst: boolean;
  /** The run into it that is under way. */
  running: RunUnderWay | undefined;
}>();

const router = useRouter();
const failure = ref('');
const isChoosing = ref(false);
const first = computed(() => entry.candidates[0]);
/** It is planned from a course that a person chose, and that is not the one proposed. */
const isChosenByHand = computed(
  () => entry.plan?.touched === true && entry.source !== null && entry.source.id !== first.value?.course.id,
);
/** One predecessor, or somebody chose. */
const isDecided = computed(() => entry.verdict === 'one' || entry.plan?.touched === true);
/** What is known of its plan; nothing yet while it is being worked out. */
const sentence = computed(() => (entry.said === 'underWay' ? null : entry.said.sentence));
const planLine = computed(() => {
  if (entry.said === 'underWay') return 'its plan is being worked out';
  return entry.said.sentence === null ? asRead(entry.said.why ?? '') : sentenceWords(entry.said.sentence);
});

const show = (id: string): void => void router.push({ name: 'plan', params: { id } });
const openShown = (): void => {
  if (entry.plan !== null) show(entry.plan.id);
  else if (entry.source !== null) void open(entry.source.id);
};

async function open(source: string): Promise<void> {
  failure.value = '';
  try {
    const { id } = await openPlan([source], entry.shell.id);
    show(id);
  } catch (error) {
    failure.value = sentenceOf(error);
  }
}

const pairing = computed(() => ({ name: 'pair', params: { side: 'into', id: entry.shell.id } }));

/** “ECO 214, Spring 2026”, of a course under whatever code. */
const sourceName = (course: CourseSummary): string => `${course.code} ${course.number}, ${runLabel(course)}`;
const runLabel = ({ term, section, type }: CourseSummary): string =>
  type === 'course' ? `${term}, section ${section}` : type === 'template' ? 'Shared template' : 'Development course';
</script>

<template>
  <div class="shell" :class="{ parallel: !isFirst }">
    <div>
      <b v-if="isFirst">{{ entry.shell.code }} {{ entry.shell.number }} {{ entry.shell.title }}</b>
      <small
        ><RouterLink class="place-link" :to="{ name: 'course', params: { id: entry.shell.id } }">{{
          sectionWords(entry.shell)
        }}</RouterLink>
        · {{ holdsWords(entry.shell)
        }}<template v-if="entry.shell.cancelled"> · taken off by the registrar</template></small
      >
    </div>
    <div v-if="running">
      <p>Being brought by {{ running.by }}: {{ Math.round(running.share * 100) }} %</p>
      <small>what was done stands here when it is</small>
    </div>
    <div v-else-if="entry.done">
      <p>
        {{ count(entry.done.things, 'thing') }} brought {{ dayWords(parseDay(entry.done.at)) }} at
        {{ timeWords(entry.done.at) }}
      </p>
      <small
        >by {{ entry.done.by
        }}{{ entry.source && entry.source.id !== first?.course.id ? `, from ${sourceName(entry.source)}` : ''
        }}{{ sentence ? `; ${leftWords(sentence)} left` : '' }}</small
      >
    </div>
    <div v-else-if="isChosenByHand && entry.source">
      <p>
        from
        <RouterLink class="place-link" :to="{ name: 'course', params: { id: entry.source.id } }">{{
          sourceName(entry.source)
        }}</RouterLink>, which you chose
        <RouterLink class="plain-link small" :to="pairing">another</RouterLink>
      </p>
      <small>{{ planLine }}</small>
    </div>
    <div v-else-if="entry.verdict === 'none'">
      <p>No predecessor with this code</p>
      <small><RouterLink class="place-link" :to="pairing">find any course that you may use</RouterLink></small>
    </div>
    <div v-else-if="entry.verdict === 'several'">
      <p>
        <button class="place-link" :aria-expanded="isChoosing" @click="isChoosing = !isChoosing">
          {{ numberWord(entry.candidates.length) }} could be it</button
        >: {{ listed(entry.candidates.slice(0, 2).map(({ course }) => `${runLabel(course)}`)) }}
      </p>
      <small v-for="candidate in entry.candidates.slice(0, 2)" :key="candidate.course.id"
        >{{ termLabel(candidate.course) }}: {{ reasonWords(candidate)
        }}{{ candidate.against.includes('notYours') ? ` (${listed(candidate.course.instructors)})` : '' }}</small
      >
    </div>
    <div v-else-if="first">
      <p>
        <RouterLink class="place-link" :to="{ name: 'course', params: { id: first.course.id } }">{{
          runLabel(first.course)
        }}</RouterLink>,
        {{ reasonWords(first) }}
        <button
          v-if="entry.candidates.length > 1"
          class="plain-link small"
          :aria-expanded="isChoosing"
          @click="isChoosing = !isChoosing"
        >
          {{ entry.candidates.length - 1 }} more
        </button>
      </p>
      <small>{{ planLine }}</small>
    </div>
    <KnotStrand
      :what="isDecided && sentence?.toDecide === 0"
      :when="isDecided && sentence?.doubts === 0"
      :left-over="sentence?.leftOver === 0"
      :solid="entry.done !== null"
      :label="entry.done ? 'brought' : 'not brought yet'"
    />
    <div class="act">
      <template v-if="entry.right.may">
        <ElButton v-if="entry.done" plain type="primary" @click="openShown">See what was done</ElButton>
        <ElButton
          v-else-if="entry.verdict === 'several' && !entry.plan?.touched"
          plain
          type="primary"
          @click="isChoosing = true"
          >Choose</ElButton
        >
        <ElButton v-else-if="entry.source" type="primary" :plain="entry.plan?.touched === true" @click="openShown">
          {{ entry.plan?.touched ? 'Carry on' : 'Open the plan' }}
          <span class="visually-hidden">of {{ courseCode(entry.shell) }}</span>
        </ElButton>
      </template>
      <small v-else>{{ entry.right.why }}</small>
    </div>
    <ul v-if="isChoosing" class="candidates">
      <li v-for="candidate in entry.candidates" :key="candidate.course.id">
        <b>{{ runLabel(candidate.course) }}</b>
        <span>{{ count(candidate.course.things, 'thing') }} · {{ candidate.course.instructors.join(', ') }}</span>
        <span class="quiet">{{ reasonWords(candidate) }}</span>
        <button class="plain-link" @click="open(candidate.course.id)">plan from this</button>
      </li>
      <li>
        <RouterLink class="plain-link" :to="pairing">see them side by side, or find another</RouterLink>
      </li>
    </ul>
    <p v-if="entry.otherPlans.length > 0" class="others quiet">
      begun too:
      <button v-for="each in entry.otherPlans" :key="each.id" class="plain-link" @click="show(each.id)">
        from {{ sourceName(each.source) }}
      </button>
    </p>
    <p v-if="failure" class="failure" role="alert">{{ failure }}</p>
  </div>
</template>

<style scoped>
.shell {
  display: grid;
  grid-template-columns: 340px 1fr 160px 150px;
  gap: 4px 18px;
  align-items: center;
  padding: 11px 0;
  min-height: 66px;
}

.shell.parallel {
  border-top: 1px solid var(--rule-faint);
  padding-top: 8px;
  min-height: 56px;
}

b {
  display: block;
  font-size: 15.5px;
  font-weight: 600;
}

small {
  display: block;
  font-size: 13px;
  color: var(--quiet);
}

.act {
  justify-self: end;
}

.candidates {
  grid-column: 2 / -1;
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}

.candidates li {
  display: grid;
  grid-template-columns: 190px 190px 1fr auto;
  gap: 12px;
  align-items: baseline;
  padding: 5px 0;
  border-top: 1px solid var(--rule-faint);
}

.candidates b {
  font-size: 14.5px;
}

.others {
  grid-column: 2 / -1;
  display: flex;
  gap: 12px;
  font-size: 13px;
}

.failure {
  grid-column: 2 / -1;
  color: var(--madder);
}

@media (max-width: 800px) {
  .shell {
    grid-template-columns: 1fr;
  }

  .act {
    justify-self: start;
  }

  .candidates,
  .others,
  .failure {
    grid-column: 1;
  }

  .candidates li {
    grid-template-columns: 1fr;
    gap: 2px;
  }
}
</style>
