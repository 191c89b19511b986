import { MINUTES_PER_DAY, type Day, type Minute } from '../calendar/day.js';
import type { RetimeMoment } from '../schemas/retimeJob.js';
import type { FlagBits } from './flags.js';
import type { RuleUsed, Step } from './steps.js';

/** A moment on its way to its new date; the stages of retiming change it in turn. */
export interface Moving {
  readonly moment: RetimeMoment;
  readonly oldDay: Day;
  readonly oldMinute: Minute;
  readonly state: 'moved' | 'cleared' | 'kept' | 'byHand';
  /** Meaningless when cleared. */
  day: Day;
  minute: Minute;
  rule: RuleUsed;
  flags: FlagBits;
  steps: readonly Step[];
}

/** Wall-clock minutes since 1970-01-01. */
export const oldTotal = (moving: Moving): number => moving.oldDay * MINUTES_PER_DAY + moving.oldMinute;
export const newTotal = (moving: Moving): number => moving.day * MINUTES_PER_DAY + moving.minute;

export function moveTo(moving: Moving, total: number): void {
  moving.day = Math.floor(total / MINUTES_PER_DAY);
  moving.minute = total - moving.day * MINUTES_PER_DAY;
}

/** Moments of one item for the same people, in input order; a moment without an item is in no group. */
export function groupByItem(moving: readonly Moving[]): ReadonlyMap<string, Moving[]> {
  const groups = new Map<string, Moving[]>();
  for (const each of moving) {
    const { item, for: people } = each.moment;
    if (item === undefined) continue;
    const key = people === undefined ? item : `${item}\u0000${people}`;
    const group = groups.get(key);
    if (group === undefined) groups.set(key, [each]);
    else group.push(each);
  }
  return groups;
}

/** The `starts` that an `ends` belongs to: the last at or before it in the old term, else the first. */
export function startOf(ends: Moving, starts: readonly Moving[]): Moving | undefined {
  let best: Moving | undefined;
  let first: Moving | undefined;
  for (const each of starts) {
    if (first === undefined || oldTotal(each) < oldTotal(first)) first = each;
    if (oldTotal(each) <= oldTotal(ends) && (best === undefined || oldTotal(each) > oldTotal(best))) best = each;
  }
  return best ?? first;
}
