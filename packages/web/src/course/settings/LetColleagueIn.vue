<script setup lang="ts">
import type { PersonView, Wanted } from '@yarin/core';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { letIn } from '../../shared/api/access.js';
import { fetchPeople } from '../../shared/api/people.js';
import { sentenceOf } from '../../shared/api/client.js';
import { useAnnouncer } from '../../shared/announcer.js';
import { useCourseStore } from '../state/courseStore.js';

const emit = defineEmits<{ done: [] }>();
const course = useCourseStore();
const { say } = useAnnouncer();
const people = shallowRef<readonly PersonView[]>([]);
const person = ref('');
const wants = ref<Wanted>('use');
const trouble = ref('');
const summary = computed(() => course.view!.summary);
const colleagues = computed(() => {
  const teaching = new Set(summary.value.staff.map(({ id }) => id));
  return people.value.filter(({ id }) => !teaching.has(id));
});
onMounted(() => {
  fetchPeople().then(
    (found) => void (people.value = found),
    (error: unknown) => void (trouble.value = sentenceOf(error)),
  );
});

async function admit(): Promise<void> {
  trouble.value = '';
  try {
    await letIn(summary.value.id, person.value, wants.value);
    say(`${colleagues.value.find(({ id }) => id === person.value)?.name}: let in.`);
    person.value = '';
    emit('done');
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}
</script>

<template>
  <form aria-label="Let a colleague in" @submit.prevent="admit">
    <span>Let a colleague in:</span>
    <ElSelect v-model="person" size="small" filterable aria-label="Colleague" placeholder="name" no-data-text="Nobody">
      <ElOption v-for="each in colleagues" :key="each.id" :value="each.id" :label="each.name" />
    </ElSelect>
    <label class="choice"><input v-model="wants" type="radio" value="use" /> to bring from it</label>
    <label class="choice"><input v-model="wants" type="radio" value="change" /> to work in it</label>
    <ElButton size="small" native-type="submit" :disabled="person === ''">Let in</ElButton>
    <small v-if="trouble" class="trouble" role="alert">{{ trouble }}</small>
  </form>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  margin: 8px 0;
}

.el-select {
  width: 200px;
}

.trouble {
  color: var(--madder);
}
</style>
