<script setup lang="ts">
import { computed, ref } from 'vue';
import { count } from '../../../shared/words.js';
import PlanLine from '../../lines/PlanLine.vue';
import { KEEP_ALL, oneByOneOf, TAKE_ALL, useAnswers, type NeedGroup } from './useAnswers.js';

defineEmits<{ open: [item: string] }>();
const { asks, rules, needs, titleOf, bringAfterAll, leaveToo, letServe, landHidden, letOpen, answer } = useAnswers();

const MOST_NAMED = 3;
const named = (ids: readonly string[]): string => {
  const titles = ids.slice(0, MOST_NAMED).map((id) => `“${titleOf(id)}”`);
  return ids.length > MOST_NAMED ? `${titles.join(', ')} and ${ids.length - MOST_NAMED} more` : titles.join(', ');
};
const needTitle = ({ items, neededBy }: NeedGroup): string => {
  const by = `${count(neededBy.length, 'thing')} ${neededBy.length === 1 ? 'needs' : 'need'}`;
  return items.length === 1
    ? `“${titleOf(items[0]!)}” was left, and ${by} it`
    : `${items.length} things that you left are needed: ${by} them`;
};
const needDetail = ({ items, neededBy }: NeedGroup): string =>
  `${items.length === 1 ? named(neededBy) : named(items)}; unanswered, ${items.length === 1 ? 'it comes' : 'they come'}`;

/** Groups that are answered thing by thing. */
const apart = ref<ReadonlySet<string>>(new Set());
const needLines = computed((): readonly NeedGroup[] =>
  needs.value.flatMap((group) => (apart.value.has(group.key) ? oneByOneOf(group) : group)),
);

const askedIds = computed(() => asks.value.map(({ item }) => item!));
const oneByOne = ref(false);
</script>

<template>
  <section class="panel" aria-label="What needs a decision">
    <ul tabindex="0" aria-label="Decisions">
      <PlanLine
        v-for="rule in rules"
        :key="rule.rule"
        :title="`“${titleOf(rule.guards)}” would open without its condition`"
        :detail="`“${titleOf(rule.rule)}” stays behind, since “${titleOf(rule.reads)}” does`"
      >
        <ElButton size="small" plain type="primary" @click="bringAfterAll([rule.reads])"
          >Bring {{ titleOf(rule.reads) }}</ElButton
        >
        <button class="plain-link" @click="landHidden(rule.guards)">land it hidden</button>
        <button class="plain-link" @click="letOpen(rule.rule, rule.guards)">let it open</button>
      </PlanLine>
      <PlanLine v-for="group in needLines" :key="group.key" :title="needTitle(group)" :detail="needDetail(group)">
        <ElButton size="small" plain type="primary" @click="bringAfterAll(group.items)">{{
          group.items.length === 1 ? 'Bring it after all' : 'Bring them after all'
        }}</ElButton>
        <button class="plain-link" @click="leaveToo(group.items, group.neededBy)">
          leave {{ group.neededBy.length === 1 ? 'that' : `those ${group.neededBy.length}` }} too
        </button>
        <button v-if="group.items.length > 1" class="plain-link" @click="apart = new Set([...apart, group.key])">
          one by one
        </button>
        <ElSelect
          v-if="group.needed.length === 1 && group.needed[0]!.equivalents.length > 0"
          class="serve"
          size="small"
          placeholder="use the shell’s …"
          :aria-label="`Use in the place of ${titleOf(group.items[0]!)}`"
          @change="(id: string) => letServe(group.items[0]!, id)"
        >
          <ElOption v-for="id in group.needed[0]!.equivalents" :key="id" :value="id" :label="titleOf(id)" />
        </ElSelect>
      </PlanLine>
      <PlanLine
        v-if="asks.length > 1"
        :title="`${asks.length} things stand in the shell already`"
        :detail="`${named(askedIds)}; unanswered, the shell’s stay`"
      >
        <ElButton size="small" plain type="primary" @click="oneByOne = !oneByOne">{{
          oneByOne ? 'Together' : 'One by one'
        }}</ElButton>
        <button class="plain-link" @click="answer(askedIds, KEEP_ALL, `keep the shell’s, ${asks.length} times`)">
          keep the shell’s
        </button>
        <button class="plain-link" @click="answer(askedIds, TAKE_ALL, `take the old course’s, ${asks.length} times`)">
          take the old course’s
        </button>
      </PlanLine>
      <PlanLine
        v-for="line in asks.length === 1 || oneByOne ? asks : []"
        :key="line.item!"
        :title="`“${titleOf(line.item!)}” stands in the shell already`"
        detail="both sides have their own; unanswered, the shell’s stays"
      >
        <ElButton size="small" plain type="primary" @click="$emit('open', line.item!)">See both</ElButton>
        <button class="plain-link" @click="answer([line.item!], KEEP_ALL, `keep the shell’s ${titleOf(line.item!)}`)">
          keep the shell’s
        </button>
        <button class="plain-link" @click="answer([line.item!], TAKE_ALL, `take the old ${titleOf(line.item!)}`)">
          take the old course’s
        </button>
      </PlanLine>
    </ul>
  </section>
</template>

<style scoped>
.panel {
  padding: 4px var(--margin) 10px;
  border-top: 1px solid var(--rule-faint);
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 220px;
  overflow: auto;
}

.serve {
  width: 170px;
}
</style>
