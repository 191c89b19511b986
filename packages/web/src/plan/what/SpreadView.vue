<script setup lang="ts">
import { lockedItems } from '@yarin/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';
import FacingOwn from './turned/FacingOwn.vue';
import FacingPages from './turned/FacingPages.vue';
import OutlineMargin from './pages/OutlineMargin.vue';
import SpreadGutter from './pages/SpreadGutter.vue';
import SpreadPage from './pages/SpreadPage.vue';
import SpreadStrip from './SpreadStrip.vue';
import type { Grouping } from './rows/grouping.js';
import { useLevelScroll } from './rows/useLevelScroll.js';
import type { OldRow } from './rows/spreadRow.js';
import { useSpreadActs } from './rows/useSpreadActs.js';
import { useSpreadRows } from './rows/useSpreadRows.js';
import { useTallies } from './rows/useTallies.js';

const plan = usePlanStore();
const route = useRoute();
const router = useRouter();
const grouping = ref<Grouping>('outline');
const filter = ref('');
/** Another place can lead here to things of one kind, or to a way to look. */
watch(
  () => [route.query.only, route.query.by],
  ([only, by]) => {
    if (typeof only === 'string') filter.value = only;
    if (by === 'category') grouping.value = by;
  },
  { immediate: true },
);
const focused = ref(0);
/** The row of the new page that is focused by itself: it answers to nothing on the old one. */
const ownFocused = ref<string>();
const openedOld = ref<string>();
/** A thing of the shell that only it has. */
const openedOwn = ref<string>();
const locked = computed(() => lockedItems(plan.view!.standingRecipe, plan.ground!));
const spread = useSpreadRows(grouping, filter, locked);
const { left, right, placeOf, isNarrowed } = spread;
const tallies = useTallies();
/** A thing that comes from another course now is no more on the page under its old name. */
const turnedTo = computed(() =>
  spread.allOld.value.find(({ key, item }) => item !== undefined && key === openedOld.value),
);
const ownTurnedTo = computed(() => plan.view!.shell.items.find(({ id }) => id === openedOwn.value));
const isTurned = computed(() => turnedTo.value !== undefined || ownTurnedTo.value !== undefined);
const oldPage = useTemplateRef<InstanceType<typeof SpreadPage>>('oldPage');
const newPage = useTemplateRef<InstanceType<typeof SpreadPage>>('newPage');

const { scrolls, scrolled } = useLevelScroll(spread.anchors, oldPage, newPage);

const { act, actOld, actNew } = useSpreadActs(spread, locked);

function openItem(id: string): void {
  filter.value = '';
  turnTo(id);
}
function turnTo(id: string): void {
  openedOwn.value = undefined;
  openedOld.value = id;
  const index = left.value.findIndex(({ key }) => key === id);
  if (index >= 0) focused.value = index;
}
/** What comes is turned to as the thing that it comes from. */
function openNew(key: string): void {
  const item = right.value.find((each) => each.key === key)?.item;
  if (item?.from !== undefined) turnTo(item.from);
  else openedOwn.value = item?.id;
}
function close(): void {
  if (route.query.item !== undefined) void router.replace({ query: {} });
  openedOld.value = undefined;
  openedOwn.value = undefined;
}

const keyOnNew = (row: OldRow | undefined): string => row?.to ?? (row?.item === undefined ? (row?.key ?? '') : '');
const focusedNew = computed(() => placeOf.value.get(ownFocused.value ?? keyOnNew(left.value[focused.value])) ?? -1);
function focusNew(index: number): void {
  const key = right.value[index]?.key;
  const answers = left.value.findIndex((row) => keyOnNew(row) === key);
  if (answers >= 0) focused.value = answers;
  ownFocused.value = answers >= 0 ? undefined : key;
}
/** A line of the plan can lead to a thing. */
watch(
  () => route.query.item,
  (item) => {
    if (typeof item === 'string') openItem(item);
  },
  { immediate: true },
);
watch(focused, () => (ownFocused.value = undefined));
watch([grouping, filter], () => (focused.value = 0));
watch([left, right], () => void nextTick(() => scrolled('old', scrolls.value.old, scrolls.value.height)), {
  flush: 'post',
});
</script>

