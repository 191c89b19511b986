<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';

/** A number that is typed. What is none, or too small or too large, is told at the box; nothing is changed unasked. */
const {
  value,
  label,
  least = 0,
  most = Infinity,
} = defineProps<{
  value: number | undefined;
  label: string;
  least?: number;
  most?: number;
}>();
/** `undefined` when the box was emptied. */
const emit = defineEmits<{ set: [value: number | undefined] }>();

const id = useId();
const shown = (number: number | undefined): string => (number === undefined ? '' : String(number));
const typed = ref(shown(value));
watch(
  () => value,
  (next) => void (typed.value = shown(next)),
);
const number = computed(() => Number(typed.value.trim().replace(',', '.')));
const trouble = computed(() => {
  if (typed.value.trim() === '') return '';
  if (Number.isNaN(number.value)) return `“${typed.value}” is no number.`;
  if (number.value >= least && number.value <= most) return '';
  return most === Infinity ? `At least ${least}.` : `From ${least} to ${most}.`;
});

function take(): void {
  if (trouble.value !== '') return;
  const given = typed.value.trim() === '' ? undefined : number.value;
  if (given !== value) emit('set', given);
}
</script>

<template>
  <span class="box">
    <input
      v-model="typed"
      type="text"
      inputmode="decimal"
      autocomplete="off"
      :aria-label="label"
      :aria-invalid="trouble !== ''"
      :aria-describedby="trouble === '' ? undefined : id"
      @change="take"
      @keydown.enter.prevent="take"
    />
    <small v-if="trouble" :id="id" class="trouble" role="alert">{{ trouble }}</small>
  </span>
</template>

<style scoped>
.box {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

input {
  width: 64px;
  height: 24px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  padding: 0 6px;
  background: var(--raised);
  font: inherit;
  color: var(--ink);
  text-align: right;
}

input[aria-invalid='true'] {
  border-color: var(--madder);
}

.trouble {
  color: var(--madder);
  white-space: nowrap;
}
</style>
