<script setup lang="ts">
defineProps<{ sentence: string }>();
defineEmits<{ again: [] }>();
</script>

<template>
  <section class="failure" role="alert">
    <h1>That did not work</h1>
    <p>{{ sentence }}</p>
    <slot />
    <p>
      <button class="plain-link" @click="$emit('again')">Try again</button> ·
      <RouterLink :to="{ name: 'desk' }">back to the Desk</RouterLink>
    </p>
  </section>
</template>

<style scoped>
.failure {
  padding: 26px var(--margin);
  display: grid;
  gap: 10px;
  max-width: 640px;
}
</style>
