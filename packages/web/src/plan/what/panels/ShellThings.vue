<script setup lang="ts">
import { computed } from 'vue';
import PlanLine from '../../lines/PlanLine.vue';
import { usePlanStore } from '../../state/planStore.js';
import { useChoosing } from '../rows/useChoosing.js';
import type { ShellThing } from './useShellThings.js';

/** Things of the shell that stay unless somebody has them taken out with the run: one by one, or all. */
const { things, what } = defineProps<{
  things: readonly ShellThing[];
  label: string;
  /** How they are named where what was done can be undone: “3 things that only the shell has”. */
  what: string;
  allWords: string;
}>();
const emit = defineEmits<{ open: [id: string] }>();

const plan = usePlanStore();
const { takeOut } = useChoosing();
const removable = computed(() => things.filter(({ may }) => may));
const held = computed(() => things.filter(({ asked, out, may }) => asked && may && !out));
const all = (out: boolean): void =>
  takeOut(
    removable.value.map(({ id }) => id),
    out,
    what,
  );
const detailOf = ({ said, out, asked, may }: ShellThing): string =>
  out ? `${said}; taken out` : asked && may ? `${said}; others need it: it stays` : said;
</script>

<template>
  <section class="panel" :aria-label="label">
    <p class="quiet"><slot /></p>
    <p v-if="plan.view!.right.may && removable.length > 0" class="turns">
      <ElButton size="small" plain type="primary" @click="all(true)">{{ allWords }}</ElButton>
      <ElButton size="small" plain type="primary" @click="all(false)">
        Keep {{ removable.length === 1 ? 'it' : `all ${removable.length}` }}
      </ElButton>
      <span v-if="held.length > 0" class="quiet">{{ held.length }} of them are needed by what stays</span>
    </p>
    <ul class="lines">
      <PlanLine v-for="thing in things" :key="thing.id" :title="thing.title" :detail="detailOf(thing)">
        <button class="plain-link" :aria-label="`open ${thing.title}`" @click="emit('open', thing.id)">open</button>
        <button
          v-if="thing.may && plan.view!.right.may"
          class="plain-link"
          :aria-label="`${thing.asked ? 'keep' : 'take out'} ${thing.title}`"
          @click="takeOut([thing.id], !thing.asked, thing.title)"
        >
          {{ thing.asked ? 'keep it' : 'take it out' }}
        </button>
      </PlanLine>
    </ul>
  </section>
</template>

<style scoped src="./panel.css"></style>
<style scoped>
.turns {
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
