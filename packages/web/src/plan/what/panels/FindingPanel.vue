<script setup lang="ts">
import { staysBehind } from '@yarin/core';
import { computed } from 'vue';
import { usePlanStore } from '../../state/planStore.js';
import { useChoosing } from '../rows/useChoosing.js';
import type { Reason } from './useReasons.js';
import { asRead } from '../../../shared/readersDates.js';

const { reason } = defineProps<{ reason: Reason }>();
defineEmits<{ close: []; open: [item: string] }>();

const plan = usePlanStore();
const { turn, chooseItem } = useChoosing();
const titles = computed(() => new Map(plan.source.items.map(({ id, title }) => [id, title])));
const ids = computed(() => reason.findings.map(({ item }) => item));
const comes = (id: string): boolean => {
  const line = plan.lineOf(id);
  return line !== undefined && !staysBehind(line);
};
const MOST_SHOWN = 200;
</script>

<template>
  <section class="panel" :aria-label="reason.words">
    <ul tabindex="0" :aria-label="`Evidence: ${reason.words}`">
      <li v-for="finding in reason.findings.slice(0, MOST_SHOWN)" :key="finding.item">
        <button class="title" @click="$emit('open', finding.item)">{{ titles.get(finding.item) }}</button>
        <span class="quiet evidence"
          ><template v-if="reason.elsewhere.has(finding.item)">set aside for another reason too · </template
          >{{ asRead(finding.evidence) }}</span
        >
        <button
          class="plain-link"
          :aria-label="`${comes(finding.item) ? 'Leave' : 'Bring'} ${titles.get(finding.item)}`"
          @click="chooseItem(finding.item, comes(finding.item) ? 'leave' : 'bring', titles.get(finding.item)!)"
        >
          {{ comes(finding.item) ? 'leave' : 'bring' }}
        </button>
        <button
          v-if="!plan.lineOf(finding.item)?.reword"
          class="plain-link"
          title="it comes as a draft, to be written anew"
          :aria-label="`Bring ${titles.get(finding.item)} to reword`"
          @click="chooseItem(finding.item, 'reword', titles.get(finding.item)!)"
        >
          reword
        </button>
      </li>
      <li v-if="reason.findings.length > MOST_SHOWN" class="quiet">
        and {{ reason.findings.length - MOST_SHOWN }} more; all of them stand together by finding
      </li>
    </ul>
    <p class="turns">
      <ElButton
        size="small"
        plain
        type="primary"
        :aria-pressed="reason.turned === 'bring'"
        @click="turn(reason.name, ids, 'bring')"
        >Bring all {{ reason.findings.length - reason.elsewhere.size }}</ElButton
      >
      <ElButton
        size="small"
        plain
        type="primary"
        :aria-pressed="reason.turned === 'reword'"
        @click="turn(reason.name, ids, 'reword')"
        >Bring all to reword</ElButton
      >
      <ElButton
        size="small"
        plain
        type="primary"
        :aria-pressed="reason.turned === 'leave'"
        @click="turn(reason.name, ids, 'leave')"
        >Leave all {{ reason.findings.length }}</ElButton
      >
      <button v-if="reason.turned" class="plain-link" @click="turn(reason.name, ids, 'default')">as proposed</button>
      <button class="plain-link" @click="$emit('close')">close</button>
    </p>
  </section>
</template>

<style scoped>
.panel {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 24px;
  padding: 4px var(--margin) 10px;
  border-top: 1px solid var(--rule-faint);
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 168px;
  overflow: auto;
  columns: 2;
  column-gap: 32px;
}

li {
  break-inside: avoid;
  padding: 2px 0;
  display: flex;
  gap: 8px;
  align-items: baseline;
}

.title {
  border: 0;
  padding: 0;
  background: none;
  font: inherit;
  font-weight: 600;
  color: var(--ink);
  cursor: pointer;
  text-align: left;
}

.evidence {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.turns.turns [aria-pressed='true'] {
  border-bottom-width: 3px;
}

.turns {
  display: flex;
  gap: 12px;
  align-items: flex-start;
}
</style>
