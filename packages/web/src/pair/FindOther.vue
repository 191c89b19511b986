<script setup lang="ts">
import type { CourseSummary, FoundView } from '@yarin/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { courseLine, courseName, termLabel } from '../shared/courseLine.js';
import { find } from '../shared/api/find.js';
import { sentenceOf } from '../shared/api/client.js';
import { count } from '../shared/words.js';

const { self, chosen, side } = defineProps<{
  self: Pick<CourseSummary, 'id'>;
  chosen: readonly Pick<CourseSummary, 'id'>[];
  side: 'into' | 'from';
}>();
defineEmits<{ toggle: [course: CourseSummary] }>();

const MOST = 12;
const ASK_AFTER_MS = 150;
const words = ref('');
const found = shallowRef<FoundView | null>(null);
const failure = ref('');
const courses = computed(() => (found.value?.courses ?? []).filter(({ id }) => id !== self.id));
const isChosen = ({ id }: CourseSummary): boolean => chosen.some((each) => each.id === id);

let timer: ReturnType<typeof setTimeout> | undefined;
watch(words, (text) => {
  clearTimeout(timer);
  if (text.trim() === '') {
    found.value = null;
    return;
  }
  timer = setTimeout(() => {
    // From a shell: anything that may be used. From an old course: shells that are mine and not over.
    const filters = side === 'into' ? { usable: 'yes' as const } : { mine: 'yes' as const };
    find({ words: text, most: MOST, ...filters }).then(
      (answer) => {
        if (text !== words.value) return;
        failure.value = '';
        found.value = answer;
      },
      (error: unknown) => void (failure.value = sentenceOf(error)),
    );
  }, ASK_AFTER_MS);
});
</script>

<template>
  <div class="other">
    <ElInput
      v-model="words"
      size="small"
      clearable
      :maxlength="200"
      :placeholder="side === 'into' ? 'Another course: code, title, instructor, term' : 'Another shell of yours'"
      :aria-label="side === 'into' ? 'Find another course to bring from' : 'Find another shell'"
    />
    <p v-if="failure" role="alert">{{ failure }}</p>
    <p v-else-if="found" class="quiet small">
      {{ count(found.total, 'course') }} that you may {{ side === 'into' ? 'bring from' : 'look into' }}
    </p>
    <ul>
      <li v-for="course in courses" :key="course.id">
        <label>
          <input type="checkbox" :checked="isChosen(course)" @change="$emit('toggle', course)" />
          <b>{{ termLabel(course) }}</b> {{ courseName(course) }}
        </label>
        <p class="quiet small">{{ courseLine(course) }}</p>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.other {
  margin-top: 12px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}

.other :deep(.el-input) {
  max-width: 420px;
}

ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}

li {
  padding: 5px 0;
  border-top: 1px solid var(--rule-faint);
}

li p {
  padding-left: 22px;
}

label {
  display: flex;
  gap: 9px;
  align-items: baseline;
}

b {
  font-weight: 600;
}
</style>
