<script setup lang="ts">
import { LONGEST_TITLE } from '@yarin/core';
import { computed, onMounted, reactive, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { addShell, fetchTerms, type TermView } from '../shared/api/courses.js';
import { placesOf, sentenceOf } from '../shared/api/client.js';

const emit = defineEmits<{ close: [] }>();

const router = useRouter();
const terms = ref<readonly TermView[]>([]);
const shell = reactive({ termId: '', code: '', number: '', section: '', title: '' });
const trouble = ref('');
const places = shallowRef<ReadonlyMap<string, string>>(new Map());
const isWhole = computed(() => Object.values(shell).every((value) => value.trim() !== ''));
const FIELDS = [
  ['code', 'code', 'ECO'],
  ['number', 'number', '214'],
  ['section', 'section', '02'],
] as const;

onMounted(() => {
  fetchTerms().then(
    (found) => {
      terms.value = found;
      shell.termId = found[0]?.id ?? '';
    },
    (error: unknown) => void (trouble.value = sentenceOf(error)),
  );
});

async function make(): Promise<void> {
  trouble.value = '';
  places.value = new Map();
  try {
    const id = await addShell({ ...shell, code: shell.code.trim().toUpperCase() });
    await router.push({ name: 'pair', params: { side: 'into', id } });
  } catch (error) {
    trouble.value = sentenceOf(error);
    places.value = placesOf(error);
  }
}
</script>

<template>
  <form aria-label="Make a shell by hand" @submit.prevent="make" @keydown.esc.stop="emit('close')">
    <ElSelect v-model="shell.termId" size="small" class="term" aria-label="Term">
      <ElOption v-for="term in terms" :key="term.id" :value="term.id" :label="term.name" />
    </ElSelect>
    <ElInput
      v-for="[name, label, example] in FIELDS"
      :key="name"
      v-model="shell[name]"
      size="small"
      class="short"
      :aria-label="label"
      :aria-invalid="places.has(`/${name}`)"
      :placeholder="example"
      :maxlength="12"
    />
    <ElInput
      v-model="shell.title"
      size="small"
      class="title"
      aria-label="title"
      placeholder="Title"
      :maxlength="LONGEST_TITLE"
    />
    <ElButton size="small" type="primary" native-type="submit" :disabled="!isWhole">Make it</ElButton>
    <button type="button" class="plain-link" @click="emit('close')">close</button>
    <span v-if="trouble" class="trouble" role="alert">{{ trouble }}</span>
  </form>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}

.term {
  width: 130px;
}

.short {
  width: 76px;
}

.title {
  width: 240px;
}

.trouble {
  color: var(--madder);
}
</style>
