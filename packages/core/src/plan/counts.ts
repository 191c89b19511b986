import type { Kind } from '../names/kinds.js';
import type { SnapshotItem } from '../course/snapshot.js';
import type { Verb } from '../names/verbs.js';
import { staysBehind, type PlanLine } from './shapes/line.js';
import type { KindCounts } from './shapes/preview.js';
import { fateOf } from './totals.js';

/** A count while things are being counted. */
interface Counting {
  source: number;
  bring: number;
  leave: number;
  comes: number;
  stands: number;
  readonly verbs: Partial<Record<Verb, number>>;
}

export function countByKind(items: readonly SnapshotItem[], lines: readonly PlanLine[]): KindCounts {
  const counts: Partial<Record<Kind, Counting>> = {};
  items.forEach(({ kind }, index) => {
    const count = (counts[kind] ??= { source: 0, bring: 0, leave: 0, comes: 0, stands: 0, verbs: {} });
    const line = lines[index]!;
    const { verb } = line;
    count.source++;
    if (staysBehind(line)) count.leave++;
    else count.bring++;
    const fate = fateOf(line);
    if (fate !== 'stays') count[fate]++;
    count.verbs[verb] = (count.verbs[verb] ?? 0) + 1;
  });
  return counts;
}
