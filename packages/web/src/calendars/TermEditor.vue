<script setup lang="ts">
import type { Calendar, CalendarEffect, Right, TermCalendar } from '@yarin/core';
import { computed, ref } from 'vue';
import { useDraft } from '../shared/useDraft.js';
import { useUndoKeys } from '../shared/useUndoKeys.js';
import { count } from '../shared/words.js';
import { termFile } from '../shared/api/calendars.js';
import AddMany from './AddMany.vue';
import ClosureList from './ClosureList.vue';
import StripToDraw from './StripToDraw.vue';
import EffectLines from './EffectLines.vue';
import MarkingPeriods from './MarkingPeriods.vue';
import TermDays from './TermDays.vue';
import { useCalendarEffect } from './useCalendarEffect.js';
import { useSoundCalendar } from './useSoundCalendar.js';
import { problemWords } from '../shared/readersDates.js';

/** The calendar of one term or part: the strip to draw on, everything on it as a list, and what a change does. */
const { term, parent, terms, right, holding, beyond, trouble, askEffect, save } = defineProps<{
  term: TermCalendar;
  parent: TermCalendar | undefined;
  terms: readonly TermCalendar[];
  right: Right;
  /** The calendar as it will hold, from the draft. */
  holding: (draft: Calendar) => Calendar;
  /** Why a part does not fit into its term; empty when it does. */
  beyond: (draft: Calendar) => string;
  trouble: string;
  askEffect: (calendar: Calendar) => Promise<CalendarEffect>;
  save: (term: TermCalendar, calendar: Calendar) => Promise<boolean>;
}>();
const emit = defineEmits<{ remove: [] }>();

const work = useDraft<Calendar>(() => ({ name: term.name, ...term.own }));
const { draft, isChanged, change, undoable, redoable } = work;
/** The calendar as it will hold. */
const effective = computed(() => holding(draft.value));
const { problems, shown } = useSoundCalendar(() => effective.value);
const isSaving = ref(false);
const parts = computed(() => terms.filter(({ parentId }) => parentId === term.id));
const others = computed(() => terms.filter(({ id }) => id !== term.id));
const sentence = computed(() => problemWords(beyond(draft.value) || (problems.value[0]?.message ?? '')));
const movable = computed(() => right.may);

const effect = useCalendarEffect(() => {
  if (!isChanged.value || sentence.value !== '') return undefined;
  const calendar = draft.value;
  return () => askEffect(calendar);
});
useUndoKeys(work);

async function keep(): Promise<void> {
  isSaving.value = true;
  await save(term, draft.value);
  isSaving.value = false;
}
</script>

<template>
  <div class="term">
    <header>
      <div>
        <h1>{{ draft.name }}</h1>
        <p class="quiet">
          <RouterLink class="place-link" :to="{ name: 'calendars' }">Calendars</RouterLink>
          <template v-if="parent">
            · part of
            <RouterLink class="place-link" :to="{ name: 'term', params: { id: parent.id } }">{{
              parent.name
            }}</RouterLink>
            , whose closed days it inherits
          </template>
          · {{ count(term.courses, 'course') }} ·
          <a class="place-link" :href="termFile(term.id)" :download="`${term.name}.ics`">as a calendar file</a>
          <template v-for="part in parts" :key="part.id">
            ·
            <RouterLink class="place-link" :to="{ name: 'term', params: { id: part.id } }">{{ part.name }}</RouterLink>
          </template>
        </p>
      </div>
      <div v-if="movable" class="acts">
        <button v-if="undoable" class="plain-link" :title="`Undo: ${undoable}`" @click="work.undo">undo</button>
        <button v-if="redoable" class="plain-link" :title="`Do again: ${redoable}`" @click="work.redo">redo</button>
        <button v-if="isChanged" class="plain-link" @click="work.begin">as it was</button>
        <button
          v-if="term.courses === 0 && parts.length === 0 && !isChanged"
          class="plain-link"
          @click="emit('remove')"
        >
          remove it, no course runs by it
        </button>
        <ElButton type="primary" :disabled="!isChanged || sentence !== '' || isSaving" @click="keep">
          {{ isChanged ? `Save ${draft.name}` : 'Saved' }}
        </ElButton>
      </div>
    </header>
    <p v-if="trouble || sentence" class="trouble" role="alert">{{ trouble || sentence }}</p>
    <p v-if="!right.may" class="quiet small">{{ right.why }}</p>
    <TermDays :draft="draft" :is-part="parent !== undefined" :movable="movable" @change="change" />
    <StripToDraw
      :draft="draft"
      :holding="effective"
      :shown="shown"
      :movable="movable"
      hint="Drag over days to close them, or move with the arrows, hold Shift to take more, and press Enter."
      @change="change"
    />
    <div class="below">
      <ClosureList
        :draft="draft"
        :holding="effective"
        :movable="movable"
        :from="parent ? `from ${parent.name}` : ''"
        @change="change"
      />
      <div class="beside-list">
        <EffectLines v-if="effect" :effect="effect" />
        <AddMany v-if="movable" :draft="draft" :holding="effective" :terms="others" @change="change" />
        <MarkingPeriods :draft="draft" :holding="effective" :movable="movable" @change="change" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.term {
  height: 100%;
  overflow: auto;
  padding: 16px var(--margin) 40px;
}

header {
  display: flex;
  justify-content: space-between;
  gap: 24px;
  align-items: flex-start;
}

.acts {
  display: flex;
  gap: 16px;
  align-items: center;
  padding-top: 6px;
}

.trouble {
  padding: 4px 0;
  color: var(--madder);
}

.below {
  display: grid;
  grid-template-columns: minmax(0, 7fr) minmax(0, 5fr);
  gap: 48px;
  margin-top: 8px;
}

.beside-list {
  display: grid;
  gap: 18px;
  align-content: start;
}

@media (max-width: 900px) {
  .below {
    grid-template-columns: 1fr;
    gap: 18px;
  }
}
</style>
