/** What of the old term is found in texts, in the order of docs/rules.md. */
export const STALE_SORTS = [
  'date',
  'range',
  'term',
  'year',
  'pattern',
  'room',
  'section',
  'person',
  'meeting',
  'address',
] as const;
export type StaleSort = (typeof STALE_SORTS)[number];

/** Why a date in a text has no sure replacement; a doubt about its new date goes by the name of its flag. */
export const STALE_PROBLEMS = ['closure', 'fixed', 'weekday', 'ambiguous', 'cleared'] as const;
export type StaleProblemName = (typeof STALE_PROBLEMS)[number];
