import { MINUTES_PER_DAY, type Day } from '../calendar/day.js';
import type { RetimeMoment, Role } from '../schemas/retimeJob.js';
import type { Series, Tie } from './classes.js';
import { numbered } from './numbered.js';
import type { PolicyOf } from './policy.js';
import type { RuleUsed, Step } from './steps.js';

/** What becomes of a date: a rule moves it, it is cleared or kept, or a person set it. */
export type Fate = 'moved' | 'cleared' | 'kept' | 'byHand';

/** Roles as numbers, for lists that are looked through often. */
export const ROLE = {
  opens: 0,
  part: 1,
  due: 2,
  late: 3,
  closes: 4,
  answers: 5,
  posts: 6,
  starts: 7,
  ends: 8,
  remind: 9,
} as const satisfies Record<Role, number>;

export const ROLES = Object.keys(ROLE) as readonly Role[];

/**
 * The moments of a job on their way to their new dates; every list is by place in the job. The stages of retiming
 * change days, minutes, rules, flags and steps in turn. Lists of numbers instead of objects, since 100,000 moments are
 * looked at many times, and making and collecting the objects cost more than the rules did.
 */
export interface Moving {
  readonly moments: readonly RetimeMoment[];
  /** By `ROLE`. */
  readonly roles: Uint8Array;
  readonly policies: readonly PolicyOf[];
  readonly fates: readonly Fate[];
  /** The class that each was tied to in the old term, whether one answers or not. */
  readonly ties: readonly (Tie | undefined)[];
  /** The series of each: that it names, else is tied to or goes weeks on from. */
  readonly series: (Series | undefined)[];
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
  /** 1 where a date was taken from another of its item. */
  readonly follows: Uint8Array;
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

/** The moments of one item for the same people, in input order: the places from `from` to before `until`. */
export interface ItemGroup {
  readonly places: Int32Array;
  readonly from: number;
  readonly until: number;
}

const peopleKey = ({ item, for: people }: Pick<RetimeMoment, 'item' | 'for'>): string | undefined =>
  people === undefined || item === undefined ? item : `${item}\u0000${people}`;

/** The groups of the moments, where there is more than one in it. */
export function groupByItem(moments: readonly Pick<RetimeMoment, 'item' | 'for'>[]): readonly ItemGroup[] {
  const { numbers, count } = numbered(moments.length, (at) => peopleKey(moments[at]!));
  const sizes = new Int32Array(count);
  for (let at = 0; at < numbers.length; at++) if (numbers[at]! >= 0) sizes[numbers[at]!]!++;
  const places = new Int32Array(moments.length);
  const groups: ItemGroup[] = [];
  /** Where the next place of a number goes. */
  const next = new Int32Array(count);
  let from = 0;
  for (let number = 0; number < count; number++) {
    const until = from + sizes[number]!;
    next[number] = from;
    if (until - from > 1) groups.push({ places, from, until });
    from = until;
  }
  for (let at = 0; at < numbers.length; at++) if (numbers[at]! >= 0) places[next[numbers[at]!]!++] = at;
  return groups;
}

/**
 * The `starts` of its group that an `ends` belongs to: the last at or before it in the old term, else the first.
 *
 * @param onlyDated  leaves out those that were cleared
 * @returns          -1 when there is none
 */
export function startOf(
  moving: Moving,
  ends: Place,
  { places, from, until }: ItemGroup,
  onlyDated: boolean,
): Place | -1 {
  const end = oldTotal(moving, ends);
  let best = -1;
  let first = -1;
  for (let index = from; index < until; index++) {
    const at = places[index]!;
    if (moving.roles[at] !== ROLE.starts || (onlyDated && moving.fates[at] === 'cleared')) continue;
    const total = oldTotal(moving, at);
    if (first < 0 || total < oldTotal(moving, first)) first = at;
    if (total <= end && (best < 0 || total > oldTotal(moving, best))) best = at;
  }
  return best >= 0 ? best : first;
}
