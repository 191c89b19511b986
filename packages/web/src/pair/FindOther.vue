<script setup lang="ts">
import type { CourseSummary, FoundView } from '@yarin/core';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import ClosedCourses from '../find/ClosedCourses.vue';
import FindFilters from '../find/FindFilters.vue';
import { NO_FILTERS, queryOf, type Tick } from '../find/filters.js';
import { find } from '../shared/api/find.js';
import { sentenceOf } from '../shared/api/client.js';
import { count } from '../shared/words.js';
import PairChoice from './PairChoice.vue';
import type { How, Press } from './chosen.js';

const { above, chosen, how } = defineProps<{
  /** Courses that stand above already, and the one that is paired. */
  above: ReadonlySet<string>;
  chosen: readonly { readonly id: string }[];
  how: How;
}>();
defineEmits<{
  press: [course: CourseSummary, press: Press];
  peek: [course: CourseSummary];
  beside: [course: CourseSummary];
}>();

const MOST = 12;
const ASK_AFTER_MS = 150;
const words = ref('');
const filters = ref(NO_FILTERS);
const found = shallowRef<FoundView | null>(null);
const lists = shallowRef<FoundView | null>(null);
const failure = ref('');
const courses = computed(() => (found.value?.courses ?? []).filter(({ id }) => !above.has(id)));
const closed = computed(() => (found.value?.closed ?? []).filter(({ id }) => !above.has(id)));
const isAsked = computed(() => words.value.trim() !== '' || filters.value !== NO_FILTERS);
/** From a shell: anything that may be used. From an old course: shells that are mine. */
const ticks = computed((): readonly Tick[] => (how !== 'several' ? ['mine', 'template'] : []));
const query = computed(() => ({
  ...queryOf(words.value, filters.value),
  ...(how !== 'several' ? { usable: 'yes' as const, holds: 'yes' as const } : { mine: 'yes' as const }),
  most: MOST,
}));
const totalWords = computed(() => {
  const { total = 0, courses: given = [] } = found.value ?? {};
  const double = given.length - courses.value.length;
  return [
    `${count(total, 'course')} that you may ${how !== 'several' ? 'bring from' : 'look into'}`,
    double === 0 ? '' : `${double === 1 ? 'one of them stands' : `${double} of them stand`} above`,
    total > given.length ? `the ${given.length} of the latest terms are looked through` : '',
  ]
    .filter((part) => part !== '')
    .join('; ');
});

onMounted(() => {
  find({ most: 1 }).then(
    (answer) => void (lists.value = answer),
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
});

let timer: ReturnType<typeof setTimeout> | undefined;
watch(query, (asked) => {
  clearTimeout(timer);
  if (!isAsked.value) {
    found.value = null;
    return;
  }
  timer = setTimeout(() => {
    find(asked).then(
      (answer) => {
        if (asked !== query.value) return;
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
      :placeholder="how !== 'several' ? 'Another course: code, title, instructor, term' : 'Another shell of yours'"
      :aria-label="how !== 'several' ? 'Find another course to bring from' : 'Find another shell'"
    />
    <div class="filters"><FindFilters v-model="filters" :found="lists" :ticks="ticks" name="pair-when" /></div>
    <p v-if="failure" role="alert">{{ failure }}</p>
    <p v-else-if="found" class="quiet small" role="status">{{ totalWords }}</p>
    <ul>
      <li v-for="course in courses" :key="course.id">
        <PairChoice
          :course="course"
          :how="how"
          :chosen="chosen"
          @press="(pressed, press) => $emit('press', pressed, press)"
          @peek="$emit('peek', course)"
          @beside="$emit('beside', course)"
        />
      </li>
    </ul>
    <ClosedCourses v-if="how !== 'several'" :courses="closed" />
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

.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  margin: 6px 0;
  font-size: 14px;
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
</style>
