<script setup lang="ts">
import type { ItemView } from '@yarin/core';
import DOMPurify from 'dompurify';

defineProps<{ theirs: ItemView }>();
defineEmits<{ mine: []; theirs: [] }>();
</script>

<template>
  <section class="theirs" aria-label="What was saved meanwhile">
    <p class="small quiet">As {{ theirs.editedBy ?? 'somebody else' }} saved it; yours is below.</p>
    <h3>{{ theirs.item.title }}</h3>
    <!-- eslint-disable-next-line vue/no-v-html -- sanitised by the server and here -->
    <div v-html="DOMPurify.sanitize(theirs.item.body ?? '')"></div>
    <p class="acts">
      <ElButton size="small" plain type="primary" @click="$emit('mine')">Save mine over it</ElButton>
      <ElButton size="small" plain @click="$emit('theirs')">Take theirs</ElButton>
      <span class="quiet small">either way the other is kept among the earlier texts, if it was saved</span>
    </p>
  </section>
</template>

<style scoped>
.theirs {
  padding: 10px 12px;
  border-left: 3px solid var(--weld);
  background: var(--weld-paper);
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin-top: 8px;
}
</style>
