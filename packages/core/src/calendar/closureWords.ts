import type { Closure } from '../schemas/calendar.js';
import { civilDate, parseDay } from './day.js';
import { dayWords, monthWord } from './dateWords.js';

export const CLOSURE_WORDS: Readonly<Record<Closure['kind'], string>> = {
  holiday: 'holiday',
  break: 'break',
  reading: 'reading days',
  exams: 'exams',
};

/** “Spring break”, or the kind of a closure without a name. */
export const closureName = ({ label, kind }: Closure): string =>
  label === undefined || label.trim() === '' ? CLOSURE_WORDS[kind] : label;

/** “Thu 18 Feb”, “15–21 Mar”, “29 Mar – 4 Apr”. */
export function spanWords({ from, to }: { readonly from: string; readonly to: string }): string {
  if (from === to) return dayWords(parseDay(from));
  const [first, last] = [civilDate(parseDay(from)), civilDate(parseDay(to))];
  return first.month === last.month && first.year === last.year
    ? `${first.date}–${last.date} ${monthWord(last.month)}`
    : `${first.date} ${monthWord(first.month)} – ${last.date} ${monthWord(last.month)}`;
}
