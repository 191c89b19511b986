import { succeed, type Result } from '../problem.js';
import { datesOf } from './dates.js';
import { originOf } from './joinSources.js';
import { isWritten, type PlanLine } from './line.js';
import { originKey } from './overlaps.js';
import type { PlanDecided, PlanIndex, PreviewDate } from './preview.js';

/**
 * Dates that earlier runs brought and that still stand where the plan puts them, in the order of the items: whatever was in
 * doubt about them is. That they pass is none of it.
 *
 * @param lines  of the source's items, in their order
 * @see docs/rules.md, "Doubts and their causes"
 */
export function datesAsBrought(
  index: PlanIndex,
  lines: readonly PlanLine[],
  decided: PlanDecided,
): Result<PreviewDate[]> {
  const { ground } = index;
  if (ground.lineage.length === 0) return succeed([]);
  const brought = new Set(ground.lineage.map(({ sourceCourse, sourceItem }) => originKey(sourceCourse, sourceItem)));
  const stays = ({ item, to, verb }: PlanLine): boolean => {
    if (item === null || to === null || verb === 'leave') return false;
    const origin = originOf(ground, item);
    return brought.has(originKey(origin.course, origin.item));
  };
  const dates = datesOf(index, (at) => !isWritten(lines[at]!) && stays(lines[at]!), { ...decided, now: undefined });
  if (!dates.ok) return dates;
  const standing = new Map(
    ground.shell.items.flatMap(({ moments = [] }) => moments.map(({ id, at }) => [id, at] as const)),
  );
  return succeed(dates.value.filter(({ id, to }) => to !== null && standing.get(id) === to));
}
