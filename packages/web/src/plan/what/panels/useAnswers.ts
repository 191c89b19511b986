import {
  neededByCause,
  waitsForDecision,
  type Answer,
  type BringOrLeave,
  type NeededButLeft,
  type PlanLine,
} from '@yarin/core';
import { computed } from 'vue';
import { usePlanStore } from '../../state/planStore.js';

/** Things that one choice left and that others need. */
export interface NeedGroup {
  readonly key: string;
  readonly needed: readonly NeededButLeft[];
  readonly items: readonly string[];
  readonly neededBy: readonly string[];
}

/** The same, each thing by itself. */
export const oneByOneOf = ({ needed }: NeedGroup): NeedGroup[] =>
  needed.map((need) => ({ key: need.item, needed: [need], items: [need.item], neededBy: need.neededBy }));

/** What of a plan waits for a person to decide, and the decisions that settle it. */
export function useAnswers() {
  const plan = usePlanStore();
  const items = computed(() => new Map(plan.source.items.map((item) => [item.id, item])));
  const standing = computed(() => new Map(plan.view!.shell.items.map((item) => [item.id, item])));
  const titleOf = (id: string): string =>
    items.value.get(id)?.title ?? standing.value.get(id)?.title ?? 'something that is not here';

  const asks = computed((): readonly PlanLine[] =>
    plan.preview!.lines.filter(({ verb, answered }) => verb === 'ask' && answered === undefined),
  );
  const rules = computed(() => plan.preview!.broken.filter((each) => each.is === 'ruleStays'));
  /** What was left and is needed, together where one choice left it: a kind, a unit, a finding. */
  const needs = computed((): readonly NeedGroup[] => {
    const groups = neededByCause(plan.preview!.broken, (id) => items.value.get(id)?.kind);
    return [...groups].map(([key, needed]) => {
      const left = new Set(needed.map(({ item }) => item));
      const neededBy = [...new Set(needed.flatMap((need) => need.neededBy))].filter((id) => !left.has(id));
      return { key, needed, items: [...left], neededBy };
    });
  });
  const waiting = computed(() => plan.preview!.looseEnds.filter(waitsForDecision).length);

  const choices = (): typeof plan.decisions.choices => plan.decisions.choices;

  /** “Tools”, or how many when there are several. */
  const named = (ids: readonly string[]): string => (ids.length === 1 ? titleOf(ids[0]!) : `${ids.length} things`);
  const chooseAll = (ids: readonly string[], choice: BringOrLeave, what: string): void =>
    plan.choose({ items: { ...choices().items, ...Object.fromEntries(ids.map((id) => [id, choice])) } }, what);

  const bringAfterAll = (ids: readonly string[]): void => chooseAll(ids, 'bring', `bring ${named(ids)}`);
  const leaveToo = (ids: readonly string[], neededBy: readonly string[]): void =>
    chooseAll([...ids, ...neededBy], 'leave', `leave what needs ${named(ids)} too`);
  function letServe(id: string, equivalent: string): void {
    plan.choose(
      { equivalents: { ...choices().equivalents, [id]: equivalent } },
      `${titleOf(equivalent)} serves for ${titleOf(id)}`,
    );
  }
  function landHidden(id: string): void {
    const { landings } = choices();
    plan.choose({ landings: { ...landings, items: { ...landings?.items, [id]: 'hidden' } } }, `hide ${titleOf(id)}`);
  }
  function letOpen(rule: string, guarded: string): void {
    plan.choose({ letOpen: { ...choices().letOpen, [rule]: true } }, `let ${titleOf(guarded)} open`);
  }
  function answer(ids: readonly string[], answers: Answer, what: string): void {
    const given = Object.fromEntries(ids.map((id) => [id, answers]));
    plan.decide({ answers: { ...plan.decisions.answers, ...given } }, what);
  }

  return { asks, rules, needs, waiting, titleOf, bringAfterAll, leaveToo, letServe, landHidden, letOpen, answer };
}

/** Everything as the shell has it; and everything as it was in the old course. */
export const KEEP_ALL: Answer = { title: 'shell', body: 'shell', points: 'shell', dates: 'shell', details: 'shell' };
export const TAKE_ALL: Answer = {
  title: 'source',
  body: 'source',
  points: 'source',
  dates: 'source',
  details: 'source',
};
