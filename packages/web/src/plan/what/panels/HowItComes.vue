<script setup lang="ts">
import {
  isOpened,
  KIND_WORDS,
  KINDS,
  SETTING_WORDS,
  settingsPresent,
  type LandingState,
  type SettingName,
} from '@yarin/core';
import { computed } from 'vue';
import { usePlanStore } from '../../state/planStore.js';

const plan = usePlanStore();
const choices = computed(() => plan.decisions.choices);

const STATES: readonly LandingState[] = ['as it was', 'draft', 'hidden'];
const landing = computed(() => choices.value.landing ?? 'as it was');
const kinds = computed(() => {
  const present = new Set(plan.source.items.map(({ kind }) => kind));
  return KINDS.filter((kind) => present.has(kind) && isOpened(kind));
});
function landKind(kind: string, state: LandingState | ''): void {
  const { [kind]: _, ...others } = choices.value.landings?.kinds ?? {};
  const byKind = state === '' ? others : { ...others, [kind]: state };
  plan.choose({ landings: { ...choices.value.landings, kinds: byKind } }, `how ${kind} lands`);
}

const openingPosts = computed(
  () => plan.source.items.filter(({ kind, details }) => kind === 'discussion' && details?.openingPost === true).length,
);
const settings = computed((): readonly SettingName[] => {
  const { items } = plan.source;
  const own = items.find(({ kind }) => kind === 'courseSettings');
  return own === undefined
    ? []
    : settingsPresent(
        own,
        items.map(({ id }) => id),
      );
});
const setting = (name: SettingName, comes: boolean): void =>
  plan.choose(
    { settings: { ...choices.value.settings, [name]: comes ? 'bring' : 'leave' } },
    `${comes ? 'bring' : 'leave'} the ${SETTING_WORDS[name]}`,
  );
</script>

<template>
  <section class="panel" aria-label="How it comes">
    <fieldset>
      <legend>Things land</legend>
      <ElRadioGroup
        :model-value="landing"
        size="small"
        aria-label="Things land"
        @update:model-value="(state) => plan.choose({ landing: state as LandingState }, `land ${state}`)"
      >
        <ElRadio v-for="state in STATES" :key="state" :value="state">{{
          state === 'draft' ? 'as drafts' : state
        }}</ElRadio>
      </ElRadioGroup>
    </fieldset>
    <fieldset v-if="settings.length > 0">
      <legend>Settings of the course</legend>
      <ElCheckbox
        v-for="name in settings"
        :key="name"
        size="small"
        :model-value="choices.settings?.[name] !== 'leave'"
        @change="(comes) => setting(name, comes === true)"
        >{{ SETTING_WORDS[name] }}</ElCheckbox
      >
    </fieldset>
    <fieldset>
      <legend>And besides</legend>
      <ElCheckbox
        size="small"
        :model-value="choices.onlyLacking === true"
        @change="(on) => plan.choose({ onlyLacking: on === true }, 'only what the shell lacks')"
        >only what the shell lacks</ElCheckbox
      >
      <ElCheckbox
        v-if="openingPosts > 0"
        size="small"
        :model-value="choices.openingPosts !== 'leave'"
        @change="(on) => plan.choose({ openingPosts: on === true ? 'bring' : 'leave' }, 'opening posts')"
        >the teacher’s opening posts, {{ openingPosts }}</ElCheckbox
      >
    </fieldset>
    <p v-if="plan.sources.length === 1 && plan.source.items.some(({ kind }) => kind === 'gradeCategory')">
      <RouterLink class="plain-link" :to="{ name: 'setUp', params: { id: plan.source.course.id } }"
        >the gradebook set-up by itself, into one course or several</RouterLink
      >
    </p>
    <details>
      <summary>a kind by itself</summary>
      <ul>
        <li v-for="kind in kinds" :key="kind">
          {{ KIND_WORDS[kind].many }}
          <ElSelect
            class="state"
            size="small"
            clearable
            :model-value="choices.landings?.kinds?.[kind] ?? ''"
            placeholder="as the rest"
            :aria-label="`How ${KIND_WORDS[kind].many} land`"
            @change="(state: LandingState | '' | undefined) => landKind(kind, state ?? '')"
          >
            <ElOption v-for="state in STATES" :key="state" :value="state" :label="state" />
          </ElSelect>
        </li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
.panel {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 40px;
  padding: 6px var(--margin) 10px;
  border-top: 1px solid var(--rule-faint);
}

fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 16px;
}

.el-radio-group {
  gap: 0 16px;
}

legend {
  float: left;
  margin-right: 12px;
  padding: 0;
  font-weight: 600;
}

.panel.panel .el-checkbox,
.panel.panel .el-radio {
  height: 28px;
  margin-right: 0;
  --el-checkbox-font-size: 13.5px;
}

summary {
  color: var(--indigo);
  cursor: pointer;
}

details {
  flex: 1 1 100%;
}

ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  columns: 4;
  column-gap: 28px;
}

li {
  break-inside: avoid;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  padding: 2px 0;
}

.state {
  width: 112px;
}
</style>
