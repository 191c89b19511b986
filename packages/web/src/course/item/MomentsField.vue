<script setup lang="ts">
import { ROLE_WORDS, type Kind, type Role } from '@yarin/core';
import { computed } from 'vue';
import TypedDate from '../../shared/dates/TypedDate.vue';
import type { Time } from '../../shared/dates/termSheet.js';
import type { DraftMoment } from './itemDraft.js';

const { kind, problems, time } = defineProps<{
  kind: Kind;
  problems: ReadonlyMap<string, string>;
  /** The term of the course. */
  time: Time;
}>();
const moments = defineModel<DraftMoment[]>({ required: true });

const WORK: readonly Role[] = ['opens', 'part', 'due', 'late', 'closes', 'answers', 'remind'];
const ROLES: Partial<Record<Kind, readonly Role[]>> = {
  assignment: WORK,
  quiz: WORK,
  discussion: WORK,
  survey: ['opens', 'due', 'closes', 'remind'],
  announcement: ['posts', 'closes'],
  event: ['starts', 'ends', 'remind'],
  task: ['due', 'remind'],
  unit: ['opens', 'closes'],
  page: ['opens', 'closes'],
};
const roles = computed(() => ROLES[kind] ?? []);
const used = computed(() =>
  roles.value.filter((role) => !moments.value.some((moment) => moment.role === role && !moment.for)),
);

const add = (role: Role): void => void (moments.value = [...moments.value, { role }]);
const change = (index: number, part: Partial<DraftMoment>): void =>
  void (moments.value = moments.value.map((moment, at) => (at === index ? { ...moment, ...part } : moment)));
const drop = (index: number): void => void (moments.value = moments.value.filter((_, at) => at !== index));
</script>

<template>
  <fieldset v-if="roles.length > 0 || moments.length > 0">
    <legend>dates</legend>
    <div v-for="(moment, index) in moments" :key="index" class="moment">
      <span>{{ ROLE_WORDS[moment.role] }}</span>
      <TypedDate
        :at="moment.at ?? null"
        :label="`${ROLE_WORDS[moment.role]} date`"
        :time="time"
        @set="(at) => change(index, { at })"
      />
      <ElInput
        :model-value="moment.for ?? ''"
        size="small"
        class="whom"
        placeholder="everybody"
        :aria-label="`${ROLE_WORDS[moment.role]} date for which section or group`"
        @update:model-value="(whom: string) => change(index, { for: whom })"
      />
      <button
        type="button"
        class="plain-link"
        :aria-label="`Take the ${ROLE_WORDS[moment.role]} date away`"
        @click="drop(index)"
      >
        take away
      </button>
      <small v-if="problems.has(`/changes/moments/${index}/at`)" class="problem" role="alert">{{
        problems.get(`/changes/moments/${index}/at`)
      }}</small>
    </div>
    <p class="more small">
      <span v-if="used.length > 0" class="quiet">add</span>
      <button v-for="role in used" :key="role" type="button" class="plain-link" @click="add(role)">
        {{ ROLE_WORDS[role] }}
      </button>
      <button v-if="moments.some(({ role }) => role === 'due')" type="button" class="plain-link" @click="add('due')">
        due for one section or group
      </button>
    </p>
  </fieldset>
</template>

<style scoped>
.moment {
  display: grid;
  grid-template-columns: 56px 220px minmax(90px, 150px) auto;
  gap: 8px;
  align-items: center;
  padding: 3px 0;
}

.more {
  display: flex;
  gap: 12px;
}

.problem {
  grid-column: 2 / -1;
  font-size: 13px;
  color: var(--madder);
}
</style>
