import type { Found, FoundDay, FoundRange, Refiner } from '../found/found.js';
import { spanning } from '../found/match.js';

const TO = /^[^\S\n]*(?:–|—|-|to|until|till|through|thru)[^\S\n]*$/i;
const AND = /^,?[^\S\n]+and[^\S\n]+$/i;
const BETWEEN = /\bbetween[^\S\n]+(?:the[^\S\n]+)?$/i;
const LONGEST_BETWEEN = 16;
const FARTHEST = 12;

/** Two dates with what makes a range of them: “March 30 – April 3”, “between March 9 and March 13”. */
export const joinRanges: Refiner = (found, { words }) => {
  const before = (at: number): string => words.slice(Math.max(0, at - LONGEST_BETWEEN), at);
  const isRange = (from: FoundDay, to: FoundDay): boolean => {
    if (to.start < from.end || to.start - from.end > FARTHEST) return false;
    const gap = words.slice(from.end, to.start);
    return TO.test(gap) || (AND.test(gap) && BETWEEN.test(before(from.start)));
  };
  const joined: Found[] = [];
  for (const each of found) {
    const last = joined.at(-1);
    if (each.sort === 'date' && last?.sort === 'date' && isRange(last, each))
      joined[joined.length - 1] = rangeOf(words, last, each);
    else joined.push(each);
  }
  return joined.map((each) => (each.sort === 'range' ? withBetween(each, words, before(each.start)) : each));
};

/** A year that stands behind the last day is meant for the first too, or the year before: “December 28 – January 3, 2027”. */
function rangeOf(text: string, from: FoundDay, to: FoundDay): FoundRange {
  const { year } = to.written;
  if (from.written.year !== undefined || year === undefined)
    return { sort: 'range', ...spanning(text, [from, to]), from, to };
  const value = from.written.month.value > to.written.month.value ? year.value - 1 : year.value;
  const first: FoundDay = { ...from, written: { ...from.written, year: { ...year, value } } };
  return { sort: 'range', ...spanning(text, [from, to]), from: first, to };
}

/** “between” is part of its range. */
function withBetween(range: FoundRange, text: string, before: string): FoundRange {
  const said = BETWEEN.exec(before);
  if (said === null) return range;
  const start = range.start - said[0].length;
  return { ...range, ...spanning(text, [{ start, end: range.end }]) };
}
