<script setup lang="ts">
import { KIND_WORDS, type RunThing } from '@yarin/core';
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import { sentenceOf } from '../../shared/api/client.js';
import { thingsOfRun, type PartOfRun } from '../../shared/api/plans.js';

/** A part of a run to take back: the dates alone, a unit with all that it holds, or one thing. */
const { runId } = defineProps<{ runId: string }>();
const emit = defineEmits<{ take: [part: PartOfRun] }>();

const DATES = 'dates';
/** Of the things that are found, so many are listed; more letters name the rest. */
const MOST_LISTED = 40;

const isOpen = ref(false);
const field = useTemplateRef<{ focus(): void }>('field');
const link = useTemplateRef<HTMLButtonElement>('link');
const things = ref<readonly RunThing[]>([]);
const words = ref('');
const chosen = ref('');
const failure = ref('');

async function open(): Promise<void> {
  isOpen.value = true;
  chosen.value = '';
  words.value = '';
  failure.value = '';
  await nextTick();
  field.value?.focus();
  try {
    things.value = await thingsOfRun(runId);
  } catch (error) {
    failure.value = sentenceOf(error);
  }
}

const found = computed(() => {
  const wanted = words.value.trim().toLowerCase();
  const named = things.value.filter(({ title }) => title.toLowerCase().includes(wanted));
  const isUnit = ({ kind }: RunThing): boolean => kind === 'unit';
  return [...named.filter(isUnit), ...named.filter((thing) => !isUnit(thing))].slice(0, MOST_LISTED);
});

async function leave(): Promise<void> {
  isOpen.value = false;
  await nextTick();
  link.value?.focus();
}

function take(): void {
  isOpen.value = false;
  emit('take', chosen.value === DATES ? { dates: true } : { keys: [chosen.value] });
}
</script>

<template>
  <div class="part">
    <button v-if="!isOpen" ref="link" class="plain-link" @click="open">take a part of it back</button>
    <template v-else>
      <ElSelect
        ref="field"
        v-model="chosen"
        class="what"
        size="small"
        filterable
        default-first-option
        :filter-method="(typed: string) => (words = typed)"
        placeholder="the dates, a unit or a thing"
        aria-label="What to take back"
        no-match-text="Nothing that came has this name"
      >
        <ElOption v-if="words === ''" :value="DATES" label="the dates alone; every thing stays" />
        <ElOption v-for="thing in found" :key="thing.key" :value="thing.key" :label="thing.title">
          {{ thing.title }}
          <span class="quiet small">{{
            thing.kind === 'unit' ? 'the unit and all in it' : KIND_WORDS[thing.kind].one
          }}</span>
        </ElOption>
      </ElSelect>
      <ElButton size="small" plain type="primary" :disabled="chosen === ''" @click="take">Take this back</ElButton>
      <button class="plain-link" @click="leave">leave it</button>
      <p v-if="failure" class="problem" role="alert">{{ failure }}</p>
    </template>
  </div>
</template>

<style scoped>
.part {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  margin: 0 0 16px;
}

.what {
  width: min(280px, 100%);
}
</style>
