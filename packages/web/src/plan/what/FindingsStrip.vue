<script setup lang="ts">
import { FINDING_WORDS, type Finding, type FindingName } from '@yarin/core';
import { computed, ref } from 'vue';
import { usePlanStore } from '../planStore.js';
import type { Grouping } from './spreadRows.js';
import { useChoosing } from './useChoosing.js';

const grouping = defineModel<Grouping>('grouping', { required: true });
const plan = usePlanStore();
const { turn } = useChoosing();
const opened = ref<FindingName | null>(null);
const showsNoted = ref(false);

interface Reason {
  readonly name: FindingName;
  readonly findings: readonly Finding[];
  readonly staying: number;
  readonly turned: 'bring' | 'leave' | undefined;
}

const reasons = computed((): Reason[] => {
  const staying = new Set(plan.preview!.lines.filter(({ verb }) => verb === 'leave').map(({ item }) => item));
  const byName = new Map<FindingName, Finding[]>();
  for (const finding of plan.view!.findings)
    byName.set(finding.finding, [...(byName.get(finding.finding) ?? []), finding]);
  return [...byName].map(([name, findings]) => ({
    name,
    findings,
    staying: findings.filter(({ item }) => staying.has(item)).length,
    turned: plan.decisions.choices.findings?.[name],
  }));
});
const aside = computed(() => reasons.value.filter(({ staying }) => staying > 0));
const noted = computed(() => reasons.value.filter(({ staying }) => staying === 0));
const shown = computed(() => reasons.value.find(({ name }) => name === opened.value));
const titles = computed(() => new Map(plan.view!.source.items.map(({ id, title }) => [id, title])));
const ids = (reason: Reason): string[] => reason.findings.map(({ item }) => item);

const show = (name: FindingName): void => void (opened.value = opened.value === name ? null : name);
</script>

<template>
  <div class="findings">
    <div class="strip">
      <b>Set aside</b>
      <button
        v-for="reason in aside"
        :key="reason.name"
        class="reason"
        :aria-expanded="opened === reason.name"
        @click="show(reason.name)"
      >
        {{ FINDING_WORDS[reason.name] }} <span>{{ reason.staying }}</span>
      </button>
      <span v-if="aside.length === 0" class="quiet">nothing</span>
      <template v-if="noted.length > 0">
        <button class="noted plain-link" :aria-expanded="showsNoted" @click="showsNoted = !showsNoted">
          {{ showsNoted ? 'noted' : `noted ${noted.length} more` }}
        </button>
        <button
          v-for="reason in showsNoted ? noted : []"
          :key="reason.name"
          class="reason comes"
          :aria-expanded="opened === reason.name"
          @click="show(reason.name)"
        >
          {{ FINDING_WORDS[reason.name] }} <span>{{ reason.findings.length }}</span>
        </button>
      </template>
      <span class="by">
        by
        <button
          v-for="each in ['outline', 'kind'] as const"
          :key="each"
          class="grouping"
          :aria-pressed="grouping === each"
          @click="grouping = each"
        >
          {{ each }}
        </button>
      </span>
    </div>
    <section v-if="shown" class="evidence" :aria-label="FINDING_WORDS[shown.name]">
      <ul tabindex="0" :aria-label="`Evidence: ${FINDING_WORDS[shown.name]}`">
        <li v-for="finding in shown.findings" :key="finding.item">
          <b>{{ titles.get(finding.item) }}</b> <span class="quiet">{{ finding.evidence }}</span>
        </li>
      </ul>
      <p class="turns">
        <ElButton size="small" plain type="primary" @click="turn(shown.name, ids(shown), 'bring')"
          >Bring all {{ shown.findings.length }}</ElButton
        >
        <ElButton size="small" plain type="primary" @click="turn(shown.name, ids(shown), 'leave')"
          >Leave all {{ shown.findings.length }}</ElButton
        >
        <button v-if="shown.turned" class="plain-link" @click="turn(shown.name, ids(shown), 'default')">
          as proposed
        </button>
        <button class="plain-link" @click="opened = null">close</button>
      </p>
    </section>
  </div>
</template>

<style scoped>
.findings {
  flex: none;
  border-bottom: 1px solid var(--rule);
  background: var(--raised);
}

.strip {
  min-height: 40px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  padding: 5px var(--margin);
  font-size: 13.5px;
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

.reason span {
  color: var(--quiet);
}

.by {
  margin-left: auto;
  color: var(--quiet);
  display: flex;
  gap: 10px;
}

.grouping {
  border: 0;
  padding: 0;
  background: none;
  font: inherit;
  color: var(--quiet);
  cursor: pointer;
}

.grouping[aria-pressed='true'] {
  color: var(--ink);
  text-decoration: underline;
  text-underline-offset: 3px;
}

.evidence {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 24px;
  padding: 4px var(--margin) 10px;
  border-top: 1px solid var(--rule-faint);
  font-size: 13.5px;
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
}

.turns {
  display: flex;
  gap: 12px;
  align-items: flex-start;
}
</style>
