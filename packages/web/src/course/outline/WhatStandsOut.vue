<script setup lang="ts">
import { LEARNER_SORTS, namesItsThings } from '@yarin/core';
import { computed } from 'vue';
import { count, LEARNER_WORDS } from '../../shared/words.js';
import NamedThings from '../../shared/NamedThings.vue';
import { useCourseStore } from '../state/courseStore.js';
import { asRead, momentWords } from '../../shared/readersDates.js';

const DOING = { takenBack: 'take back', doneAgain: 'do again' } as const;
defineEmits<{ open: [key: string] }>();
const course = useCourseStore();
const view = computed(() => course.view!);
const left = computed(() => course.leftOver);
const rows = computed(() => (left.value === null ? 0 : left.value.looseEnds.length + left.value.doubts));
const titleOf = (key: string): string => course.itemsById.get(key)?.title ?? 'something that is not here';
const learners = computed(() =>
  LEARNER_SORTS.filter((sort) => view.value.learners[sort] > 0).map((sort) => {
    const [one, many] = LEARNER_WORDS[sort];
    return count(view.value.learners[sort], one, many);
  }),
);
</script>

<template>
  <div class="standing">
    <section aria-label="Left over">
      <h2>
        Left over <em v-if="left && rows > 0">{{ rows }}</em>
        <RouterLink v-if="left?.planId" class="plain-link small" :to="{ name: 'plan', params: { id: left.planId } }"
          >the plan that filled it</RouterLink
        >
      </h2>
      <p v-if="left === null" class="quiet">Looking …</p>
      <ul v-else-if="rows > 0">
        <li v-for="end in left.looseEnds" :key="`${end.code} ${end.items[0] ?? ''}`">
          {{ asRead(end.sentence) }}
          <span v-if="!namesItsThings(end)" class="quiet small">{{ asRead(end.detail) }}</span>
          <span v-else class="small"
            ><NamedThings :items="end.items" :title-of="titleOf" @open="(key) => $emit('open', key)"
          /></span>
          <button
            v-if="end.code === 'notOpen' && course.mayChange"
            class="plain-link"
            @click="course.edit({ openToLearners: true })"
          >
            open to learners
          </button>
        </li>
        <li v-if="left.doubts > 0 && left.planId">
          {{ count(left.doubts, 'doubt') }} about dates
          <RouterLink class="plain-link" :to="{ name: 'plan', params: { id: left.planId, knot: 'left-over' } }"
            >look at {{ left.doubts === 1 ? 'it' : 'them' }}</RouterLink
          >
        </li>
      </ul>
      <p v-else class="quiet">Nothing. Choose a thing at the left to turn to it.</p>
    </section>
    <section v-if="view.notices.length > 0">
      <h2>From the registrar</h2>
      <ul>
        <li v-for="notice in view.notices" :key="notice.sentence">
          {{ asRead(notice.sentence) }} <span class="quiet small">{{ momentWords(notice.at) }}</span>
        </li>
      </ul>
    </section>
    <section v-if="view.removed.length > 0">
      <h2>Removed lately</h2>
      <ul>
        <li v-for="{ key, title, at } in view.removed" :key="key">
          {{ title }} <span class="quiet small">{{ momentWords(at) }}</span>
          <button v-if="course.mayChange" class="plain-link" @click="course.putBack(key)">put it back</button>
        </li>
      </ul>
    </section>
    <section v-if="learners.length > 0">
      <h2>Of learners</h2>
      <p>{{ learners.join(', ') }}. They stay with this course; nothing of them is ever brought on.</p>
    </section>
    <section v-if="view.deeds.length > 0">
      <h2>What was done here</h2>
      <ul>
        <li v-for="(deed, index) in view.deeds.slice(0, 12)" :key="index">
          <button v-if="deed.itemKey" class="place-link" @click="$emit('open', deed.itemKey)">{{ deed.what }}</button>
          <template v-else>{{ deed.what }}</template>
          <span class="quiet small">{{ deed.by }}, {{ momentWords(deed.at) }}</span>
          <button
            v-if="course.mayChange && deed.canBe"
            class="plain-link"
            :aria-label="`${DOING[deed.canBe]}: ${deed.what}`"
            @click="course.takeDeedBack(deed)"
          >
            {{ DOING[deed.canBe] }}
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
h2 {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: baseline;
}

h2 a {
  font-family: var(--sans);
  font-weight: 400;
}

em {
  font-style: normal;
}

.standing {
  display: grid;
  gap: 20px;
}

ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: baseline;
  padding: 5px 0;
  border-top: 1px solid var(--rule-faint);
}
</style>
