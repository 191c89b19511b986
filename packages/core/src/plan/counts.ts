import type { Kind } from '../course/kinds.js';
import type { SnapshotItem } from '../course/snapshot.js';
import type { PlanLine, Verb } from './line.js';

/** How many things of a kind the source has, and what becomes of them. `bring` counts what will be in the new course by this plan or was brought before. */
export interface KindCount {
  readonly source: number;
  readonly bring: number;
  readonly leave: number;
  readonly verbs: Readonly<Partial<Record<Verb, number>>>;
}
export type KindCounts = Readonly<Partial<Record<Kind, KindCount>>>;

const STAYS: readonly Verb[] = ['leave', 'gone'];

export function countByKind(items: readonly SnapshotItem[], lines: readonly PlanLine[]): KindCounts {
  const counts: Partial<Record<Kind, KindCount>> = {};
  items.forEach(({ kind }, index) => {
    const { source, bring, leave, verbs } = counts[kind] ?? { source: 0, bring: 0, leave: 0, verbs: {} };
    const { verb, to } = lines[index]!;
    // What came before and was taken out of the shell by hand is not in it.
    const stays = STAYS.includes(verb) || to === null;
    counts[kind] = {
      source: source + 1,
      bring: bring + (stays ? 0 : 1),
      leave: leave + (stays ? 1 : 0),
      verbs: { ...verbs, [verb]: (verbs[verb] ?? 0) + 1 },
    };
  });
  return counts;
}
