import { isWork } from '../../names/kinds.js';
import type { SnapshotItem } from '../../course/snapshot.js';
import type { WorkSet, WorkSets } from '../../schemas/choices.js';
import type { Link } from '../../schemas/course.js';

/** What is set in a plan for works, and what follows from it for the lines that they are graded in. */
export interface LandingSets {
  pointsOf(item: SnapshotItem): number | undefined;
  detailsOf(item: SnapshotItem, landed: SnapshotItem['details']): SnapshotItem['details'];
  /** The category of a line, as an id of the source; `undefined` leaves its own. */
  categoryOf(line: SnapshotItem): string | undefined;
}

const NOTHING_SET: LandingSets = {
  pointsOf: ({ points }) => points,
  detailsOf: (_, landed) => landed,
  categoryOf: () => undefined,
};

const isGradedIn = ({ type }: Link): boolean => type === 'gradedIn';

/**
 * Points, category, attempts, time limit and ways of handing in that a person set for works of a plan. A line takes the
 * points of its work along when it had the same, and the category of the last of its works that has one set.
 *
 * @param items  of the source
 * @see docs/rules.md, "What is set beside the dates"
 */
export function landingSets(items: readonly SnapshotItem[], sets: WorkSets | undefined): LandingSets {
  if (sets === undefined || Object.keys(sets).length === 0) return NOTHING_SET;
  const byLine = new Map<string, { readonly work: SnapshotItem; readonly set: WorkSet }[]>();
  for (const work of items) {
    const set = sets[work.id];
    const line = (work.links ?? []).find(isGradedIn)?.to;
    if (set === undefined || line === undefined) continue;
    const known = byLine.get(line);
    if (known === undefined) byLine.set(line, [{ work, set }]);
    else known.push({ work, set });
  }
  return {
    pointsOf(item) {
      const own = sets[item.id]?.points;
      if (own !== undefined && isWork(item.kind)) return own ?? undefined;
      const works = byLine.get(item.id) ?? [];
      const along = works.findLast(({ work, set }) => set.points !== undefined && work.points === item.points);
      return along === undefined ? item.points : (along.set.points ?? undefined);
    },
    detailsOf({ id, kind }, landed) {
      const set = sets[id];
      if (set === undefined || !isWork(kind)) return landed;
      const { attempts, minutesAllowed, ways } = set;
      const named = Object.entries({ attempts, minutesAllowed, ways }).filter(([, value]) => value !== undefined);
      const next = { ...landed, ...Object.fromEntries(named) };
      return Object.fromEntries(Object.entries(next).filter(([, value]) => value !== null));
    },
    categoryOf: ({ id }) => byLine.get(id)?.findLast(({ set }) => set.category !== undefined)?.set.category,
  };
}
