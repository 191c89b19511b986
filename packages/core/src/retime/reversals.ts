import type { Role } from '../schemas/retimeJob.js';
import type { DoubtfulMoment } from './doubt.js';

/** Finds what a moment changed places with: one was before the other in the old term and is after it in the new. */
export interface Reversals {
  /** The first of all, in their order. */
  firstWith(moment: DoubtfulMoment): DoubtfulMoment | undefined;
  /** Of what stood before it in the old term and would not any more, the one that now stands last. */
  lastBefore(moment: DoubtfulMoment): DoubtfulMoment | undefined;
}

const wayOf = ({ from, to }: DoubtfulMoment): string => `${from} ${to ?? ''}`;

/** ISO moments sort as text. */
const isPassedBy = (earlier: DoubtfulMoment, later: DoubtfulMoment): boolean =>
  earlier.from < later.from && earlier.to !== null && later.to !== null && earlier.to > later.to;

/**
 * Of moments of one role that go the same way one stands for all, and each way is compared once: in a large course
 * hundreds change places, but on few days.
 */
export function indexReversals(among: readonly DoubtfulMoment[]): Reversals {
  let ways: ReadonlyMap<Role, ReadonlyMap<string, DoubtfulMoment>> | undefined;
  type Find = (moment: DoubtfulMoment, ofRole: Iterable<DoubtfulMoment>) => DoubtfulMoment | undefined;
  const onceAWay = (find: Find): ((moment: DoubtfulMoment) => DoubtfulMoment | undefined) => {
    const found = new Map<string, DoubtfulMoment | undefined>();
    return (moment) => {
      const key = `${moment.role} ${wayOf(moment)}`;
      if (!found.has(key)) found.set(key, find(moment, (ways ??= waysOf(among)).get(moment.role)?.values() ?? []));
      return found.get(key);
    };
  };
  return {
    firstWith: onceAWay((moment, ofRole) => {
      for (const other of ofRole) if (isPassedBy(moment, other) || isPassedBy(other, moment)) return other;
      return undefined;
    }),
    lastBefore: onceAWay((moment, ofRole) => {
      let last: DoubtfulMoment | undefined;
      for (const other of ofRole)
        if (isPassedBy(other, moment) && (last === undefined || other.to! > last.to!)) last = other;
      return last;
    }),
  };
}

/** The first of the moments of each role that go one way. */
function waysOf(among: readonly DoubtfulMoment[]): ReadonlyMap<Role, ReadonlyMap<string, DoubtfulMoment>> {
  const ways = new Map<Role, Map<string, DoubtfulMoment>>();
  for (const moment of among) {
    let ofRole = ways.get(moment.role);
    if (ofRole === undefined) ways.set(moment.role, (ofRole = new Map()));
    const way = wayOf(moment);
    if (!ofRole.has(way)) ofRole.set(way, moment);
  }
  return ways;
}
