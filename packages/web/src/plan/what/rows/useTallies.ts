import type { Verb } from '@yarin/core';
import { computed } from 'vue';
import { usePlanStore } from '../../state/planStore.js';

/** What the new page holds, by where it is from: “203 come · 5 join · 3 were here”. */
export function useTallies() {
  const plan = usePlanStore();
  return computed(() => {
    const counted = new Map<Verb, number>();
    let out = 0;
    for (const { verb, takenOut } of plan.preview!.lines)
      if (takenOut === true) out++;
      else counted.set(verb, (counted.get(verb) ?? 0) + 1);
    const of = (...verbs: Verb[]): number => verbs.reduce((sum, verb) => sum + (counted.get(verb) ?? 0), 0);
    const parts = of('add', 'update') > 0 || of('join', 'same', 'here') === 0 ? [`${of('add', 'update')} come`] : [];
    if (of('join', 'same') > 0)
      parts.push(plan.isDone ? `${of('join', 'same')} are there` : `${of('join', 'same')} join`);
    if (of('here') > 0) parts.push(`${of('here')} ${of('here') === 1 ? 'was' : 'were'} here`);
    if (out > 0) parts.push(`${out} taken out`);
    return parts.join(' · ');
  });
}
