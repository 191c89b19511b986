<script setup lang="ts">
import { computed, defineAsyncComponent, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import PageFailure from '../shared/PageFailure.vue';
import { useKeys } from '../shared/useKeys.js';
import { useNews } from '../shared/useNews.js';
import CourseHead from './CourseHead.vue';
import { useCourseStore } from './state/courseStore.js';
import OutlineView from './outline/OutlineView.vue';
import AskToBeLetIn from '../access/AskToBeLetIn.vue';

const { id, part = 'outline' } = defineProps<{ id: string; part?: string }>();

const VIEWS = {
  outline: OutlineView,
  gradebook: defineAsyncComponent(() => import('./gradebook/GradebookView.vue')),
  dates: defineAsyncComponent(() => import('./dates/DatesView.vue')),
  'class-days': defineAsyncComponent(() => import('./time/CourseTimeView.vue')),
  files: defineAsyncComponent(() => import('./files/FilesView.vue')),
  settings: defineAsyncComponent(() => import('./settings/SettingsView.vue')),
} as const;

const course = useCourseStore();
const route = useRoute();
const router = useRouter();
const shown = computed(() => VIEWS[part as keyof typeof VIEWS] ?? OutlineView);

watch(
  () => id,
  (courseId) => void course.load(courseId),
  { immediate: true },
);
watch([() => id, () => route.query.item], ([, item]) => void course.open(typeof item === 'string' ? item : ''), {
  immediate: true,
});

useNews(() => course.hear());
useKeys({
  Escape: () => (part === 'outline' || part === '' ? false : void router.push({ params: { part: '' } })),
});
</script>

<template>
  <PageFailure v-if="course.failure" :sentence="course.failure" @again="course.load(id)">
    <AskToBeLetIn :course-id="id" wants="use" />
  </PageFailure>
  <div v-else-if="course.view" class="course">
    <CourseHead :part="part || 'outline'" />
    <p v-if="course.trouble" class="trouble" role="alert">
      {{ course.trouble }}
      <button class="plain-link" @click="course.trouble = ''">close</button>
    </p>
    <component :is="shown" />
  </div>
  <p v-else class="quiet loading">Opening the course …</p>
</template>

<style scoped>
.course {
  height: 100%;
  display: flex;
  flex-direction: column;
}

.trouble {
  padding: 6px var(--margin);
  border-bottom: 1px solid var(--rule);
  color: var(--madder);
}

.loading {
  padding: 26px var(--margin);
}
</style>
