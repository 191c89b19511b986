<script setup lang="ts">
import { KIND_WORDS, type CourseSummary, type FoundThing } from '@yarin/core';
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter, type RouteLocationRaw } from 'vue-router';
import { courseName, termLabel } from '../shared/courseLine.js';
import { find } from '../shared/api/find.js';
import { actOffers } from './acts.js';
import { useKeys } from '../shared/useKeys.js';
import { count } from '../shared/words.js';

const ASK_AFTER_MS = 120;
const MOST_COURSES = 8;
const MOST_THINGS = 6;

/** A row under the field: a course, a thing in one, or the way to all that was found. */
interface Offer {
  readonly id: string;
  readonly term: string;
  readonly title: string;
  readonly detail: string;
  readonly to: RouteLocationRaw;
}

const router = useRouter();
const route = useRoute();
const words = ref('');
const offers = shallowRef<readonly Offer[]>([]);
const answered = ref(false);
const chosen = ref(0);
const isOpen = ref(false);
const field = useTemplateRef<HTMLInputElement>('field');
const hasPanel = computed(() => isOpen.value && answered.value && words.value.trim() !== '');

useKeys({ '/': () => field.value?.focus() });

const courseOffer = (course: CourseSummary): Offer => ({
  id: course.id,
  term: termLabel(course),
  title: courseName(course),
  detail: course.instructors.join(', '),
  to: { name: 'course', params: { id: course.id } },
});
/** Acts and kinds by everyday words, behind the courses: whoever types a code opens its course as ever. */
const waysFor = (text: string): Offer[] => actOffers(text, route).map((way) => ({ ...way, term: 'go to' }));
const thingOffer = ({ courseId, courseCode, key, title, term, kind }: FoundThing): Offer => ({
  id: `${courseId} ${key}`,
  term,
  title,
  detail: `${KIND_WORDS[kind].one} in ${courseCode}`,
  to: { name: 'course', params: { id: courseId }, query: { item: key } },
});

let timer: ReturnType<typeof setTimeout> | undefined;
watch(words, (text) => {
  clearTimeout(timer);
  answered.value = false;
  if (text.trim() === '') return;
  timer = setTimeout(() => {
    void look(text);
  }, ASK_AFTER_MS);
});

async function look(text: string): Promise<void> {
  const found = await find({ words: text, most: MOST_COURSES }).catch(() => null);
  if (text !== words.value) return;
  const all = found === null ? 0 : found.total + found.thingsTotal;
  offers.value =
    found === null
      ? waysFor(text)
      : [
          ...found.courses.map(courseOffer),
          ...waysFor(text),
          ...found.things.slice(0, MOST_THINGS).map(thingOffer),
          {
            id: 'all',
            term: all === 0 ? 'none' : 'all',
            title:
              all === 0
                ? 'Nothing that you may read matches all of these words'
                : `${count(found.total, 'course')}, ${count(found.thingsTotal, 'thing')}: filter and look inside`,
            detail: '',
            to: { name: 'find', query: { words: text } },
          },
        ];
  chosen.value = 0;
  answered.value = true;
}

function open(offer: Offer | undefined): void {
  if (offer === undefined) return;
  words.value = '';
  field.value?.blur();
  void router.push(offer.to);
}

function pressed(event: KeyboardEvent): void {
  const last = offers.value.length - 1;
  if (event.key === 'ArrowDown') chosen.value = Math.min(last, chosen.value + 1);
  else if (event.key === 'ArrowUp') chosen.value = Math.max(0, chosen.value - 1);
  else if (event.key === 'Enter' && (!answered.value || words.value.trim() === '')) {
    const text = words.value;
    words.value = '';
    field.value?.blur();
    void router.push({ name: 'find', query: text === '' ? {} : { words: text } });
  } else if (event.key === 'Enter') open(offers.value[chosen.value]);
  else if (event.key === 'Escape') field.value?.blur();
  else return;
  event.preventDefault();
}
</script>

<template>
  <div class="find">
    <input
      ref="field"
      v-model="words"
      type="text"
      placeholder="Find a course, or anything in one"
      aria-label="Find a course, or anything in one"
      autocomplete="off"
      role="combobox"
      aria-autocomplete="list"
      :aria-expanded="hasPanel"
      :aria-controls="hasPanel ? 'found-courses' : undefined"
      :aria-activedescendant="hasPanel && offers.length > 0 ? `found-${chosen}` : undefined"
      @focus="isOpen = true"
      @blur="isOpen = false"
      @keydown="pressed"
    />
    <kbd aria-hidden="true">/</kbd>
    <ul v-if="hasPanel" id="found-courses" role="listbox" aria-label="Found">
      <li
        v-for="(offer, index) in offers"
        :id="`found-${index}`"
        :key="offer.id"
        role="option"
        :class="{ all: offer.id === 'all' }"
        :aria-selected="index === chosen"
        @mousedown.prevent="open(offer)"
      >
        <b>{{ offer.term }}</b>
        <span class="title">{{ offer.title }}</span>
        <small>{{ offer.detail }}</small>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.find {
  position: relative;
  width: 360px;
}

input {
  width: 100%;
  height: 28px;
  padding: 3px 34px 3px 10px;
  border: 1px solid var(--rule);
  border-radius: var(--corner);
  background: var(--raised);
  color: var(--ink);
  font: inherit;
}

input::placeholder {
  color: var(--quiet);
}

kbd {
  position: absolute;
  right: 10px;
  top: 4px;
}

ul {
  position: absolute;
  z-index: 20;
  top: 34px;
  left: 0;
  width: max(100%, 640px);
  max-width: calc(100vw - 48px);
  max-height: 480px;
  margin: 0;
  padding: 4px 0;
  overflow: auto;
  list-style: none;
  border: 1px solid var(--rule);
  border-radius: var(--corner);
  background: var(--raised);
}

li {
  display: flex;
  gap: 12px;
  padding: 4px 12px;
  white-space: nowrap;
  cursor: pointer;
}

li[aria-selected='true'] {
  background: var(--row-focus);
}

b {
  width: 92px;
  flex: none;
  font-weight: 600;
}

.title {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
}

small {
  font-size: 12.5px;
  color: var(--quiet);
}

.all {
  margin-top: 4px;
  border-top: 1px solid var(--rule-faint);
  color: var(--indigo);
}
</style>
