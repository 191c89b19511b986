import { decisionChanges, firstDecisions, planChosen, staysBehind, type PlanLine } from '@yarin/core';
import { computed } from 'vue';
import { usePlanStore } from '../../state/planStore.js';
import { count } from '../../../shared/words.js';

const SORTS: Readonly<Record<string, readonly [one: string, many: string]>> = {
  choices: ['choice', 'choices'],
  policy: ['rule of the dates', 'rules of the dates'],
  policies: ['rule of the dates', 'rules of the dates'],
  byHand: ['date set by hand', 'dates set by hand'],
  settled: ['doubt called fine', 'doubts called fine'],
  answers: ['answer about a thing on both sides', 'answers about things on both sides'],
  sets: ['value set for work', 'values set for work'],
  recipe: ['recipe', 'recipes'],
};

/** The plan as it was proposed: what was decided since, and what going back would change. */
export function useProposed() {
  const plan = usePlanStore();
  const first = computed(() => firstDecisions(plan.view!.scope, plan.view!.standingRecipe));
  const decided = computed(() => {
    const counted = new Map<string, number>();
    for (const { at } of decisionChanges(first.value, plan.decisions)) {
      const sort = SORTS[at[0]!]!;
      counted.set(sort[0], (counted.get(sort[0]) ?? 0) + 1);
    }
    return Object.values(SORTS).flatMap(([one, many], index, all) => {
      const of = all.findIndex((each) => each[0] === one) === index ? (counted.get(one) ?? 0) : 0;
      return of === 0 ? [] : [count(of, one, many)];
    });
  });
  /** Titles of what would come that stays now, of what would stay, and of what the shell would keep. */
  const effect = computed(() => {
    const then = planChosen(plan.index!, first.value).lines;
    const come: string[] = [];
    const stay: string[] = [];
    const items = plan.source.items;
    items.forEach(({ title }, at) => {
      const [will, does] = [then[at]!, plan.preview!.lines[at]!].map((line: PlanLine) => !staysBehind(line));
      if (will && !does) come.push(title);
      if (!will && does) stay.push(title);
    });
    const kept = plan.preview!.lines.filter(({ takenOut }) => takenOut === true).length;
    return { come, stay, kept };
  });
  const goBack = (): void => plan.decide(first.value, 'all as proposed');
  return { decided, effect, goBack };
}
