import type { Closure } from '@yarin/core';

/** What a category of a term's calendar file says, in small letters. */
export const CLOSURE_CATEGORIES: ReadonlyMap<string, Closure['kind']> = new Map([
  ['holiday', 'holiday'],
  ['break', 'break'],
  ['reading days', 'reading'],
  ['exams', 'exams'],
]);
export const SWAP_CATEGORY = 'timetable';
export const PERIOD_CATEGORY = 'marking period';
export const TERM_CATEGORY = 'term';

/** Categories of what is no closure. */
export const OTHER_CATEGORIES: readonly string[] = [SWAP_CATEGORY, PERIOD_CATEGORY, TERM_CATEGORY];
