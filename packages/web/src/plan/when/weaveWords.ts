import { weekdayWords, type Meeting } from '@yarin/core';
import { dayWords, patternWords } from '../../shared/readersDates.js';
import type { WeekBox } from './weaveGeometry.js';

const MOST_LETTERS = 'Mon Wed 9:00 am'.length;

/** Class days beside a strip, with their hours where there is room. */
export function classWords(meetings: readonly Meeting[]): string {
  const words = patternWords(meetings);
  return words.length > MOST_LETTERS ? weekdayWords(meetings) : words;
}

/** “week 4, from Mon 1 Feb”. */
export function weekWords({ is, label, start }: WeekBox): string {
  const from = `from ${dayWords(start)}`;
  return is === 'outside' ? from : `${is === 'teaching' ? `week ${label}` : label}, ${from}`;
}
