<script setup lang="ts">
import { type AccessAsk } from '@yarin/core';
import { ref } from 'vue';
import { answerAccess } from '../shared/api/access.js';
import { sentenceOf } from '../shared/api/client.js';
import { useAnnouncer } from '../shared/announcer.js';
import { termInSentence } from '../shared/courseLine.js';
import { courseCode } from '../shared/words.js';
import { momentWords } from '../shared/readersDates.js';

const { ask, mineToAnswer = false } = defineProps<{ ask: AccessAsk; mineToAnswer?: boolean }>();
const emit = defineEmits<{ answered: [] }>();

const { say } = useAnnouncer();
const words = ref('');
const isRefusing = ref(false);
const failure = ref('');
const WANTS = { use: 'use it as a source', change: 'work in it' } as const;
const ANSWERS = { granted: 'let in', refused: 'not let in', withdrawn: 'no longer let in' } as const;

async function answer(given: 'granted' | 'refused' | 'withdrawn'): Promise<void> {
  failure.value = '';
  try {
    await answerAccess(ask.id, given, words.value);
    say(`${ask.person}: ${ANSWERS[given]}.`);
    emit('answered');
  } catch (error) {
    failure.value = sentenceOf(error);
  }
}
</script>

<template>
  <li>
    <span>
      <b>{{ ask.person }}</b>
      {{ ask.unasked ? 'was let in unasked, to' : ask.answer === null ? 'asks to' : 'asked to' }}
      {{ WANTS[ask.wants] }}: {{ courseCode(ask.course) }}, {{ termInSentence(ask.course) }}
      <small class="quiet">
        {{ momentWords(ask.askedAt) }}<template v-if="ask.words">: “{{ ask.words }}”</template>
        <template v-if="ask.answer">
          · {{ ANSWERS[ask.answer] }} by {{ ask.answeredBy
          }}<template v-if="ask.answerWords">: “{{ ask.answerWords }}”</template></template
        >
      </small>
      <form v-if="isRefusing" class="refusing" @submit.prevent="answer('refused')">
        <ElInput
          v-model="words"
          size="small"
          :maxlength="1000"
          aria-label="Why not"
          placeholder="Why not, in a sentence"
        />
        <ElButton size="small" native-type="submit">Refuse</ElButton>
        <button type="button" class="plain-link" @click="isRefusing = false">close</button>
      </form>
      <small v-if="failure" class="failure" role="alert">{{ failure }}</small>
    </span>
    <span v-if="mineToAnswer" class="acts">
      <template v-if="ask.answer === null && !isRefusing">
        <button class="plain-link" @click="answer('granted')">let in</button>
        <button class="plain-link" @click="isRefusing = true">refuse</button>
      </template>
      <button v-else-if="ask.answer === 'granted'" class="plain-link" @click="answer('withdrawn')">withdraw</button>
    </span>
  </li>
</template>

<style scoped>
li {
  display: flex;
  justify-content: space-between;
  gap: 14px;
  padding: 7px 0;
  border-top: 1px solid var(--rule-faint);
}

b {
  font-weight: 600;
}

small {
  display: block;
  font-size: 13px;
}

.refusing {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 4px;
}

.failure {
  color: var(--madder);
}

.acts {
  display: flex;
  gap: 14px;
  align-items: baseline;
}
</style>
