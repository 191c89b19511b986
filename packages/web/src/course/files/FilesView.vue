<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { fileAddress } from '../../shared/api/courses.js';
import FileField from '../../shared/FileField.vue';
import { count } from '../../shared/words.js';
import { useCourseStore } from '../state/courseStore.js';
import { fileRows, sizeWords } from './fileRows.js';

const course = useCourseStore();
const router = useRouter();
const isAdding = ref(false);
const rows = computed(() => fileRows(course.view!.items));
const bytes = computed(() => rows.value.reduce((sum, row) => sum + row.bytes, 0));
const courseId = computed(() => course.view!.summary.id);

const open = (key: string): void => void router.push({ params: { part: '' }, query: { item: key } });

async function add(files: readonly File[]): Promise<void> {
  isAdding.value = true;
  for (const file of files) await course.addFile(file);
  isAdding.value = false;
}
</script>

<template>
  <div class="files">
    <p class="sum">
      {{ count(rows.length, 'file') }}, {{ sizeWords(bytes) }}.
      <FileField
        v-if="course.mayChange"
        :words="isAdding ? 'adding …' : 'add files'"
        label="Files to add"
        multiple
        :disabled="isAdding"
        @chosen="add"
      />
    </p>
    <table class="facts" v-if="rows.length > 0">
      <thead>
        <tr>
          <th scope="col">file</th>
          <th scope="col">kind</th>
          <th scope="col" class="number">size</th>
          <th scope="col">used by</th>
          <th scope="col"></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.key">
          <td>
            <button class="place-link" @click="open(row.key)">{{ row.title }}</button>
          </td>
          <td class="quiet">{{ row.mediaType }}</td>
          <td class="number">{{ sizeWords(row.bytes) }}</td>
          <td>
            <span v-if="row.users.length === 0" class="doubtful">nothing uses it</span>
            <template v-for="(user, index) in row.users" v-else :key="user.key"
              ><template v-if="index > 0">, </template
              ><button class="place-link" @click="open(user.key)">{{ user.title }}</button></template
            >
          </td>
          <td class="fetch"><a :href="fileAddress(courseId, row.key)" download>fetch</a></td>
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet">No files. They stand here once something is added or brought.</p>
  </div>
</template>

<style scoped>
.files {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 14px var(--margin) 40px;
}

.sum {
  margin-bottom: 10px;
  font-size: 16px;
}

td,
th {
  padding: 4px 16px 4px 0;
  border-bottom: 1px solid var(--rule-faint);
}

.number {
  text-align: right;
  white-space: nowrap;
}

.fetch {
  text-align: right;
}
</style>
