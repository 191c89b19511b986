<script setup lang="ts">
import { ATTRIBUTES, isWork, KIND_WORDS, LINK_FIELDS, LONGEST_TITLE } from '@yarin/core';
import { computed, nextTick, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue';
import NumberBox from '../../shared/NumberBox.vue';
import { onBeforeRouteLeave, onBeforeRouteUpdate } from 'vue-router';
import { isConflict, placesOf, sentenceOf } from '../../shared/api/client.js';
import { fetchItem, saveItem } from '../../shared/api/courses.js';
import { useCourseStore } from '../state/courseStore.js';
import AttributeField from './AttributeField.vue';
import LinkFieldSelect from './LinkFieldSelect.vue';
import ListedDetails from './ListedDetails.vue';
import MomentsField from './MomentsField.vue';
import RichText from './RichText.vue';
import SyllabusSections from './SyllabusSections.vue';
import TheirText from './TheirText.vue';
import { changesOf, draftOf } from './itemDraft.js';

const emit = defineEmits<{ close: []; saved: [takenOut: readonly string[]] }>();

const course = useCourseStore();
const view = shallowRef(course.opened!);

/** The category of a gradebook line. */
const categoryOf = (line: string | undefined): string =>
  course.itemsById.get(line ?? '')?.links?.find(({ type }) => type === 'gradedIn')?.to ?? '';
const firstLine = ({ item }: typeof view.value): string | undefined =>
  isWork(item.kind) ? item.links.find(({ type }) => type === 'gradedIn')?.to : undefined;
const category = computed(() => categoryOf(firstLine(view.value)));
const draft = ref(draftOf(view.value, category.value));
// Another line brings its own category.
watch(
  () => draft.value.links.gradedIn?.[0],
  (line) => void (isWork(kind.value) && line !== firstLine(view.value) && (draft.value.category = categoryOf(line))),
);
const trouble = ref('');
const places = shallowRef<ReadonlyMap<string, string>>(new Map());
/** What somebody else saved meanwhile. */
const theirs = shallowRef<typeof view.value | null>(null);
const isSaving = ref(false);
const title = ref<{ focus(): void }>();

const kind = computed(() => view.value.item.kind);
const attributes = computed(() => ATTRIBUTES[kind.value] ?? []);
const linkFields = computed(() => LINK_FIELDS[kind.value] ?? []);
const hasText = computed(
  () => !['lineItem', 'gradeCategory', 'file', 'rule', 'courseSettings', 'syllabus'].includes(kind.value),
);
const hasPoints = computed(() => ['assignment', 'quiz', 'discussion', 'lineItem', 'survey'].includes(kind.value));
const changes = computed(() => changesOf(view.value, draft.value, category.value));
const isChanged = computed(() => Object.keys(changes.value).length > 0);

onMounted(() => {
  course.isWriting = true;
  void nextTick(() => title.value?.focus());
});
onUnmounted(() => (course.isWriting = false));

async function save(): Promise<void> {
  if (!isChanged.value) {
    emit('close');
    return;
  }
  isSaving.value = true;
  trouble.value = '';
  places.value = new Map();
  try {
    const { takenOut } = await saveItem(course.view!.summary.id, view.value.item.id, view.value.version, changes.value);
    view.value = { ...view.value, item: { ...view.value.item, ...draftItem() } };
    emit('saved', takenOut);
  } catch (error) {
    trouble.value = sentenceOf(error);
    places.value = placesOf(error);
    if (isConflict(error)) await showTheirs();
  } finally {
    isSaving.value = false;
  }
}

/** After saving nothing is unsaved any more, whatever leaves the page next. */
const draftItem = () => ({ title: draft.value.title, body: draft.value.body });

async function showTheirs(): Promise<void> {
  try {
    theirs.value = await fetchItem(course.view!.summary.id, view.value.item.id);
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}

/** My text over theirs: theirs stays among the earlier ones. */
function keepMine(): void {
  view.value = { ...view.value, version: theirs.value!.version };
  theirs.value = null;
  void save();
}

function takeTheirs(): void {
  view.value = theirs.value!;
  draft.value = draftOf(theirs.value!, categoryOf(firstLine(theirs.value!)));
  theirs.value = null;
  trouble.value = '';
}

/** Leaving with something unsaved stays here and says so once; leaving again leaves it. */
let isWarned = false;
function mayLeave(): boolean {
  if (!isChanged.value || isWarned || isSaving.value) return true;
  isWarned = true;
  trouble.value = 'What you wrote is not saved yet. Save it, or leave once more to let it go.';
  return false;
}
onBeforeRouteLeave(mayLeave);
onBeforeRouteUpdate(mayLeave);
</script>

<template>
  <form class="editor" :aria-label="`Edit ${view.item.title}`" @submit.prevent="save">
    <p class="quiet small">{{ KIND_WORDS[kind].one }}, being edited</p>
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <TheirText v-if="theirs" :theirs="theirs" @mine="keepMine" @theirs="takeTheirs" />
    <label class="field">
      <span>title</span>
      <ElInput ref="title" v-model="draft.title" :aria-invalid="places.has('/changes/title')" />
      <small v-if="draft.title.length > LONGEST_TITLE" class="problem"
        >{{ draft.title.length }} characters; {{ LONGEST_TITLE }} are the most.</small
      >
      <small v-else-if="places.has('/changes/title')" class="problem">{{ places.get('/changes/title') }}</small>
    </label>
    <RichText
      v-if="hasText"
      :key="view.version"
      v-model="draft.body"
      label="Text"
      :course-id="course.view!.summary.id"
      :items="course.view!.items"
    />
    <SyllabusSections v-if="kind === 'syllabus'" v-model="draft.details" />
    <ListedDetails v-model="draft.details" :kind="kind" />
    <div class="fields">
      <div class="field">
        <span>state</span>
        <span class="choices" role="radiogroup" aria-label="State">
          <label class="choice" v-for="state in ['open', 'draft', 'hidden'] as const" :key="state">
            <input v-model="draft.state" type="radio" :value="state" /> {{ state }}
          </label>
        </span>
      </div>
      <label v-if="hasPoints" class="field">
        <span>points</span>
        <NumberBox
          :value="draft.points ?? undefined"
          :most="100000"
          label="points"
          @set="(points) => (draft.points = points)"
        />
        <small v-if="places.has('/changes/points')" class="problem">{{ places.get('/changes/points') }}</small>
      </label>
      <div v-if="isWork(kind)" class="field">
        <span>category</span>
        <ElSelect
          v-model="draft.category"
          size="small"
          clearable
          aria-label="category"
          :value-on-clear="''"
          :placeholder="course.itemsOf('gradeCategory').length === 0 ? 'there is none in this course' : 'none'"
        >
          <ElOption
            v-for="each in course.itemsOf('gradeCategory')"
            :key="each.id"
            :value="each.id"
            :label="each.title"
          />
        </ElSelect>
        <small v-if="places.has('/changes/category')" class="problem">{{ places.get('/changes/category') }}</small>
      </div>
      <AttributeField
        v-for="attribute in attributes"
        :key="attribute.name"
        v-model="draft.details[attribute.name]"
        :attribute="attribute"
        :problem="places.get(`/changes/details/${attribute.name}`)"
      />
      <LinkFieldSelect
        v-for="field in linkFields"
        :key="field.type"
        v-model="draft.links[field.type]"
        v-model:quantities="draft.quantities"
        :field="field"
      />
    </div>
    <MomentsField
      v-model="draft.moments"
      :kind="kind"
      :problems="places"
      :time="{ calendar: course.view!.calendar, meetings: course.view!.summary.meetings }"
    />
    <p class="end">
      <ElButton type="primary" native-type="submit" :loading="isSaving" :disabled="theirs !== null">Save</ElButton>
      <button type="button" class="plain-link" @click="emit('close')">leave it as it was</button>
      <span class="quiet small">what it said before is kept</span>
    </p>
  </form>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 12px;
}

.trouble,
.problem {
  color: var(--madder);
}

.problem {
  font-size: 13px;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 20px;
  align-items: start;
}

.field {
  display: grid;
  gap: 3px;
}

.field > span:first-child {
  font-size: 13px;
  color: var(--quiet);
}

.end {
  display: flex;
  gap: 14px;
  align-items: center;
}

@media (max-width: 1100px) {
  .fields {
    grid-template-columns: 1fr;
  }
}
</style>
