import { MINUTES_PER_DAY, type Day, type Minute } from '../calendar/day.js';
import type { RetimeMoment } from '../schemas/retimeJob.js';
import type { FlagBits } from './flags.js';
import { numbered } from './numbered.js';
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
  const { numbers, count } = numbered(moving.length, (at) => peopleKey(moving[at]!.moment));
  const sizes = new Int32Array(count);
  for (const number of numbers) if (number >= 0) sizes[number]!++;
  const byNumber: (Moving[] | undefined)[] = [];
  const groups: Moving[][] = [];
  for (let at = 0; at < numbers.length; at++) {
    const number = numbers[at]!;
    if (number < 0 || sizes[number]! < 2) continue;
    const group = byNumber[number];
    if (group !== undefined) group.push(moving[at]!);
    else groups.push((byNumber[number] = [moving[at]!]));
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
