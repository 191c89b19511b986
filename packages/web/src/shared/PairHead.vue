<script setup lang="ts">
/** The head of a page about a pair: what is done there, which way things flow, and the act at its right end. */
const { title, from, to } = defineProps<{ title: string; from: string; to: string }>();
</script>

<template>
  <header>
    <h1>{{ title }}</h1>
    <p class="way" aria-hidden="true">
      <span>{{ from }}</span>
      <svg viewBox="0 0 220 14" preserveAspectRatio="none">
        <path d="M2 7H206" />
        <path d="M200 2l8 5-8 5" />
      </svg>
      <span>{{ to }}</span>
    </p>
    <slot />
  </header>
</template>

<style scoped>
header {
  flex: none;
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 6px 28px;
  align-items: center;
  padding: 14px var(--margin);
  border-bottom: 1px solid var(--rule);
}

h1 {
  font-size: 26px;
  line-height: 32px;
}

.way {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: center;
  font: 500 17px/24px var(--serif);
  white-space: nowrap;
}

svg {
  width: 220px;
  height: 14px;
  flex: none;
}

path {
  fill: none;
  stroke: var(--indigo);
  stroke-width: 2;
}

@media (max-width: 800px) {
  header {
    grid-template-columns: 1fr;
    gap: 8px;
  }

  .way {
    justify-content: start;
  }

  svg {
    width: 60px;
  }
}
</style>
