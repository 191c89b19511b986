<script setup lang="ts">
import { originKey, ROLE_WORDS, staysBehind, type ItemView, type PlanLine } from '@yarin/core';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import ItemBody from '../../../course/item/ItemBody.vue';
import { fetchItem } from '../../../shared/api/courses.js';
import { sentenceOf } from '../../../shared/api/client.js';
import { useKeys } from '../../../shared/useKeys.js';
import { usePlanStore } from '../../state/planStore.js';
import { chainWords } from '../../state/planWords.js';
import DecideBoth from './DecideBoth.vue';
import NewSheet from './NewSheet.vue';
import type { OldRow } from '../rows/spreadRow.js';
import { momentWords } from '../../../shared/readersDates.js';

const { row } = defineProps<{ row: OldRow }>();
const emit = defineEmits<{ close: []; toggle: []; open: [item: string] }>();

const plan = usePlanStore();
const router = useRouter();
const view = ref<ItemView>();
/** What the shell has in its place, when that can say something else. */
const theirs = ref<ItemView>();
const failure = ref('');
const back = ref<HTMLButtonElement>();

/** Verbs of things of which the shell may hold another text. */
const SHELL_DIFFERS: ReadonlySet<PlanLine['verb']> = new Set(['ask', 'keep', 'update']);

const item = computed(() => row.item!);
const origin = computed(() => plan.originOf(item.value.id));
const oldTerm = computed(() => (plan.sources.length > 1 ? plan.nameOf(origin.value.course) : plan.sides!.old.term));
const line = computed(() => plan.preview!.lines.find((each) => each.item === item.value.id)!);
const landed = computed(() => plan.preview!.items.find(({ id }) => id === line.value.to));
const comes = computed(() => !staysBehind(line.value));
const isAsked = computed(() => line.value.verb === 'ask');
const chain = computed(() => chainWords(line.value.why, (id) => titles.value.get(id) ?? 'something that is not here'));
/** Of a thing that stands in several sources: those from which it could come instead. */
const elsewhere = computed(() => {
  const { course } = origin.value;
  const here = plan.overlaps.find(({ overlap }) =>
    overlap.some((each) => each.item === origin.value.item && each.course === course),
  );
  return here === undefined
    ? []
    : here.overlap.filter((each) => each.course !== course).map((each) => ({ ...each, here }));
});
function takeFrom({ course, item: id, here }: (typeof elsewhere.value)[number]): void {
  plan.takeFrom([here], course);
  emit('open', plan.ground?.joined?.ids.get(originKey(course, id)) ?? id);
}
const titles = computed(() => new Map(plan.source.items.map(({ id, title }) => [id, title])));

/** What the new course will show: the old text, the shell's own, or what a person wrote. */
const landedView = computed((): ItemView | undefined => {
  if (item.value.kind === 'syllabus' && view.value !== undefined && !isAsked.value)
    return { ...view.value, item: { ...view.value.item, details: landed.value?.details } as ItemView['item'] };
  if (line.value.verb === 'keep') return theirs.value;
  if (!isAsked.value) return view.value;
  const { body } = plan.decisions.answers?.[item.value.id] ?? {};
  if (body === 'source') return view.value;
  if (typeof body !== 'object' || theirs.value === undefined) return theirs.value;
  return { ...theirs.value, item: { ...theirs.value.item, body: body.text } };
});

/** What the words of each page are compared with: with each other, or what comes with what it replaces. */
const textOf = (shown: ItemView | undefined): string | undefined =>
  shown === undefined ? undefined : (shown.item.body ?? '');
const isUpdate = computed(() => line.value.verb === 'update');
const oldAgainst = computed(() =>
  theirs.value === undefined || isUpdate.value ? undefined : textOf(landedView.value),
);
const newAgainst = computed(() =>
  theirs.value === undefined ? undefined : textOf(isUpdate.value ? theirs.value : view.value),
);

/** What a thing leads to is opened in the old course; the plan stays one step back. */
const look = (key: string): void =>
  void router.push({ name: 'course', params: { id: origin.value.course }, query: { item: key } });

useKeys({
  Escape: () => emit('close'),
  ' ': () => emit('toggle'),
});

onMounted(() => {
  back.value?.focus();
  fetchItem(origin.value.course, origin.value.item).then(
    (found) => void (view.value = found),
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
  if (SHELL_DIFFERS.has(line.value.verb) && line.value.to !== null)
    fetchItem(plan.view!.shell.course.id, line.value.to).then(
      (found) => void (theirs.value = found),
      (error: unknown) => void (failure.value = sentenceOf(error)),
    );
});
</script>

<template>
  <div class="facing">
    <p class="way">
      <button ref="back" class="plain-link" @click="emit('close')">Back to the spread</button>
      <button class="plain-link" @click="emit('toggle')">{{ comes ? 'leave it' : 'bring it' }}</button>
      <span v-if="chain" class="quiet">{{ chain }}</span>
      <span v-for="each in elsewhere" :key="each.course" class="quiet">
        stands in {{ plan.nameOf(each.course) }} too
        <button class="plain-link" @click="takeFrom(each)">take that one</button>
      </span>
    </p>
    <DecideBoth v-if="isAsked" :line="line" :old="view" :here="theirs" />
    <article class="sheet" :aria-label="`${item.title}, as it was`">
      <p class="quiet small">{{ oldTerm }}, as it was · {{ row.kind }}</p>
      <h2>{{ item.title }}</h2>
      <p v-for="moment in item.moments" :key="moment.id" class="small">
        {{ ROLE_WORDS[moment.role] }} {{ momentWords(moment.at) }}
      </p>
      <p v-if="failure" role="alert">{{ failure }}</p>
      <ItemBody v-else-if="view" :view="view" :course-id="origin.course" :against="oldAgainst" @open="look" />
    </article>
    <NewSheet
      class="sheet"
      :item="item"
      :line="line"
      :view="landedView"
      :against="newAgainst"
      :is-update="isUpdate"
      @look="look"
      @put-back="emit('toggle')"
    />
  </div>
</template>

<style scoped src="./facing.css"></style>
