<script setup lang="ts">
import { firstFew, linksToLeft, type LinkToLeft } from '@yarin/core';
import { computed, ref } from 'vue';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';

/** Links to what stays: it comes after all, something of the shell stands for it, or plain words name it. */
const plan = usePlanStore();
const isOpen = ref(false);
const links = computed(() => linksToLeft(plan.ground!, plan.preview!));
const titles = computed(() => new Map(plan.source.items.map(({ id, title }) => [id, title])));
const titleOf = (id: string): string => titles.value.get(id) ?? 'something that is not here';
const standing = computed(() => plan.view!.shell.items.filter(({ kind }) => kind !== 'courseSettings'));
const led = computed(() => links.value.filter(({ isOnlyLed }) => isOnlyLed));
const may = computed(() => plan.view!.right.may);

const named = (these: readonly LinkToLeft[]): string =>
  these.length === 1 ? titleOf(these[0]!.target) : count(these.length, 'thing');
const each = <Value,>(these: readonly LinkToLeft[], value: Value): Record<string, Value> =>
  Object.fromEntries(these.map(({ target }) => [target, value]));

function bring(these: readonly LinkToLeft[]): void {
  const { items } = plan.decisions.choices;
  plan.choose({ items: { ...items, ...each(these, 'bring' as const) } }, `bring ${named(these)} after all`);
}
function say(these: readonly LinkToLeft[]): void {
  const { plainWords } = plan.decisions.choices;
  plan.choose({ plainWords: { ...plainWords, ...each(these, true) } }, `name ${named(these)} in plain words`);
}
function lead(link: LinkToLeft, to: string): void {
  const { equivalents } = plan.decisions.choices;
  plan.choose(
    { equivalents: { ...equivalents, [link.target]: to } },
    `lead to the shell’s in place of ${named([link])}`,
  );
}
</script>

<template>
  <template v-if="may && links.length > 0">
    <button class="plain-link" @click="bring(links)">
      {{ links.length === 1 ? `bring ${named(links)}` : `bring all ${links.length}` }}
    </button>
    <button v-if="led.length > 0" class="plain-link" @click="say(led)">plain words</button>
    <button class="plain-link" :aria-expanded="isOpen" @click="isOpen = !isOpen">one by one</button>
    <ul v-if="isOpen">
      <li v-for="link in links" :key="link.target">
        <span>
          <b>{{ titleOf(link.target) }}</b>
          <small class="quiet"> stays; {{ firstFew(link.from.map(titleOf)) }} led there</small>
        </span>
        <span class="acts">
          <button class="plain-link" :aria-label="`bring ${titleOf(link.target)}`" @click="bring([link])">
            bring it
          </button>
          <button
            v-if="link.isOnlyLed"
            class="plain-link"
            :aria-label="`plain words for ${titleOf(link.target)}`"
            @click="say([link])"
          >
            plain words
          </button>
          <ElSelect
            v-if="standing.length > 0"
            size="small"
            filterable
            placeholder="the shell’s …"
            :aria-label="`What of the shell stands for ${titleOf(link.target)}`"
            :model-value="''"
            @change="(to: string) => lead(link, to)"
          >
            <ElOption v-for="item in standing" :key="item.id" :value="item.id" :label="item.title" />
          </ElSelect>
        </span>
      </li>
    </ul>
  </template>
</template>

<style scoped>
ul {
  flex-basis: 100%;
  list-style: none;
  margin: 2px 0 0;
  padding: 0;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 4px 16px;
  padding: 4px 0;
}

b {
  font-weight: 600;
}

.acts {
  display: flex;
  gap: 14px;
  align-items: center;
  white-space: nowrap;
}

.el-select {
  width: 150px;
}
</style>
