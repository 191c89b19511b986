<script setup lang="ts">
import { firstFew } from '@yarin/core';
import { computed } from 'vue';
import { count, listed } from '../../../shared/words.js';
import { usePlanStore } from '../../state/planStore.js';
import { useProposed } from './useProposed.js';

const plan = usePlanStore();
const { decided, effect, goBack } = useProposed();
const changes = computed(() => {
  const { come, stay, kept } = effect.value;
  return [
    ...(come.length > 0
      ? [
          `${count(come.length, 'thing')} would come that ${come.length === 1 ? 'stays' : 'stay'} now: ${firstFew(come)}`,
        ]
      : []),
    ...(stay.length > 0
      ? [
          `${count(stay.length, 'thing')} would stay that ${stay.length === 1 ? 'comes' : 'come'} now: ${firstFew(stay)}`,
        ]
      : []),
    ...(kept > 0 ? [`${count(kept, 'thing')} of the shell would be kept`] : []),
  ];
});
</script>

<template>
  <section class="panel" aria-label="As proposed">
    <p v-if="decided.length === 0" class="quiet">
      The plan is as it was proposed: nothing in it was decided by a person.
    </p>
    <template v-else>
      <p>
        Decided since the plan was proposed: {{ listed(decided) }}.
        <span v-if="changes.length === 0" class="quiet">What comes would stay the same.</span>
      </p>
      <ul v-if="changes.length > 0">
        <li v-for="change in changes" :key="change">{{ change }}</li>
      </ul>
      <p v-if="plan.view!.right.may">
        <ElButton size="small" plain type="primary" @click="goBack">Put it all back as proposed</ElButton>
        <span class="quiet"> undo brings it back</span>
      </p>
    </template>
  </section>
</template>

<style scoped src="./panel.css"></style>
<style scoped>
ul {
  margin: 4px 0 8px;
  padding-left: 18px;
}
</style>
