<script setup lang="ts">
import { canBeTakenOut, ROLE_WORDS, titleKey, type ItemView, type SnapshotItem } from '@yarin/core';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import ItemBody from '../../../course/item/ItemBody.vue';
import { fetchItem } from '../../../shared/api/courses.js';
import { sentenceOf } from '../../../shared/api/client.js';
import { momentWords } from '../../../shared/readersDates.js';
import { useKeys } from '../../../shared/useKeys.js';
import { usePlanStore } from '../../state/planStore.js';
import { useShellThings } from '../panels/useShellThings.js';
import { useChoosing } from '../rows/useChoosing.js';

/** A thing that only the shell has, beside what of the old course has its name and stays behind. */
const { item } = defineProps<{ item: SnapshotItem }>();
const emit = defineEmits<{ close: [] }>();

const plan = usePlanStore();
const router = useRouter();
const { takeOut } = useChoosing();
const { saidOfOwn } = useShellThings();
const view = ref<ItemView>();
const old = ref<ItemView>();
const failure = ref('');
const back = ref<HTMLButtonElement>();

const shell = computed(() => plan.view!.shell.course);
const isOut = computed(() => plan.preview!.lines.some(({ to, takenOut }) => to === item.id && takenOut === true));
const isAsked = computed(() => plan.decisions.choices.takeOut?.[item.id] === true);
const may = computed(() => plan.view!.right.may && canBeTakenOut(item));
/** What of the old course has its kind and title. */
const alike = computed(() => plan.source.items.find((each) => titleKey(each) === titleKey(item)));
const turn = (): void => {
  if (may.value) takeOut([item.id], !isAsked.value, item.title);
};
const look = (key: string): void =>
  void router.push({ name: 'course', params: { id: shell.value.id }, query: { item: key } });

useKeys({ Escape: () => emit('close'), ' ': turn });

onMounted(() => {
  back.value?.focus();
  const failed = (error: unknown): void => void (failure.value = sentenceOf(error));
  fetchItem(shell.value.id, item.id).then((found) => void (view.value = found), failed);
  if (alike.value !== undefined) {
    const { course, item: id } = plan.originOf(alike.value.id);
    fetchItem(course, id).then((found) => void (old.value = found), failed);
  }
});
const textOf = (shown: ItemView | undefined): string | undefined =>
  shown === undefined ? undefined : (shown.item.body ?? '');
</script>

<template>
  <div class="facing">
    <p class="way">
      <button ref="back" class="plain-link" @click="emit('close')">Back to the spread</button>
      <button v-if="may" class="plain-link" @click="turn">{{ isAsked ? 'keep it' : 'take it out' }}</button>
      <span class="quiet">{{ saidOfOwn(item) }}</span>
    </p>
    <article class="sheet" aria-label="In the old course">
      <p class="quiet small">{{ plan.sides!.old.term }}, as it was</p>
      <template v-if="alike">
        <h2>{{ alike.title }}</h2>
        <p class="quiet small">It has the same name, and stays behind.</p>
        <ItemBody v-if="old" :view="old" :course-id="plan.originOf(alike.id).course" :against="textOf(view)" />
      </template>
      <h2 v-else class="stays">Nothing in the old course answers to it</h2>
    </article>
    <article class="sheet" :aria-label="`${item.title}, the shell’s own`">
      <p class="quiet small">{{ plan.sides!.new.term }}, the shell’s own</p>
      <h2>{{ item.title }}</h2>
      <p v-if="isOut" class="doubtful">It is taken out with the run, and stands again when the run is taken back.</p>
      <p v-else-if="isAsked" class="doubtful">Something that stays needs it: it stays too.</p>
      <p v-for="moment in item.moments" :key="moment.id" class="small">
        {{ ROLE_WORDS[moment.role] }} {{ momentWords(moment.at) }}
      </p>
      <p v-if="failure" role="alert">{{ failure }}</p>
      <ItemBody v-else-if="view" :view="view" :course-id="shell.id" :against="textOf(old)" @open="look" />
    </article>
  </div>
</template>

<style scoped src="./facing.css"></style>
<style scoped>
.stays {
  color: var(--ash-ink);
}
</style>
