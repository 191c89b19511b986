<script setup lang="ts">
import type { ComparedRow, CourseSummary, ItemView } from '@yarin/core';
import { ref, shallowRef, watch } from 'vue';
import ItemBody from '../course/item/ItemBody.vue';
import { fetchItem } from '../shared/api/courses.js';
import { sentenceOf } from '../shared/api/client.js';
import { termLabel } from '../shared/courseLine.js';
import { useKeys } from '../shared/useKeys.js';

/** One thing as it stands in each of two courses; what the other text does not have is marked. */
const { row, left, right } = defineProps<{ row: ComparedRow; left: CourseSummary; right: CourseSummary }>();
const emit = defineEmits<{ close: [] }>();

const sides = shallowRef<readonly { readonly course: CourseSummary; readonly view: ItemView }[]>([]);
const failure = ref('');
watch(
  () => row,
  async (asked) => {
    failure.value = '';
    const wanted = [
      [left, asked.left],
      [right, asked.right],
    ] as const;
    try {
      const found = await Promise.all(
        wanted.flatMap(([course, item]) =>
          item === undefined ? [] : [fetchItem(course.id, item.id).then((view) => ({ course, view }))],
        ),
      );
      if (asked === row) sides.value = found;
    } catch (error) {
      failure.value = sentenceOf(error);
    }
  },
  { immediate: true },
);
const otherText = (at: number): string | undefined => sides.value[1 - at]?.view.item.body;
useKeys({ Escape: () => emit('close') });
</script>

<template>
  <section aria-label="The thing in both courses" class="thing">
    <p v-if="failure" role="alert">{{ failure }}</p>
    <div class="sides">
      <article v-for="({ course, view }, at) in sides" :key="course.id" :aria-label="`In ${termLabel(course)}`">
        <h3>
          {{ view.item.title }} <small class="beside">{{ termLabel(course) }}</small>
        </h3>
        <ItemBody :view="view" :course-id="course.id" :against="otherText(at)" />
      </article>
    </div>
    <button class="plain-link" @click="$emit('close')">close</button>
  </section>
</template>

<style scoped>
.thing {
  flex: none;
  max-height: 45%;
  overflow: auto;
  padding: 8px 0 14px;
  border-top: 1px solid var(--rule);
}

.sides {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 48px;
}

@media (max-width: 800px) {
  .sides {
    grid-template-columns: 1fr;
  }
}
</style>
