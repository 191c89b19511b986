import type { When } from '@yarin/core';
import type { FindQuery } from '../shared/api/find.js';

/** What narrows the courses that are found, beside the words. */
export interface Filters {
  readonly when: When | 'any';
  /** Empty for any. */
  readonly term: string;
  readonly campus: string;
  readonly mine: boolean;
  readonly usable: boolean;
  readonly holds: boolean;
  readonly template: boolean;
}

export const NO_FILTERS: Filters = {
  ...{ when: 'any', term: '', campus: '' },
  ...{ mine: false, usable: false, holds: false, template: false },
};

export const WHENS: readonly Filters['when'][] = ['any', 'past', 'current', 'coming'];

/** The filters that are ticked, in their order, with their words. */
export const TICKS = {
  mine: 'mine',
  usable: 'I may bring from it',
  holds: 'holds something',
  template: 'templates',
} as const satisfies Partial<Record<keyof Filters, string>>;
export type Tick = keyof typeof TICKS;

const yes = (given: boolean): 'yes' | undefined => (given ? 'yes' : undefined);
const some = (given: string): string | undefined => (given === '' ? undefined : given);

/** Words and filters as they are asked for, and as they stand in an address. */
export const queryOf = (words: string, filters: Filters): Omit<FindQuery, 'most'> => ({
  words,
  when: filters.when === 'any' ? undefined : filters.when,
  term: some(filters.term),
  campus: some(filters.campus),
  mine: yes(filters.mine),
  usable: yes(filters.usable),
  holds: yes(filters.holds),
  template: yes(filters.template),
});

/** The filters that stand in an address. */
export function filtersIn(query: Readonly<Record<string, unknown>>): Filters {
  const text = (name: string): string => (typeof query[name] === 'string' ? query[name] : '');
  return {
    when: WHENS.find((when) => when === text('when')) ?? 'any',
    term: text('term'),
    campus: text('campus'),
    mine: text('mine') === 'yes',
    usable: text('usable') === 'yes',
    holds: text('holds') === 'yes',
    template: text('template') === 'yes',
  };
}
