<script setup lang="ts">
import { ref } from 'vue';
import { count, listed } from '../../shared/words.js';
import type { StripPanel } from './panels/stripPanel.js';
import { useAnswers } from './panels/useAnswers.js';
import { useReasons, type Reason } from './panels/useReasons.js';
import { useShellThings } from './panels/useShellThings.js';

/** What is set aside and why, what needs a decision, and what only the shell has: each opens at a press. */
const opened = defineModel<StripPanel | null>('opened', { required: true });
const { aside, noted } = useReasons();
const { waiting } = useAnswers();
const { gone, own } = useShellThings();
/** “15”; “2 and 2 places kept”. */
const numbersOf = ({ staying, places }: Reason): string =>
  places === 0
    ? String(staying)
    : listed([...(staying > 0 ? [String(staying)] : []), `${count(places, 'place')} kept`]);
const showsNoted = ref(false);
const toggle = (panel: StripPanel): void => void (opened.value = opened.value === panel ? null : panel);
</script>

<template>
  <div class="line">
    <b>Set aside</b>
    <button
      v-for="reason in aside"
      :key="reason.name"
      class="reason"
      :aria-expanded="opened === reason.name"
      @click="toggle(reason.name)"
    >
      {{ reason.words }} <span>{{ numbersOf(reason) }}</span>
    </button>
    <span v-if="aside.length === 0" class="quiet">nothing</span>
    <button v-if="waiting > 0" class="reason waits" :aria-expanded="opened === 'answers'" @click="toggle('answers')">
      needs a decision <span>{{ waiting }}</span>
    </button>
    <button v-if="gone.length > 0" class="reason comes" :aria-expanded="opened === 'gone'" @click="toggle('gone')">
      gone from the old course <span>{{ gone.length }}</span>
    </button>
    <button v-if="own.length > 0" class="reason comes" :aria-expanded="opened === 'own'" @click="toggle('own')">
      the shell’s own <span>{{ own.length }}</span>
    </button>
    <template v-if="noted.length > 0">
      <button class="noted plain-link" :aria-expanded="showsNoted" @click="showsNoted = !showsNoted">
        {{ showsNoted ? 'noted' : `noted ${noted.length} more` }}
      </button>
      <button
        v-for="reason in showsNoted ? noted : []"
        :key="reason.name"
        class="reason comes"
        :aria-expanded="opened === reason.name"
        @click="toggle(reason.name)"
      >
        {{ reason.words }} <span>{{ reason.findings.length }}</span>
      </button>
    </template>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  padding: 6px var(--margin) 2px;
}

b {
  font-weight: 600;
}

.noted {
  margin-left: 4px;
}

.reason {
  border: 0;
  border-bottom: 1.5px dashed var(--ash);
  padding: 0 0 1px;
  background: none;
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}

.reason.comes {
  border-bottom-style: solid;
  border-bottom-color: var(--load-new);
}

.reason.waits {
  border-bottom: 2px solid var(--madder);
}

.reason span {
  color: var(--quiet);
}
</style>
