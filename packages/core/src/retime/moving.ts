import { MINUTES_PER_DAY, type Day } from '../calendar/day.js';
import type { RetimeMoment } from '../schemas/retimeJob.js';
import { numbered } from './numbered.js';
import type { PolicyOf } from './policy.js';
import type { RuleUsed, Step } from './steps.js';

/** What becomes of a date: a rule moves it, it is cleared or kept, or a person set it. */
export type Fate = 'moved' | 'cleared' | 'kept' | 'byHand';

/**
 * The moments of a job on their way to their new dates; every list is by place in the job. The stages of retiming
 * change days, minutes, rules, flags and steps in turn. Lists of numbers instead of objects, since 100,000 moments are
 * looked at many times, and making and collecting the objects cost more than the rules did.
 */
export interface Moving {
  readonly moments: readonly RetimeMoment[];
  readonly policies: readonly PolicyOf[];
  readonly fates: readonly Fate[];
  readonly oldDays: Int32Array;
  /** Minutes since midnight. */
  readonly oldMinutes: Int32Array;
  /** Meaningless when cleared. */
  readonly days: Int32Array;
  readonly minutes: Int32Array;
  readonly rules: RuleUsed[];
  /** `FlagBits`. */
  readonly flags: Uint16Array;
  readonly steps: (readonly Step[])[];
}

/** Place of a moment in the lists of `Moving`. */
export type Place = number;

/** Wall-clock minutes since 1970-01-01. */
export const oldTotal = ({ oldDays, oldMinutes }: Moving, at: Place): number =>
  oldDays[at]! * MINUTES_PER_DAY + oldMinutes[at]!;
export const newTotal = ({ days, minutes }: Moving, at: Place): number => days[at]! * MINUTES_PER_DAY + minutes[at]!;

export function moveTo({ days, minutes }: Moving, at: Place, total: number): void {
  const day: Day = Math.floor(total / MINUTES_PER_DAY);
  days[at] = day;
  minutes[at] = total - day * MINUTES_PER_DAY;
}

/** The moments of one item for the same people, in input order. */
export type ItemGroup = readonly Place[];

const peopleKey = ({ item, for: people }: RetimeMoment): string | undefined =>
  people === undefined || item === undefined ? item : `${item}\u0000${people}`;

/** The groups of the moments, where there is more than one in it. */
export function groupByItem(moments: readonly RetimeMoment[]): readonly ItemGroup[] {
  const { numbers, count } = numbered(moments.length, (at) => peopleKey(moments[at]!));
  const sizes = new Int32Array(count);
  for (const number of numbers) if (number >= 0) sizes[number]!++;
  const groups: Place[][] = [];
  /** Which group a number has, one up so that 0 is none. */
  const groupOf = new Int32Array(count);
  /** How many of a group stand in it already. */
  const filled = new Int32Array(count);
  for (let at = 0; at < numbers.length; at++) {
    const number = numbers[at]!;
    if (number < 0 || sizes[number]! < 2) continue;
    if (groupOf[number] === 0) groupOf[number] = groups.push(new Array<Place>(sizes[number]!));
    groups[groupOf[number]! - 1]![filled[number]!++] = at;
  }
  return groups;
}

/** The `starts` that an `ends` belongs to: the last at or before it in the old term, else the first. */
export function startOf(moving: Moving, ends: Place, starts: readonly Place[]): Place | undefined {
  let best: Place | undefined;
  let first: Place | undefined;
  for (const at of starts) {
    const total = oldTotal(moving, at);
    if (first === undefined || total < oldTotal(moving, first)) first = at;
    if (total <= oldTotal(moving, ends) && (best === undefined || total > oldTotal(moving, best))) best = at;
  }
  return best ?? first;
}
