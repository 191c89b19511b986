<script setup lang="ts">
import { computed, ref } from 'vue';
import { useThings } from './useThings.js';

/** The things that a line is about, each a press of its own; the first few, and the others at a press. */
const { items } = defineProps<{ items: readonly string[] }>();
const { open, titleOf } = useThings();
const FEW = 3;
const isWhole = ref(false);
const shown = computed(() => (isWhole.value ? items : items.slice(0, FEW)));
</script>

<template>
  <template v-for="(item, at) in shown" :key="item"
    ><template v-if="at > 0"> · </template
    ><button class="place-link" @click="open(item)">{{ titleOf(item) }}</button></template
  ><template v-if="items.length > shown.length">
    ·
    <button class="plain-link" @click="isWhole = true">{{ items.length - shown.length }} more</button></template
  >
</template>
