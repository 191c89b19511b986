<script setup lang="ts">
import DOMPurify from 'dompurify';
import { computed, ref } from 'vue';
import { count } from '../../shared/words.js';
import { saveItem } from '../../shared/api/courses.js';
import { sentenceOf } from '../../shared/api/client.js';
import { useCourseStore } from '../state/courseStore.js';
import { momentWords } from '../../shared/readersDates.js';

const course = useCourseStore();
const isOpen = ref(false);
const opened = computed(() => course.opened!);

/** The earlier text is saved as an edit of its own, so that the present one is kept as well. */
async function takeAgain(title: string, body: string): Promise<void> {
  course.trouble = '';
  try {
    await saveItem(course.view!.summary.id, opened.value.item.id, opened.value.version, { title, body });
    await course.open(opened.value.item.id);
    await course.reload();
  } catch (error) {
    course.trouble = sentenceOf(error);
  }
}
</script>

<template>
  <section class="earlier" aria-label="Earlier texts">
    <button class="plain-link" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      {{ count(opened.earlier.length, 'earlier text') }}
    </button>
    <ul v-if="isOpen">
      <li v-for="text in opened.earlier" :key="text.version">
        <p class="quiet small">
          until {{ momentWords(text.at) }}, when {{ text.by }} changed it
          <button v-if="course.mayChange" class="plain-link" @click="takeAgain(text.title, text.body)">
            take this again
          </button>
        </p>
        <b>{{ text.title }}</b>
        <!-- eslint-disable-next-line vue/no-v-html -- sanitised by the server and here -->
        <div v-html="DOMPurify.sanitize(text.body)"></div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.earlier {
  margin-top: 14px;
}

ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
}

li {
  padding: 8px 0;
  border-top: 1px solid var(--rule-faint);
}

b {
  font-weight: 600;
}
</style>
