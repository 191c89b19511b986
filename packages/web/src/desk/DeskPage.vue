<script setup lang="ts">
import { parseDay, type DeskShell } from '@yarin/core';
import { computed, onMounted, ref } from 'vue';
import { changedIn } from '../plan/state/useTakeBack.js';
import { takeBackRun } from '../shared/api/plans.js';
import { sentenceOf } from '../shared/api/client.js';
import PageFailure from '../shared/PageFailure.vue';
import { useAnnouncer } from '../shared/announcer.js';
import { termInSentence } from '../shared/courseLine.js';
import { count, courseCode } from '../shared/words.js';
import AskLine from '../access/AskLine.vue';
import DeskShellRow from './DeskShellRow.vue';
import MakeShell from './MakeShell.vue';
import { deskLine } from './deskWords.js';
import { useDesk } from './useDesk.js';
import { asRead, momentWords } from '../shared/readersDates.js';

const { desk, failure, load, running } = useDesk();
const trouble = ref('');
const isMaking = ref(false);
const { say } = useAnnouncer();

onMounted(load);

const startsIn = computed(() => {
  const { term, now } = desk.value ?? {};
  if (!term || now === undefined) return '';
  const days = parseDay(term.firstDay) - parseDay(now);
  return days > 1
    ? `${term.name} starts in ${days} days`
    : days === 1
      ? `${term.name} starts tomorrow`
      : `${term.name} has begun`;
});

/** Parallel sections of one course stand together. */
const courses = computed(() => {
  const groups = new Map<string, DeskShell[]>();
  for (const shell of desk.value?.shells ?? []) {
    const key = `${shell.shell.code} ${shell.shell.number}`;
    groups.set(key, [...(groups.get(key) ?? []), shell]);
  }
  return [...groups.values()];
});

async function takeBack(runId: string): Promise<void> {
  trouble.value = '';
  try {
    const { things } = await takeBackRun(runId);
    await load();
    say(`${count(things, 'thing is', 'things are')} taken back; the shell is as it was.`);
  } catch (error) {
    const asks = changedIn(error).length === 0 ? '' : ' Its record asks what becomes of them.';
    trouble.value = `${sentenceOf(error)}${asks}`;
  }
}
</script>

<template>
  <PageFailure v-if="failure" :sentence="failure" @again="load" />
  <div v-else-if="desk" class="desk">
    <h1>{{ startsIn || 'No term lies ahead' }}</h1>
    <p class="line-under">
      {{
        desk.shells.length > 0
          ? deskLine(desk.shells)
          : 'No shell of the coming term is yours. They appear here by themselves when the registrar has made them.'
      }}
    </p>
    <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
    <section v-for="shells in courses" :key="shells[0]!.shell.id" class="course" :aria-label="shells[0]!.shell.title">
      <DeskShellRow
        v-for="(each, index) in shells"
        :key="each.shell.id"
        :entry="each"
        :is-first="index === 0"
        :running="running[each.shell.id]"
      />
    </section>
    <p class="more">
      <button v-if="!isMaking" class="plain-link" @click="isMaking = true">Make a shell by hand</button>
      <MakeShell v-else @close="isMaking = false" />
      <RouterLink class="plain-link" :to="{ name: 'find', query: { when: 'past', mine: 'yes' } }"
        >Carry an old course of mine forward</RouterLink
      >
    </p>
    <div class="two">
      <section v-if="desk.asked.length > 0" aria-label="Asked of you">
        <h2>Asked of you</h2>
        <ul>
          <AskLine v-for="ask in desk.asked" :key="ask.id" :ask="ask" mine-to-answer @answered="load" />
        </ul>
      </section>
      <section v-if="desk.notices.length > 0" aria-label="From the registrar">
        <h2>From the registrar</h2>
        <ul>
          <li v-for="notice in desk.notices" :key="`${notice.courseId} ${notice.sentence}`">
            <span
              >{{ asRead(notice.sentence) }} <small>{{ momentWords(notice.at) }}</small></span
            >
            <RouterLink class="plain-link" :to="{ name: 'course', params: { id: notice.courseId } }">open</RouterLink>
          </li>
        </ul>
      </section>
      <section>
        <h2>Notes to this term, from you</h2>
        <ul v-if="desk.notes.length > 0">
          <li v-for="note in desk.notes" :key="note.itemKey">
            <span>
              “{{ note.note }}”
              <small>on {{ note.title }}</small>
            </span>
            <RouterLink
              class="plain-link"
              :to="{ name: 'course', params: { id: note.courseId }, query: { item: note.itemKey } }"
              >open</RouterLink
            >
          </li>
        </ul>
        <p v-else class="quiet empty">
          Notes that you leave beside things of a course stand here when its next term comes.
        </p>
      </section>
      <section>
        <h2>Lately</h2>
        <ul v-if="desk.lately.length > 0">
          <li v-for="run in desk.lately" :key="run.id">
            <span>
              {{ count(run.things, 'thing') }} into
              {{ run.destination ? courseCode(run.destination) : 'a course' }} from
              {{ run.source ? termInSentence(run.source) : 'a course that was removed' }}
              <small>{{ momentWords(run.at) }}, by {{ run.by }}{{ run.undoneAt ? '; taken back' : '' }}</small>
            </span>
            <span class="acts">
              <RouterLink class="plain-link" :to="{ name: 'plan', params: { id: run.planId } }">record</RouterLink>
              <button v-if="!run.undoneAt" class="plain-link" @click="takeBack(run.id)">take back</button>
            </span>
          </li>
        </ul>
        <p v-else class="quiet empty">What you bring stands here, and can be taken back from here.</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.desk {
  padding: 22px var(--margin) 40px;
  height: 100%;
  overflow: auto;
}

.line-under {
  margin: 4px 0 18px;
  color: var(--quiet);
  font-size: 16px;
}

.trouble {
  margin: 0 0 12px;
  color: var(--madder);
}

.course {
  border-top: 1px solid var(--rule);
}

.more {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 22px;
  padding: 10px 0 22px;
  border-top: 1px solid var(--rule);
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 26px 48px;
  padding-top: 22px;
  border-top: 1px solid var(--rule);
}

.two h2 {
  padding-bottom: 6px;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 7px 0;
  border-top: 1px solid var(--rule-faint);
}

small {
  display: block;
  font-size: 13px;
  color: var(--quiet);
}

.acts {
  display: flex;
  align-items: baseline;
  align-self: start;
  gap: 14px;
}

.empty {
  padding: 7px 0;
  border-top: 1px solid var(--rule-faint);
}

@media (max-width: 800px) {
  .two {
    grid-template-columns: 1fr;
    gap: 24px;
  }
}
</style>
