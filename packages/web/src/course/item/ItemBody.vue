<script setup lang="ts">
import type { ItemView, LinkType } from '@yarin/core';
import DOMPurify from 'dompurify';
import { computed, ref } from 'vue';

import { fileAddress as addressOf } from '../../shared/api/courses.js';
import { markedAgainst } from '../../shared/markedAgainst.js';

/** With a text to compare, the words that it does not have are marked. */
const { view, courseId, against } = defineProps<{ view: ItemView; courseId: string; against?: string | undefined }>();
defineEmits<{ open: [key: string] }>();

const LINK_WORDS: Readonly<Record<LinkType, string>> = {
  draws: 'draws from',
  embeds: 'shows',
  links: 'leads to',
  gradedIn: 'graded in',
  scored: 'scored by',
  aligned: 'aligned to',
  teams: 'done in',
  launches: 'launches',
  reads: 'reads',
  guards: 'guards',
  shows: 'shows',
};

/** The server sanitised it; what a browser would run is taken out once more where it is shown. */
const body = computed(() => {
  const text = view.item.body ?? '';
  return DOMPurify.sanitize(against === undefined ? text : markedAgainst(text, against));
});

const text = (value: unknown): string => (typeof value === 'string' || typeof value === 'number' ? String(value) : '');
const details = computed(() => view.item.details ?? {});
const sections = computed(() =>
  Array.isArray(details.value.sections)
    ? (details.value.sections as { title: string; body: string; locked?: boolean }[])
    : [],
);
const questions = computed(() =>
  Array.isArray(details.value.questions) ? (details.value.questions as { stem: string }[]) : [],
);
const MOST_QUESTIONS = 10;
const showsAll = ref(false);
const shownQuestions = computed(() => (showsAll.value ? questions.value : questions.value.slice(0, MOST_QUESTIONS)));
const facts = computed(() => {
  const { attempts, minutesAllowed, weight, place, url, bytes, mediaType, condition } = details.value;
  return [
    view.item.points === undefined ? '' : `${view.item.points} points`,
    attempts === undefined ? '' : Number(attempts) === 0 ? 'any number of attempts' : `${text(attempts)} attempts`,
    minutesAllowed === undefined ? '' : `${text(minutesAllowed)} minutes`,
    weight === undefined ? '' : `weight ${text(weight)} %`,
    text(place),
    text(url),
    text(condition),
    bytes === undefined ? '' : `${text(mediaType)}, ${text(bytes)} bytes`,
  ].filter((fact) => fact !== '');
});
const isImage = computed(() => view.item.kind === 'file' && text(details.value.mediaType).startsWith('image/'));
const fileAddress = computed(() => addressOf(courseId, view.item.id));
</script>

<template>
  <div class="item">
    <p v-if="facts.length > 0" class="quiet small">{{ facts.join(' · ') }}</p>
    <!-- eslint-disable-next-line vue/no-v-html -- sanitised twice, see above -->
    <div v-if="body" class="body" v-html="body"></div>
    <section v-for="section in sections" :key="section.title">
      <h3>{{ section.title }}{{ section.locked ? ' (the college’s)' : '' }}</h3>
      <!-- eslint-disable-next-line vue/no-v-html -- sanitised here -->
      <div v-html="DOMPurify.sanitize(section.body)"></div>
    </section>
    <ol v-if="questions.length > 0">
      <li v-for="(question, index) in shownQuestions" :key="index">{{ question.stem }}</li>
    </ol>
    <p v-if="shownQuestions.length < questions.length">
      <button class="plain-link" @click="showsAll = true">all {{ questions.length }} questions</button>
    </p>
    <img v-if="isImage" :src="fileAddress" :alt="view.item.title" />
    <p v-else-if="view.item.kind === 'file'"><a :href="fileAddress">Fetch the file</a></p>
    <dl v-if="view.item.links.length > 0 || view.usedBy.length > 0" class="small">
      <template v-for="link in view.item.links" :key="`${link.type} ${link.to}`">
        <dt>{{ LINK_WORDS[link.type] }}</dt>
        <dd>
          <button v-if="link.title" class="place-link" @click="$emit('open', link.to)">{{ link.title }}</button>
          <span v-else class="missing">something that is not here</span>
          <span v-if="link.quantity" class="quiet"> ({{ link.quantity }})</span>
        </dd>
      </template>
      <template v-if="view.usedBy.length > 0">
        <dt>used by</dt>
        <dd>
          <template v-for="(user, index) in view.usedBy" :key="user.id"
            ><template v-if="index > 0">, </template
            ><button class="place-link" @click="$emit('open', user.id)">{{ user.title }}</button></template
          >
        </dd>
      </template>
    </dl>
  </div>
</template>

<style scoped>
.item {
  display: grid;
  gap: 8px;
  padding: 8px 0;
}

.body {
  font-size: 16px;
  line-height: 24px;
  max-width: 66ch;
}

.body :deep(img),
img {
  max-width: 100%;
  border: 1px solid var(--rule);
}

.body :deep(p) {
  margin: 0 0 10px;
}

dl {
  display: grid;
  grid-template-columns: max-content minmax(0, 1fr);
  gap: 2px 12px;
  margin: 6px 0 0;
}

dt {
  color: var(--quiet);
}

dd {
  margin: 0;
}

.missing {
  color: var(--madder);
}

ol {
  margin: 0;
  padding-left: 22px;
}
</style>