<template>
  <div class="what">
    <SpreadStrip
      v-model:grouping="grouping"
      v-model:filter="filter"
      :shown="spread.shown.value"
      :is-folded="spread.isAllFolded.value"
      @open="openItem"
      @open-own="(id) => (openedOwn = id)"
      @fold-all="spread.foldAll"
    />
    <div v-if="isTurned" class="turned">
      <OutlineMargin
        :rows="left"
        :at="turnedTo ? left.findIndex(({ key }) => key === turnedTo!.key) : focused"
        @open="turnTo"
      />
      <FacingPages
        v-if="turnedTo"
        :key="turnedTo.key"
        :row="turnedTo"
        @toggle="act(turnedTo)"
        @close="close"
        @open="openItem"
      />
      <FacingOwn v-else-if="ownTurnedTo" :key="ownTurnedTo.id" :item="ownTurnedTo" @close="close" />
    </div>
    <div v-show="!isTurned" class="spread">
      <section class="page">
        <h2>
          {{
            plan.sources.length > 1
              ? `${count(plan.sources.length, 'course')}, as they were`
              : `${plan.sides!.old.term}, as it was`
          }}
          <em>{{ count(plan.totals.of, 'thing') }}</em>
        </h2>
        <SpreadPage
          ref="oldPage"
          v-model:focused="focused"
          side="old"
          label="The old course: what comes and what stays"
          :empty-words="isNarrowed ? 'Nothing on this page has these words.' : 'The old course is empty.'"
          :rows="left"
          :is-folded="spread.old.isFolded"
          :holding="spread.old.holding.value"
          @scrolled="(top, height) => scrolled('old', top, height)"
          @toggle="actOld"
          @open="turnTo"
          @fold="spread.old.fold"
          @fold-all="spread.foldAll"
        />
      </section>
      <SpreadGutter
        :old-rows="left"
        :new-rows="right"
        :place-of="placeOf"
        :scrolls="scrolls"
        :focused="focused"
        :is-folded="(key) => !isNarrowed && spread.old.isFolded(key)"
      />
      <section class="page">
        <h2>
          {{ plan.sides!.new.term }}, as it {{ plan.isDone ? 'is' : 'will be' }} <em>{{ tallies }}</em>
        </h2>
        <SpreadPage
          ref="newPage"
          :focused="focusedNew"
          side="new"
          label="The new course as it will be"
          :empty-words="
            isNarrowed
              ? 'Nothing on this page has these words.'
              : 'Nothing comes, and the shell is empty. Choose something on the old page.'
          "
          :rows="right"
          :is-folded="spread.new.isFolded"
          :holding="spread.new.holding.value"
          @update:focused="focusNew"
          @scrolled="(top, height) => scrolled('new', top, height)"
          @toggle="actNew"
          @open="openNew"
          @fold="spread.new.fold"
          @fold-all="spread.foldAll"
        />
      </section>
    </div>
  </div>
</template>

<style scoped>
.what {
  display: flex;
  flex-direction: column;
}

.turned {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template: minmax(0, 1fr) / 200px minmax(0, 1fr);
  padding-left: var(--margin);
}

.spread {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template: minmax(0, 1fr) / minmax(0, 1fr) clamp(60px, 15vw, 192px) minmax(0, 1fr);
  overflow: hidden;
  padding: 0 var(--margin);
}

.page {
  min-height: 0;
  display: flex;
  flex-direction: column;
}

h2 {
  flex: none;
  height: 40px;
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 10px 0 6px;
  font-size: 17px;
  line-height: 24px;
  white-space: nowrap;
  overflow: hidden;
}

em {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  font: normal 13px/24px var(--sans);
  color: var(--quiet);
}

@media (max-width: 1000px) {
  .turned {
    grid-template-columns: minmax(0, 1fr);
    padding-left: 0;
  }
}

@media (max-width: 800px) {
  .spread {
    grid-template: minmax(0, 1fr) / minmax(0, 1fr) 24px minmax(0, 1fr);
    padding: 0 8px;
  }
}
</style>
