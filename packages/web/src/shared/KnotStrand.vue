<script setup lang="ts">
/** A strand with three knots in small: filled when nothing of it waits for a person. */
defineProps<{ what: boolean; when: boolean; leftOver: boolean; solid: boolean; label: string }>();
</script>

<template>
  <svg class="strand" width="142" height="16" role="img" :aria-label="label">
    <path d="M0 8H142" :class="{ dashed: !solid }" />
    <ellipse cx="34" cy="8" rx="8" ry="6" :class="{ filled: what }" />
    <ellipse cx="72" cy="8" rx="8" ry="6" :class="{ filled: when }" />
    <ellipse cx="110" cy="8" rx="8" ry="6" :class="{ filled: leftOver }" />
  </svg>
</template>

<style scoped>
path {
  stroke: var(--indigo);
  stroke-width: 2;
}

path.dashed {
  stroke: var(--ash);
  stroke-width: 1.5;
  stroke-dasharray: 4 4;
}

ellipse {
  fill: var(--paper);
  stroke: var(--indigo);
  stroke-width: 1.5;
}

ellipse.filled {
  fill: var(--indigo);
}
</style>
