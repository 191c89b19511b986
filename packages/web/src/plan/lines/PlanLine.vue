<script setup lang="ts">
/** One line of a plan: what it is about, the facts under it, and at its end a number or what can be done. */
defineProps<{ title: string; detail?: string; number?: string }>();
</script>

<template>
  <li class="line">
    <b>{{ title }}</b>
    <small v-if="detail || $slots.detail"
      ><slot name="detail">{{ detail }}</slot></small
    >
    <span v-if="number !== undefined" class="number">{{ number }}</span>
    <span v-if="$slots.default" class="acts"><slot /></span>
    <span v-if="$slots.below" class="below"><slot name="below" /></span>
  </li>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 16px;
  padding: 7px 0;
  border-top: 1px solid var(--rule-faint);
}

b {
  grid-column: 1;
  font-weight: 600;
}

small {
  grid-column: 1;
  font-size: 13px;
  color: var(--quiet);
}

.number {
  grid-row: 1;
  grid-column: 2;
  color: var(--quiet);
}

.below {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  padding-top: 1px;
  font-size: 14px;
}

.acts {
  grid-row: 1 / span 2;
  grid-column: 2;
  align-self: center;
  display: flex;
  align-items: center;
  gap: 14px;
}
</style>
