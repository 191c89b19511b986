import type { Found, FoundDay, FoundWeekday, Refiner } from '../found/found.js';
import { fitsGap, spanning } from '../found/match.js';

const BEFORE = /^\)?(?:[^\S\n]+(?:morning|afternoon|evening|night))?,?[^\S\n]*(?:the[^\S\n]+)?\(?$/i;
const BEHIND = /^,?[^\S\n]*\(?$/;
const FARTHEST = 16;

/** A weekday that stands beside a date is part of it: “Tuesday, March 3”, “3/3 (Tue)”. */
export const joinWeekdays: Refiner = (found, { words }) => {
  const taken = new Set<FoundWeekday>();
  const gapFits = (from: number, to: number, pattern: RegExp): boolean => fitsGap(words, from, to, FARTHEST, pattern);
  const named = (day: FoundDay, weekday: FoundWeekday): FoundDay => {
    taken.add(weekday);
    const written = { ...day.written, weekday: weekday.weekday };
    return { ...day, ...spanning(words, [day, weekday]), written };
  };
  const startsDate = new Set(
    found.flatMap((each) => (each.sort === 'date' || each.sort === 'range' ? each.start : [])),
  );
  const isBeforeDate = ({ end }: FoundWeekday): boolean =>
    [...Array(FARTHEST).keys()].some((gap) => startsDate.has(end + gap) && gapFits(end, end + gap, BEFORE));
  const withWeekday = (day: FoundDay, at: number): FoundDay => {
    if (day.written.weekday !== undefined) return day;
    const before = neighbour(found, at, -1, day);
    if (before !== undefined && !before.recurs && gapFits(before.end, day.start, BEFORE)) return named(day, before);
    const behind = neighbour(found, at, 1, day);
    if (behind !== undefined && gapFits(day.end, behind.start, BEHIND) && !isBeforeDate(behind))
      return named(day, behind);
    return day;
  };
  const joined = found.map((each, at): Found => {
    if (each.sort === 'date') return withWeekday(each, at);
    if (each.sort !== 'range') return each;
    const from = withWeekday(each.from, at);
    const to = withWeekday(each.to, at);
    return { ...each, ...spanning(words, [from, to]), from, to };
  });
  return joined.filter((each) => each.sort !== 'weekday' || !taken.has(each));
};

/** The nearest weekday before or behind one of the found that does not stand in it. */
function neighbour(found: readonly Found[], at: number, way: -1 | 1, day: FoundDay): FoundWeekday | undefined {
  for (let next = at + way; next >= 0 && next < found.length; next += way) {
    const each = found[next]!;
    if (way === -1 ? each.end + FARTHEST < day.start : each.start > day.end + FARTHEST) return undefined;
    if (each.sort === 'weekday' && (each.end <= day.start || each.start >= day.end)) return each;
  }
  return undefined;
}
