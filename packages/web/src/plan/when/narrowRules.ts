import { groupBy, KIND_WORDS, type Kind, type NarrowPolicy, type PlanPolicy } from '@yarin/core';
import { RULE_WORDS } from '../state/planWords.js';
import type { Reach } from '../state/usePlanDates.js';

/** Things, a kind or a unit whose dates go by a rule of their own. */
export interface NarrowRule {
  readonly reach: Reach;
  readonly keys: readonly string[];
  /** “Quiz 1: no date”. */
  readonly words: string;
}

/** From this many on, things with the same rule are one line: each could still be given back in the table. */
const TOGETHER_FROM = 4;
const NAMED = 2;

/** @param titleOf  the title of a thing or unit */
export function narrowRules(policy: PlanPolicy, titleOf: (id: string) => string | undefined): readonly NarrowRule[] {
  const title = (key: string): string => titleOf(key) ?? 'a thing that is gone';
  const ruleWords = ({ rule = policy.rule ?? 'week' }: NarrowPolicy): string => RULE_WORDS[rule];
  const one = (reach: Reach, key: string, narrow: NarrowPolicy, name = title(key)): NarrowRule => ({
    reach,
    keys: [key],
    words: `${name}: ${ruleWords(narrow)}`,
  });
  const alike = groupBy(Object.entries(policy.byItem ?? {}), ([, narrow]) => JSON.stringify(narrow));
  const ofThings = [...alike.values()].flatMap((group): NarrowRule[] => {
    if (group.length < TOGETHER_FROM) return group.map(([key, narrow]) => one('byItem', key, narrow));
    const named = group.slice(0, NAMED).map(([key]) => title(key));
    const words = `${named.join(', ')} and ${group.length - NAMED} more: ${ruleWords(group[0]![1])}`;
    return [{ reach: 'byItem', keys: group.map(([key]) => key), words }];
  });
  return [
    ...ofThings,
    ...Object.entries(policy.byUnit ?? {}).map(([key, narrow]) => one('byUnit', key, narrow)),
    ...Object.entries(policy.byKind ?? {}).map(([key, narrow]) =>
      one('byKind', key, narrow, `all ${KIND_WORDS[key as Kind].many}`),
    ),
  ];
}
