import type { Snapshot, SnapshotItem } from '../../course/snapshot.js';
import { weightOf, weightsOf } from '../../course/weights.js';
import type { Choices } from '../../schemas/choices.js';
import type { PlanLine } from '../shapes/line.js';

const NONE: ReadonlySet<string> = new Set();

/**
 * Categories that come only because a few pieces of work need them, into a course whose own categories have weights: they
 * leave their own weight behind, so that what counts there stays as it is.
 *
 * @param own    what stays of the shell
 * @param lines  those of the source first, in its order
 * @returns      their ids in the source
 * @see docs/rules.md, "Into a running course"
 */
export function weightsLeftBehind(
  { items }: Pick<Snapshot, 'items'>,
  own: readonly SnapshotItem[],
  lines: readonly PlanLine[],
  { all }: Choices,
): ReadonlySet<string> {
  if (all !== 'leave' || (weightsOf(own) ?? 0) === 0) return NONE;
  const left = new Set<string>();
  items.forEach((item, at) => {
    const { verb, why } = lines[at]!;
    if (verb === 'add' && why[0]?.reason === 'neededBy' && (weightOf(item) ?? 0) > 0) left.add(item.id);
  });
  return left;
}
