import type { FoundDay, FoundHours, Refiner } from '../found/found.js';
import { fitsGap, spanning } from '../found/match.js';

const BEHIND = /^\)?,?[^\S\n]*(?:(?:at|by|from|before|until|till|@|–|—|-|\()[^\S\n]*)?$/i;
const BEFORE = /^,?[^\S\n]+(?:on[^\S\n]+)?$/i;
const FARTHEST = 10;

/** An hour, or hours, beside a date are part of it: “March 3 at 5 pm”, “10:00–11:15 on March 3”. */
export const joinHours: Refiner = (found, { words }) => {
  const hours = found.filter((each) => each.sort === 'hours');
  const taken = new Set<FoundHours>();
  const gapFits = (from: number, to: number, pattern: RegExp): boolean => fitsGap(words, from, to, FARTHEST, pattern);
  const starts = new Set(found.flatMap((each) => (each.sort === 'date' ? [each.start] : [])));
  /** “until 5 pm on March 27”: the hour is that of the date behind it. */
  const isOfNext = ({ end }: FoundHours): boolean =>
    [...Array(FARTHEST).keys()].some((gap) => starts.has(end + gap) && gapFits(end, end + gap, BEFORE));
  let next = 0;
  const withHours = (day: FoundDay): FoundDay => {
    while (next < hours.length && hours[next]!.start < day.end) next++;
    const behind = hours[next];
    const before = hours[next - 1];
    const own =
      behind !== undefined && gapFits(day.end, behind.start, BEHIND) && !isOfNext(behind)
        ? behind
        : before !== undefined && !taken.has(before) && gapFits(before.end, day.start, BEFORE)
          ? before
          : undefined;
    if (own === undefined) return day;
    taken.add(own);
    return { ...day, ...spanning(words, [day, own]), hours: own.hours };
  };
  const joined = found.map((each) => (each.sort === 'date' ? withHours(each) : each));
  return joined.filter((each) => each.sort !== 'hours' || !taken.has(each));
};
