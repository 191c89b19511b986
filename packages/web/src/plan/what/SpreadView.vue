<script setup lang="ts">
import { lockedItems, type Verb } from '@yarin/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { useAnnouncer } from '../../shared/announcer.js';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';
import FacingPages from './turned/FacingPages.vue';
import { anchorsOf, levelHeight, type Anchor } from './rows/levelScroll.js';
import NewPage from './pages/NewPage.vue';
import OldPage from './pages/OldPage.vue';
import OutlineMargin from './pages/OutlineMargin.vue';
import SpreadStrip from './SpreadStrip.vue';
import SpreadGutter from './pages/SpreadGutter.vue';
import type { Grouping } from './rows/grouping.js';
import { filterRows } from './rows/filterRows.js';
import { placesFrom } from './rows/placesFrom.js';
import { layOldPage, newRows, oldRows, type OldRow } from './rows/spreadRows.js';
import { useChoosing } from './rows/useChoosing.js';

const ROW = 28;
const EYE = 0.4;

const plan = usePlanStore();
const { toggle } = useChoosing();
const { announce } = useAnnouncer();
const grouping = ref<Grouping>('outline');
const filter = ref('');
const focused = ref(0);
const opened = ref<OldRow | null>(null);
/** A thing that comes from another course now is no more on the page under its old name. */
const shown = computed(() => left.value.find(({ key, item }) => item !== undefined && key === opened.value?.key));
const oldPage = useTemplateRef<InstanceType<typeof OldPage>>('oldPage');
const newPage = useTemplateRef<InstanceType<typeof NewPage>>('newPage');
const scrolls = ref({ old: 0, new: 0, height: 500 });

const locked = computed(() => lockedItems(plan.view!.standingRecipe, plan.ground!));
/** Of several sources: where each thing is from. */
const fromOf = computed(() => (plan.sources.length < 2 ? undefined : placesFrom(plan.ground!.joined!, plan.nameOf)));
const layout = computed(() =>
  layOldPage(plan.source, plan.findings, grouping.value, { locked: locked.value, fromOf: fromOf.value }),
);
const left = computed(() => filterRows(oldRows(layout.value, plan.preview!), filter.value));
// Of a large course these follow a moment later, and the page is built anew only then.
const items = computed(() => plan.preview!.items);
const causes = computed(() => plan.preview!.causes);
const shownOnLeft = computed(() => new Set(filter.value === '' ? [] : left.value.flatMap(({ to }) => to ?? [])));
const right = computed(() =>
  filterRows(
    newRows(items.value, causes.value, grouping.value, plan.findings, fromOf.value),
    filter.value,
    shownOnLeft.value,
  ),
);
const placeOf = computed(() => new Map(right.value.map(({ key }, index) => [key, index])));
const pairs = computed(() => {
  const level: Anchor[] = [];
  left.value.forEach((row, index) => {
    const to = placeOf.value.get(row.to ?? (row.item === undefined ? row.key : ''));
    if (to !== undefined) level.push([index, to]);
  });
  return level;
});
const anchors = computed(() => anchorsOf(pairs.value));
const focusedNew = computed(() => placeOf.value.get(left.value[focused.value]?.to ?? '') ?? -1);

const tallies = computed(() => {
  const counted = new Map<Verb, number>();
  for (const { verb } of plan.preview!.lines) counted.set(verb, (counted.get(verb) ?? 0) + 1);
  const of = (...verbs: Verb[]): number => verbs.reduce((sum, verb) => sum + (counted.get(verb) ?? 0), 0);
  const parts = [`${of('add', 'update')} come`];
  if (of('join', 'same') > 0)
    parts.push(plan.isDone ? `${of('join', 'same')} are there` : `${of('join', 'same')} join`);
  if (of('here') > 0) parts.push(`${of('here')} were here`);
  return (of('add', 'update') === 0 ? parts.slice(1) : parts).join(' · ');
});

/** The page that was scrolled leads; the other follows so that the row under the eye lies level. */
let following: 'old' | 'new' | undefined;
function scrolled(leader: 'old' | 'new', top: number, height: number): void {
  scrolls.value = { ...scrolls.value, [leader]: top, height };
  if (following === leader) {
    following = undefined;
    return;
  }
  // At the top the first rows lie level; further down the row under the eye does.
  const eye = Math.min(top, height * EYE);
  const level = levelHeight(anchors.value, ROW, top + eye, leader === 'old' ? 0 : 1) - eye;
  following = leader === 'old' ? 'new' : 'old';
  const moved = (leader === 'old' ? newPage : oldPage).value?.scrollTo(level);
  if (moved === false) following = undefined;
}

function act(row: OldRow): void {
  if (row.covers.every((id) => locked.value.has(id))) {
    announce(
      `${row.title}: the recipe “${plan.view!.standingRecipe!.name}” decides about it; an administrator can change that.`,
    );
    return;
  }
  toggle(row);
  void nextTick(() => {
    const now = left.value.find(({ key }) => key === row.key);
    announce(
      `${row.title}: ${now?.box === 'on' ? 'comes' : now?.box === 'part' ? 'comes in part' : 'stays behind'}. ${plan.totals.come} of ${plan.totals.of} come.`,
    );
  });
}

function openItem(id: string): void {
  filter.value = '';
  turnTo(id);
}

function turnTo(id: string): void {
  const index = left.value.findIndex(({ key }) => key === id);
  if (index < 0) return;
  focused.value = index;
  opened.value = left.value[index]!;
}

watch([grouping, filter], () => (focused.value = 0));
watch([left, right], () => void nextTick(() => scrolled('old', scrolls.value.old, scrolls.value.height)), {
  flush: 'post',
});
</script>

<template>
  <div class="what">
    <SpreadStrip v-model:grouping="grouping" v-model:filter="filter" @open="openItem" />
    <div v-if="shown" class="turned">
      <OutlineMargin :rows="left" :at="left.indexOf(shown)" @open="turnTo" />
      <FacingPages :key="shown.key" :row="shown" @toggle="act(shown)" @close="opened = null" @open="openItem" />
    </div>
    <div v-show="!shown" class="spread">
      <section class="page">
        <h2>
          {{
            plan.sources.length > 1
              ? `${count(plan.sources.length, 'course')}, as they were`
              : `${plan.sides!.old.term}, as it was`
          }}
          <em>{{ count(plan.totals.of, 'thing') }}</em>
        </h2>
        <OldPage
          ref="oldPage"
          v-model:focused="focused"
          :rows="left"
          :is-narrowed="filter !== ''"
          @scrolled="(top, height) => scrolled('old', top, height)"
          @toggle="act"
          @open="(row) => row.item && (opened = row)"
        />
      </section>
      <SpreadGutter :old-rows="left" :new-rows="right" :place-of="placeOf" :scrolls="scrolls" :focused="focused" />
      <section class="page">
        <h2>
          {{ plan.sides!.new.term }}, as it {{ plan.isDone ? 'is' : 'will be' }} <em>{{ tallies }}</em>
        </h2>
        <NewPage
          ref="newPage"
          :rows="right"
          :is-narrowed="filter !== ''"
          :focused="focusedNew"
          @scrolled="(top, height) => scrolled('new', top, height)"
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
