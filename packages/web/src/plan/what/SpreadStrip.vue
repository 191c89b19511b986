<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { useRoute } from 'vue-router';
import { count } from '../../shared/words.js';
import { usePlanStore } from '../state/planStore.js';
import AnswersPanel from './panels/AnswersPanel.vue';
import FindingPanel from './panels/FindingPanel.vue';
import GonePanel from './panels/GonePanel.vue';
import type { StripPanel } from './panels/stripPanel.js';
import { NESTED, type Grouping } from './rows/grouping.js';
import HowItComes from './panels/HowItComes.vue';
import OwnPanel from './panels/OwnPanel.vue';
import ProposedPanel from './panels/ProposedPanel.vue';
import RecipePanel from './panels/RecipePanel.vue';
import SetAside from './SetAside.vue';
import SourcesPanel from './panels/SourcesPanel.vue';
import { useAnswers } from './panels/useAnswers.js';
import { useShellThings } from './panels/useShellThings.js';
import { useReasons } from './panels/useReasons.js';
import { useChoosing } from './rows/useChoosing.js';

const grouping = defineModel<Grouping>('grouping', { required: true });
const filter = defineModel<string>('filter', { required: true });
const { shown: shownThings, isFolded } = defineProps<{
  /** The headings are folded, but those that somebody opened. */
  isFolded: boolean;
  /** With a filter in force: the things that the rows shown stand for. */
  shown: readonly string[];
}>();
const emit = defineEmits<{ open: [item: string]; openOwn: [item: string]; foldAll: [fold: boolean] }>();

const plan = usePlanStore();
const { reasons } = useReasons();
const { waiting } = useAnswers();
const { gone, own } = useShellThings();
const { chooseThese } = useChoosing();
const route = useRoute();
const SHOWN = { decisions: 'answers', sources: 'sources' } as const;
const opened = ref<StripPanel | null>(askedFor());
watch(
  () => route.query.show,
  () => (opened.value = askedFor() ?? opened.value),
);
function askedFor(): 'answers' | 'sources' | null {
  const { show } = route.query;
  return show === 'decisions' || show === 'sources' ? SHOWN[show] : null;
}
const groupings = computed((): readonly Grouping[] => [
  'outline',
  'kind',
  ...(plan.source.items.some(({ kind }) => kind === 'gradeCategory') ? (['category'] as const) : []),
  'state',
  'finding',
  ...(plan.ground!.lineage.length > 0 ? (['change'] as const) : []),
  ...(plan.sources.length > 1 ? (['source'] as const) : []),
]);
const shown = computed(() => reasons.value.find(({ name }) => name === opened.value));
/** A thing that is opened has the page to itself. */
function open(item: string): void {
  opened.value = null;
  emit('open', item);
}
function openOwn(item: string): void {
  opened.value = null;
  emit('openOwn', item);
}
/** Beside “everything with exceptions”: nothing, to choose from. */
const isOnlyChosen = computed(() => plan.decisions.choices.all === 'leave');
function beginWith(what: 'nothing' | 'everything'): void {
  const { all: _, ...rest } = plan.decisions.choices;
  const broad = what === 'nothing' ? ({ all: 'leave' } as const) : {};
  const choices = { ...rest, ...broad, kinds: {}, units: {}, items: {} };
  plan.decide({ choices }, what === 'nothing' ? 'begin with nothing' : 'everything but what is set aside');
}
const toggle = (panel: typeof opened.value): void => void (opened.value = opened.value === panel ? null : panel);
</script>

<template>
  <div class="strip">
    <SetAside v-model:opened="opened" />
    <div class="line tools">
      <ElInput
        v-model="filter"
        class="filter"
        size="small"
        clearable
        placeholder="only rows with …"
        aria-label="Show only rows with these words"
      />
      <span class="by">
        by
        <button
          v-for="each in groupings"
          :key="each"
          class="way-to-look"
          :aria-pressed="grouping === each"
          @click="grouping = each"
        >
          {{ each }}
        </button>
      </span>
      <button class="plain-link" :disabled="shownThings.length > 0" @click="emit('foldAll', !isFolded)">
        {{ isFolded ? 'unfold all' : NESTED.has(grouping) ? 'fold units' : 'fold all' }}
      </button>
      <button
        class="plain-link"
        :title="isOnlyChosen ? 'All comes again but what is set aside' : 'Nothing comes until you choose it'"
        @click="beginWith(isOnlyChosen ? 'everything' : 'nothing')"
      >
        {{ isOnlyChosen ? 'everything' : 'nothing yet' }}
      </button>
      <button class="plain-link" :aria-expanded="opened === 'how'" @click="toggle('how')">how it comes</button>
      <button class="plain-link" :aria-expanded="opened === 'recipes'" @click="toggle('recipes')">
        {{ plan.decisions.recipe ? `recipe: ${plan.decisions.recipe.name}` : 'recipes' }}
      </button>
      <button class="plain-link" :aria-expanded="opened === 'sources'" @click="toggle('sources')">
        from {{ count(plan.sources.length, 'course') }}
      </button>
      <button class="plain-link" :aria-expanded="opened === 'proposed'" @click="toggle('proposed')">as proposed</button>
      <span class="undo">
        <button class="plain-link" :disabled="plan.undoable === ''" :title="plan.undoable" @click="plan.undo()">
          undo
        </button>
        <button class="plain-link" :disabled="plan.redoable === ''" :title="plan.redoable" @click="plan.redo()">
          do again
        </button>
        <span v-if="plan.undoable" class="quiet last" :title="plan.undoable">{{ plan.undoable }}</span>
      </span>
    </div>
    <div v-if="shownThings.length > 0" class="line tools" role="group" aria-label="The things shown">
      <span>{{ shownThings.length }} of {{ count(plan.totals.of, 'thing') }} shown:</span>
      <button class="plain-link" @click="chooseThese(shownThings, 'bring')">
        bring these {{ shownThings.length }}
      </button>
      <button class="plain-link" @click="chooseThese(shownThings, 'leave')">
        leave these {{ shownThings.length }}
      </button>
    </div>
    <FindingPanel v-if="shown" :reason="shown" @close="opened = null" @open="open" />
    <AnswersPanel v-else-if="opened === 'answers' && waiting > 0" @open="open" />
    <GonePanel v-else-if="opened === 'gone' && gone.length > 0" @open="openOwn" />
    <OwnPanel v-else-if="opened === 'own' && own.length > 0" @open="openOwn" />
    <ProposedPanel v-else-if="opened === 'proposed'" />
    <HowItComes v-else-if="opened === 'how'" />
    <RecipePanel v-else-if="opened === 'recipes'" />
    <SourcesPanel v-else-if="opened === 'sources'" />
  </div>
</template>

<style scoped>
.strip {
  flex: none;
  border-bottom: 1px solid var(--rule);
  background: var(--raised);
  font-size: 13.5px;
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  padding: 6px var(--margin) 2px;
}

.tools {
  padding: 2px var(--margin) 6px;
}

.filter {
  width: 190px;
}

.by,
.undo {
  color: var(--quiet);
  display: flex;
  gap: 10px;
}

.undo {
  margin-left: auto;
  min-width: 0;
}

.last {
  max-width: 170px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.plain-link:disabled {
  color: var(--ash-ink);
  cursor: default;
  text-decoration: none;
}
</style>
