<script setup lang="ts">
import type { CourseSummary, FoundView } from '@yarin/core';
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { find } from '../shared/api/find.js';
import { sentenceOf } from '../shared/api/client.js';
import { useAnnouncer } from '../shared/announcer.js';
import { count, listed } from '../shared/words.js';
import ClosedCourses from './ClosedCourses.vue';
import FindFilters from './FindFilters.vue';
import { filtersIn, queryOf } from './filters.js';
import FoundList from './FoundList.vue';
import PeekSheet from './PeekSheet.vue';

const MOST = 2000;
const ASK_AFTER_MS = 120;

const route = useRoute();
const router = useRouter();
const { announce } = useAnnouncer();
const text = (name: string): string => (typeof route.query[name] === 'string' ? route.query[name] : '');

const words = ref(text('words'));
const filters = ref(filtersIn(route.query));
const found = shallowRef<FoundView | null>(null);
const failure = ref('');
const peeked = ref(text('peek'));
const field = ref<{ focus(): void }>();

const query = computed(() => queryOf(words.value, filters.value));
const chosen = computed((): CourseSummary | undefined => found.value?.courses.find(({ id }) => id === peeked.value));

let timer: ReturnType<typeof setTimeout> | undefined;
function look(): void {
  const asked = query.value;
  void router.replace({ query: { ...asked, ...(peeked.value === '' ? {} : { peek: peeked.value }) } });
  find({ ...asked, most: MOST }).then(
    (answer) => {
      if (asked !== query.value) return;
      failure.value = '';
      found.value = answer;
      announce(`${count(answer.total, 'course')} found.`);
    },
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
}
watch(query, () => {
  clearTimeout(timer);
  timer = setTimeout(look, ASK_AFTER_MS);
});
onMounted(() => {
  look();
  void nextTick(() => field.value?.focus());
});

function peek(id: string): void {
  peeked.value = id;
  void router.replace({ query: { ...route.query, peek: id } });
}
</script>

<template>
  <div class="finding">
    <header>
      <ElInput
        ref="field"
        v-model="words"
        class="words"
        aria-label="Words to find courses by"
        placeholder="code, title, instructor, term, campus, section"
        :maxlength="200"
        clearable
      />
      <FindFilters v-model="filters" :found="found" name="find-when" />
    </header>
    <div class="facing-pages">
      <section class="left" aria-label="Courses found">
        <p class="total">
          <template v-if="failure"
            ><span role="alert">{{ failure }}</span></template
          >
          <template v-else-if="found">
            <b>{{ count(found.total, 'course') }}</b>
            <template v-if="found.total > found.courses.length"
              >; the {{ found.courses.length }} of the latest terms are listed, more words narrow it down</template
            >
            <template v-for="each in found.instead" :key="each.typed">
              · nothing begins with “{{ each.typed }}”; shown: {{ listed(each.words) }}
            </template>
          </template>
        </p>
        <FoundList v-if="found" :courses="found.courses" :things="found.things" :chosen="peeked" @peek="peek" />
        <ClosedCourses v-if="found && !filters.usable" :courses="found.closed" />
        <p v-if="found && found.total === 0 && found.closed.length === 0 && found.things.length === 0" class="quiet">
          Nothing that you may read matches all of these words. Leave one out, or ask the instructor to open the course
          for reuse.
        </p>
      </section>
      <PeekSheet v-if="chosen" :key="chosen.id" :course="chosen" />
      <section v-else class="hint quiet" aria-label="Peek">
        <p>Choose a course to look inside it here, beside the list.</p>
        <p><kbd>↑</kbd> <kbd>↓</kbd> go through the list, <kbd>Enter</kbd> opens the course.</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.finding {
  height: 100%;
  display: flex;
  flex-direction: column;
}

header {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  padding: 12px var(--margin);
  border-bottom: 1px solid var(--rule);
}

.words {
  width: 380px;
}

.left {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.total {
  padding: 8px 0 6px;
  border-bottom: 1px solid var(--rule);
  min-height: 35px;
}

b {
  font-weight: 600;
}

.hint {
  padding-top: 12px;
  display: grid;
  gap: 8px;
  align-content: start;
}

@media (max-width: 800px) {
  .words {
    width: 100%;
  }
}
</style>
