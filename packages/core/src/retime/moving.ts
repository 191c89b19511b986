import { MINUTES_PER_DAY, type Day, type Minute } from '../calendar/day.js';
import type { RetimeMoment } from '../schemas/retimeJob.js';
import type { FlagBits } from './flags.js';
import type { PolicyOf } from './policy.js';
import type { RuleUsed, Step } from './steps.js';

/** A moment on its way to its new date; the stages of retiming change it in turn. */
export interface Moving {
  readonly moment: RetimeMoment;
  readonly policyOf: PolicyOf;
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

const peopleKey = ({ item, for: people }: RetimeMoment): string | undefined =>
  people === undefined || item === undefined ? item : `${item}\u0000${people}`;

/** Moments of one item for the same people, in input order, where there is more than one. */
export function groupByItem(moving: readonly Moving[]): readonly (readonly Moving[])[] {
  const groups: Moving[][] = [];
  const known = new Map<string, Moving | Moving[]>();
  for (const each of moving) {
    const key = peopleKey(each.moment);
    if (key === undefined) continue;
    const group = known.get(key);
    if (group === undefined) known.set(key, each);
    else if (Array.isArray(group)) group.push(each);
    else {
      const pair = [group, each];
      known.set(key, pair);
      groups.push(pair);
    }
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
