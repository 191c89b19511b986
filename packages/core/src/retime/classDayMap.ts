import type { Weekday } from '../calendar/day.js';
import type { Meeting } from '../schemas/calendar.js';
import type { WeekdayMap } from '../schemas/retimeJob.js';
import { shareOf } from './shareOf.js';

/** The meetings of one name, and those of the new term that answer: of its name, else all whose name the old pattern lacks. */
export interface SeriesPattern {
  readonly name: string | undefined;
  readonly before: readonly Meeting[];
  readonly after: readonly Meeting[];
}

export function seriesPattern(
  name: string | undefined,
  before: readonly Meeting[],
  after: readonly Meeting[],
): SeriesPattern {
  const same = after.filter(({ series }) => series === name);
  const known = new Set(before.map(({ series }) => series));
  return {
    name,
    before: before.filter(({ series }) => series === name),
    after: same.length > 0 ? same : after.filter(({ series }) => !known.has(series)),
  };
}

/** Every series of an old pattern, in the order in which it names them. */
const seriesPatterns = (before: readonly Meeting[], after: readonly Meeting[]): SeriesPattern[] =>
  [...new Set(before.map(({ series }) => series))].map((name) => seriesPattern(name, before, after));

const placeIn = (weekday: Weekday, weekStartsOn: Weekday): number => (weekday - weekStartsOn + 7) % 7;

/** Class days in the order of the week. */
export const classDaysIn = (pattern: readonly Meeting[], weekStartsOn: Weekday): Weekday[] =>
  [...new Set(pattern.map(({ weekday }) => weekday))].sort(
    (a, b) => placeIn(a, weekStartsOn) - placeIn(b, weekStartsOn),
  );

/** Of equally many the i-th to the i-th; else each to itself where it still is one, else by share. */
export function classDayMap(before: readonly Weekday[], after: readonly Weekday[]): ReadonlyMap<Weekday, Weekday> {
  const to = (weekday: Weekday, index: number): Weekday => {
    if (after.length === 0) return weekday;
    if (before.length === after.length) return after[index]!;
    return after.includes(weekday) ? weekday : after[shareOf(index, before.length, after.length)]!;
  };
  return new Map(before.map((weekday, index) => [weekday, to(weekday, index)]));
}

/**
 * The weekdays that a policy names for a pair of patterns: the class-day maps of all series, and the weekdays between two
 * class days that move by equally many days along with them. None, unless each series has equally many weekdays on both
 * sides and all keep their order in the week, no two falling together and none going two ways.
 *
 * @returns weekdays that go to another; empty when all stay, or no map is sure
 * @see docs/rules.md, "Which rule suits"
 */
export function proposedMap(before: readonly Meeting[], after: readonly Meeting[], weekStartsOn: Weekday): WeekdayMap {
  const moves = new Map<Weekday, Weekday>();
  for (const series of seriesPatterns(before, after)) {
    const [from, to] = [classDaysIn(series.before, weekStartsOn), classDaysIn(series.after, weekStartsOn)];
    if (from.length !== to.length) return {};
    for (const [weekday, moved] of classDayMap(from, to)) {
      if ((moves.get(weekday) ?? moved) !== moved) return {};
      moves.set(weekday, moved);
    }
  }
  const place = (weekday: Weekday): number => placeIn(weekday, weekStartsOn);
  const inOrder = [...moves].sort(([a], [b]) => place(a) - place(b));
  const pairs = inOrder.slice(1).map((move, index) => [inOrder[index]!, move] as const);
  if (pairs.some(([[, earlier], [, later]]) => place(earlier) >= place(later))) return {};
  for (const [[a, movedA], [b, movedB]] of pairs) {
    const shift = place(movedA) - place(a);
    if (shift !== place(movedB) - place(b)) continue;
    for (let between = place(a) + 1; between < place(b); between++)
      moves.set(weekdayAt(between, weekStartsOn), weekdayAt(between + shift, weekStartsOn));
  }
  return Object.fromEntries([...moves].filter(([from, to]) => from !== to).sort(([a], [b]) => a - b));
}

const weekdayAt = (place: number, weekStartsOn: Weekday): Weekday => ((weekStartsOn - 1 + place) % 7) + 1;
