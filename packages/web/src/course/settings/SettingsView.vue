<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { removeShell } from '../../shared/api/courses.js';
import { sentenceOf } from '../../shared/api/client.js';
import { useCourseStore } from '../state/courseStore.js';
import CourseDays from './CourseDays.vue';
import HomeAndMenu from './HomeAndMenu.vue';
import WhoMayUseIt from './WhoMayUseIt.vue';

const course = useCourseStore();
const router = useRouter();
const view = computed(() => course.view!);
const summary = computed(() => view.value.summary);
const title = ref(summary.value.title);
const room = ref(summary.value.room ?? '');
const isNamed = computed(
  () => title.value.trim() !== '' && (title.value !== summary.value.title || room.value !== (summary.value.room ?? '')),
);

const rename = (): Promise<unknown> => course.edit({ title: title.value.trim(), room: room.value.trim() || null });

async function remove(): Promise<void> {
  try {
    await removeShell(summary.value.id);
    await router.push({ name: 'desk' });
  } catch (error) {
    course.trouble = sentenceOf(error);
  }
}
</script>

<template>
  <div class="settings">
    <div>
      <section aria-label="Name">
        <h2>Name and room</h2>
        <form v-if="course.mayChange" class="line" @submit.prevent="rename">
          <ElInput v-model="title" size="small" :maxlength="255" aria-label="Title of the course" />
          <ElInput
            v-model="room"
            size="small"
            class="room"
            :maxlength="100"
            aria-label="Room"
            placeholder="no room yet"
          />
          <ElButton size="small" plain type="primary" native-type="submit" :disabled="!isNamed">Save</ElButton>
        </form>
        <p v-else>{{ summary.title }}{{ summary.room ? `, ${summary.room}` : '' }}</p>
      </section>
      <CourseDays />
      <section aria-label="Learners">
        <h2>Learners</h2>
        <label v-if="course.mayChange" class="choice">
          <input
            type="checkbox"
            :checked="view.openToLearners"
            @change="course.edit({ openToLearners: !view.openToLearners })"
          />
          open to learners
        </label>
        <p v-else>{{ view.openToLearners ? 'Open to learners.' : 'Closed to learners.' }}</p>
        <p class="quiet small">This never comes with a course: the new one is opened by hand.</p>
      </section>
      <section v-if="view.rights.archive.may" aria-label="Archive">
        <h2>Out of the way</h2>
        <p v-if="summary.archived">
          It is archived: nothing of it is seen by learners, and the Desk passes it over.
          <button class="plain-link" @click="course.archive(false)">bring it back</button>
        </p>
        <p v-else>
          Archived, it is hidden as a whole and left as it is; bringing it back gives every thing its state again.
          <button class="plain-link" @click="course.archive(true)">archive it</button>
        </p>
        <p v-if="summary.madeByHand && summary.things === summary.stockThings && course.mayChange">
          It was made by hand and holds nothing yet.
          <button class="plain-link" @click="remove">remove the shell</button>
        </p>
      </section>
    </div>
    <div>
      <HomeAndMenu />
      <WhoMayUseIt v-if="view.rights.share.may" />
    </div>
  </div>
</template>

<style scoped>
.settings {
  flex: 1;
  min-height: 0;
  overflow: auto;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 48px;
  align-content: start;
  padding: 14px var(--margin) 40px;
}

.settings > div {
  display: grid;
  gap: 20px;
  align-content: start;
}

.line {
  display: flex;
  gap: 10px;
  margin-top: 4px;
}

.room {
  max-width: 150px;
}

@media (max-width: 800px) {
  .settings {
    grid-template-columns: 1fr;
  }
}
</style>
