<script setup lang="ts">
import { computed } from 'vue';
import { count } from '../../../shared/words.js';
import PlanLine from '../../lines/PlanLine.vue';
import { usePlanStore } from '../../state/planStore.js';
import { useGone } from './useGone.js';

const plan = usePlanStore();
const { gone, turn } = useGone();
const staying = computed(() => gone.value.filter(({ asked, out }) => asked && !out));
const all = computed(() => gone.value.map(({ id }) => id));
</script>

<template>
  <section class="panel" aria-label="Gone from the old course">
    <p class="quiet">
      {{ count(gone.length, 'thing') }} that came before {{ gone.length === 1 ? 'is' : 'are' }} no longer in the old
      course. Here nothing happens to {{ gone.length === 1 ? 'it' : 'them' }} unless you say so.
    </p>
    <ul class="lines">
      <PlanLine
        v-for="{ id, title, said, asked, out } in gone"
        :key="id"
        :title="title"
        :detail="out ? `${said}; taken out` : asked ? `${said}; others need it: it stays` : said"
      >
        <button class="plain-link" :disabled="!plan.view!.right.may" @click="turn([id], !asked)">
          {{ asked ? 'leave it here' : 'take it out here too' }}
        </button>
      </PlanLine>
    </ul>
    <p v-if="gone.length > 1 && plan.view!.right.may" class="turns">
      <ElButton size="small" plain type="primary" @click="turn(all, true)">Take out all {{ gone.length }}</ElButton>
      <ElButton size="small" plain type="primary" @click="turn(all, false)">Leave all here</ElButton>
      <span v-if="staying.length > 0" class="quiet">{{ staying.length }} of them are needed by what stays</span>
    </p>
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
