<script setup lang="ts">
import type { Wanted } from '@yarin/core';
import { ref } from 'vue';
import { askAccess } from '../shared/api/access.js';
import { sentenceOf } from '../shared/api/client.js';

const { courseId, wants } = defineProps<{ courseId: string; wants: Wanted }>();

const words = ref('');
const outcome = ref('');
const isOpen = ref(false);

async function ask(): Promise<void> {
  try {
    await askAccess(courseId, wants, words.value);
    outcome.value =
      'Asked. Whoever teaches it sees this at their Desk; the answer will stand under “Asked” in your name’s menu.';
  } catch (error) {
    outcome.value = sentenceOf(error);
  }
}
</script>

<template>
  <p v-if="outcome" role="status">{{ outcome }}</p>
  <p v-else-if="!isOpen">
    <button class="plain-link" @click="isOpen = true">
      {{ wants === 'use' ? 'Ask to use it as a source' : 'Ask to work in it' }}
    </button>
  </p>
  <form v-else class="ask" @submit.prevent="ask">
    <ElInput
      v-model="words"
      size="small"
      :maxlength="1000"
      aria-label="What you need it for"
      placeholder="What you need it for"
    />
    <ElButton size="small" type="primary" native-type="submit">Ask</ElButton>
  </form>
</template>

<style scoped>
.ask {
  display: flex;
  gap: 8px;
  max-width: 520px;
}
</style>
