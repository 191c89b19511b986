import type { Day } from '../calendar/day.js';

/** A number for each of some days, worked out once for a day however often it occurs: `values[day - first]`. */
export interface DayTable {
  readonly first: Day;
  readonly values: Uint8Array;
}

/** @param valueOf  the number of a day, 0 to 255 */
export function tableOfDays(days: Int32Array, valueOf: (day: Day) => number): DayTable {
  const { first, distinct, length } = distinctDays(days);
  const values = new Uint8Array(length);
  for (const day of distinct) values[day - first] = valueOf(day);
  return { first, values };
}

interface DistinctDays {
  readonly first: Day;
  /** From the first day to the last. */
  readonly length: number;
  readonly distinct: readonly Day[];
}

function distinctDays(days: Int32Array): DistinctDays {
  let first = days[0] ?? 0;
  let last = first;
  for (let at = 0; at < days.length; at++) {
    const day = days[at]!;
    if (day < first) first = day;
    else if (day > last) last = day;
  }
  const length = last - first + 1;
  const seen = new Uint8Array(length);
  const distinct: Day[] = [];
  for (let at = 0; at < days.length; at++) {
    const day = days[at]!;
    if (seen[day - first] === 1) continue;
    seen[day - first] = 1;
    distinct.push(day);
  }
  return { first, length, distinct };
}
