import type { Found, Refiner, WordSort } from '../found/found.js';
import { overlaps } from '../found/match.js';

/** Of words that could be two things the longer is meant; of as long ones the first of these. */
const NAMED: readonly WordSort[] = ['range', 'date', 'meeting', 'term', 'section', 'room', 'year', 'person', 'pattern'];
/** What is meant only where none of those is: parts of dates, and words that say something of a day or of the course. */
const REST: readonly WordSort[] = ['hours', 'weekday', 'relative', 'mode'];
const ORDER = [...NAMED, ...REST];

/** Keeps one of those that stand in each other's place, in the order of the text. */
export const apart: Refiner = (found) => {
  const kept: Found[] = [];
  const isBetter = (one: Found, other: Found): boolean => {
    if (NAMED.includes(one.sort) !== NAMED.includes(other.sort)) return NAMED.includes(one.sort);
    const longer = one.end - one.start - (other.end - other.start);
    return longer === 0 ? ORDER.indexOf(one.sort) < ORDER.indexOf(other.sort) : longer > 0;
  };
  for (const each of found.toSorted((a, b) => a.start - b.start || b.end - a.end)) {
    while (kept.length > 0 && overlaps(kept.at(-1)!, each) && isBetter(each, kept.at(-1)!)) kept.pop();
    if (kept.length === 0 || !overlaps(kept.at(-1)!, each)) kept.push(each);
  }
  return kept;
};
