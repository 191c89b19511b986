<script setup lang="ts">
import { computed, ref } from 'vue';

/** The things that a line is about, each a press of its own; the first few, and the others at a press. */
const { items } = defineProps<{ items: readonly string[]; titleOf: (id: string) => string }>();
defineEmits<{ open: [id: string] }>();
const FEW = 3;
const isWhole = ref(false);
const shown = computed(() => (isWhole.value ? items : items.slice(0, FEW)));
</script>

<template>
  <template v-for="(item, at) in shown" :key="item"
    ><template v-if="at > 0"> · </template
    ><button class="place-link" @click="$emit('open', item)">{{ titleOf(item) }}</button></template
  ><template v-if="items.length > shown.length">
    ·
    <button class="plain-link" @click="isWhole = true">{{ items.length - shown.length }} more</button></template
  >
</template>
