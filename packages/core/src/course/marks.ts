import type { Mark } from '../schemas/course.js';

/** What a mark for next time is called. */
export const MARK_WORDS: Readonly<Record<NonNullable<Mark['mark']>, string>> = {
  never: 'never carry on',
  hidden: 'bring hidden',
  reword: 'reword first',
  evergreen: 'evergreen',
};
