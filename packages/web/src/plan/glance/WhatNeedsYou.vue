<script setup lang="ts">
import type { LooseEnd, LooseEndCode } from '@yarin/core';
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import CauseLine from '../lines/CauseLine.vue';
import OpenedDoubts from '../lines/OpenedDoubts.vue';
import PlanLine from '../lines/PlanLine.vue';
import LinksToLeft from './LinksToLeft.vue';
import TakenByCategory from './TakenByCategory.vue';
import { usePlanStore } from '../state/planStore.js';
import { asRead } from '../../shared/readersDates.js';

const plan = usePlanStore();
const router = useRouter();

const notes = computed(() => {
  const items = new Map(plan.source.items.map((item) => [item.id, item]));
  return plan.source.marks.flatMap((mark) => {
    const item = items.get(mark.item);
    return mark.note === undefined || item === undefined ? [] : [{ ...mark, note: mark.note, title: item.title }];
  });
});
const shownInNotes = 'reword';
const joinable = computed(() => plan.preview!.looseEnds.filter(({ code }) => code === 'weightLeft'));
const broken = computed(() => plan.preview!.looseEnds.filter(({ code }) => code === 'linkToNothing'));
const settledHere: readonly LooseEndCode[] = [shownInNotes, 'weightLeft', 'linkToNothing'];
const ends = computed(() => plan.preview!.looseEnds.filter(({ code }) => !settledHere.includes(code)));
const isQuiet = computed(
  () =>
    plan.preview!.causes.length +
      notes.value.length +
      ends.value.length +
      joinable.value.length +
      broken.value.length ===
    0,
);

/** What is decided in the spread is opened there; the rest stands under Left over. */
const DECIDED_IN_SPREAD: readonly LooseEndCode[] = ['standsAlready', 'ruleStays', 'neededButLeft'];
function see({ code }: LooseEnd): void {
  const knot = DECIDED_IN_SPREAD.includes(code) ? 'what' : 'left-over';
  void router.push({
    name: 'plan',
    params: { id: plan.view!.id, knot },
    query: knot === 'what' ? { show: 'decisions' } : {},
  });
}
function open(item: string): void {
  const origin = plan.originOf(item);
  void router.push({ name: 'course', params: { id: origin.course }, query: { item: origin.item } });
}
</script>

<template>
  <section aria-label="What needs you">
    <h2>What needs you <small class="beside">none of it holds the plan up</small></h2>
    <OpenedDoubts />
    <ul class="lines">
      <CauseLine v-for="cause in plan.preview!.causes" :key="cause.key" :cause="cause" />
      <LinksToLeft v-for="end in broken" :key="end.code" :end="end" @see="see(end)" />
      <TakenByCategory v-for="end in joinable" :key="end.items[0]" :end="end" />
      <PlanLine
        v-for="end in ends"
        :key="`${end.code} ${end.items[0] ?? ''}`"
        :title="asRead(end.sentence)"
        :detail="asRead(end.detail)"
      >
        <button class="plain-link" :aria-label="asRead(`See: ${end.sentence}`)" @click="see(end)">see</button>
      </PlanLine>
      <PlanLine
        v-for="note in notes"
        :key="note.item"
        :title="`Your note on ${note.title}: “${note.note}”`"
        detail="left beside it for next term"
      >
        <button class="plain-link" :aria-label="`Open ${note.title}`" @click="open(note.item)">open</button>
      </PlanLine>
    </ul>
    <p v-if="isQuiet" class="quiet">Nothing. Every date has a plain place, and nothing waits for a decision.</p>
  </section>
</template>
