<script setup lang="ts">
import { computed } from 'vue';
import { count } from '../../../shared/words.js';
import PlanLine from '../../lines/PlanLine.vue';
import { usePlanStore } from '../../state/planStore.js';
import { useChoosing } from '../rows/useChoosing.js';
import { useOwn } from './useOwn.js';

/** What only the shell has: kept, or taken out with the run; all at once, the shell is emptied first. */
const emit = defineEmits<{ open: [id: string] }>();
const plan = usePlanStore();
const { own } = useOwn();
const { takeOut } = useChoosing();
const removable = computed(() => own.value.filter(({ may }) => may));
const held = computed(() => own.value.filter(({ asked, out }) => asked && !out));
const all = (out: boolean): void =>
  takeOut(
    removable.value.map(({ id }) => id),
    out,
    `${count(removable.value.length, 'thing')} that only the shell has`,
  );
</script>

<template>
  <section class="panel" aria-label="The shell’s own">
    <p class="quiet">
      {{ count(own.length, 'thing') }} of the shell that nothing of the old course answers to. What is taken out goes
      with the run, and stands again when the run is taken back.
    </p>
    <p v-if="plan.view!.right.may && removable.length > 0" class="turns">
      <ElButton size="small" plain type="primary" @click="all(true)">
        Empty the shell first: take out {{ removable.length === 1 ? 'it' : `all ${removable.length}` }}
      </ElButton>
      <ElButton size="small" plain type="primary" @click="all(false)">
        Keep {{ removable.length === 1 ? 'it' : `all ${removable.length}` }}
      </ElButton>
      <span v-if="held.length > 0" class="quiet">{{ held.length }} of them are needed by what stays</span>
    </p>
    <ul class="lines">
      <PlanLine
        v-for="{ id, title, said, asked, out, may } in own"
        :key="id"
        :title="title"
        :detail="out ? `${said}; taken out` : asked && may ? `${said}; others need it: it stays` : said"
      >
        <button class="plain-link" :aria-label="`open ${title}`" @click="emit('open', id)">open</button>
        <button
          v-if="may && plan.view!.right.may"
          class="plain-link"
          :aria-label="`${asked ? 'keep' : 'take out'} ${title}`"
          @click="takeOut([id], !asked, title)"
        >
          {{ asked ? 'keep it' : 'take it out' }}
        </button>
      </PlanLine>
    </ul>
  </section>
</template>

<style scoped>
.panel {
  padding: 4px var(--margin) 10px;
  border-top: 1px solid var(--rule-faint);
  max-height: 260px;
  overflow: auto;
}

.turns {
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
