<script setup lang="ts">
import { MARK_WORDS, type Mark } from '@yarin/core';
import { computed, ref, watch } from 'vue';
import { useCourseStore } from '../state/courseStore.js';

type Choice = NonNullable<Mark['mark']> | 'none';

const course = useCourseStore();
const opened = computed(() => course.opened!);
const note = ref('');
const choice = ref<Choice>('none');
const may = computed(() => course.view!.rights.mark.may);

const CHOICES = computed((): readonly Choice[] =>
  opened.value.item.kind === 'announcement'
    ? ['none', 'never', 'hidden', 'reword', 'evergreen']
    : ['none', 'never', 'hidden', 'reword'],
);

watch(
  () => opened.value.mark,
  (mark) => {
    note.value = mark?.note ?? '';
    choice.value = mark?.mark ?? 'none';
  },
  { immediate: true },
);
const isChanged = computed(
  () => note.value.trim() !== (opened.value.mark?.note ?? '') || choice.value !== (opened.value.mark?.mark ?? 'none'),
);

const save = (): Promise<void> =>
  course.mark(opened.value.item.id, choice.value === 'none' ? null : choice.value, note.value.trim() || null);
</script>

<template>
  <section v-if="may || opened.mark" class="next" aria-label="For next time">
    <h3>For next time</h3>
    <form v-if="may" @submit.prevent="save">
      <span class="choices" role="radiogroup" aria-label="What becomes of it next term">
        <label class="choice" v-for="each in CHOICES" :key="each">
          <input v-model="choice" type="radio" :value="each" />
          {{ each === 'none' ? 'as the plan says' : MARK_WORDS[each] }}
        </label>
      </span>
      <ElInput
        v-model="note"
        type="textarea"
        :rows="2"
        :maxlength="2000"
        aria-label="A note to next term"
        placeholder="A note to next term"
      />
      <p class="line">
        <ElButton size="small" plain type="primary" native-type="submit" :disabled="!isChanged">Note it</ElButton>
        <span class="quiet small">It lies beside the course; the course itself stays as it is.</span>
      </p>
    </form>
    <p v-else>
      {{ opened.mark?.mark ? MARK_WORDS[opened.mark.mark] : '' }} {{ opened.mark?.note ? `“${opened.mark.note}”` : '' }}
    </p>
  </section>
</template>

<style scoped>
.next {
  margin-top: 18px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
}

form {
  display: grid;
  gap: 8px;
  margin-top: 6px;
}

.line {
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
