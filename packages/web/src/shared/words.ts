import type { CourseSummary, DateTotals, LearnerSort, PlanTotals, ShellStanding } from '@yarin/core';
import { momentWords, patternWords } from './readersDates.js';

export const count = (number: number, one: string, many = `${one}s`): string =>
  `${number} ${number === 1 ? one : many}`;

/** “ECO 214-02”. */
export const courseCode = ({ code, number, section }: Pick<CourseSummary, 'code' | 'number' | 'section'>): string =>
  `${code} ${number}-${section}`;

/** “section 02 · Tue Thu 14:00”. */
export function sectionWords({
  section,
  type,
  meetings,
}: Pick<CourseSummary, 'section' | 'meetings'> & { type?: string | undefined }): string {
  if (type === 'development') return 'development course';
  if (type === 'template') return 'shared template';
  return `section ${section} · ${patternWords(meetings)}`;
}

/** What comes of what there is: “210 of 236”. */
export const ofWords = ({ comes, of }: Pick<PlanTotals, 'comes' | 'of'>): string => `${comes} of ${of}`;

/** “134 dates move, 2 are taken away”; what there is none of is not said. */
export function datesWords(dates: DateTotals): string {
  const others = otherDatesWords(dates);
  return dates.move > 0 || others.length === 0
    ? [count(dates.move, 'date moves', 'dates move'), ...others].join(', ')
    : others.join(', ');
}

/** Of the dates that do not move: “2 dates are taken away”, “1 date stays as it was”. */
export const otherDatesWords = ({ cleared, kept }: DateTotals): string[] => [
  ...(cleared > 0 ? [count(cleared, 'date is taken away', 'dates are taken away')] : []),
  ...(kept > 0 ? [count(kept, 'date stays as it was', 'dates stay as they were')] : []),
];

/** “a, b and c”. */
export function listed(words: readonly string[]): string {
  if (words.length < 2) return words.join('');
  return `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`;
}

/** What is kept of learners, one and many. */
export const LEARNER_WORDS: Readonly<Record<LearnerSort, readonly [one: string, many: string]>> = {
  enrolment: ['person', 'people'],
  submission: ['submission', 'submissions'],
  attempt: ['attempt', 'attempts'],
  reply: ['reply', 'replies'],
  mark: ['mark', 'marks'],
  attendance: ['attendance', 'attendances'],
  personalDate: ['personal date', 'personal dates'],
};

/** What was brought into a shell before, and what stands there that Yarin did not bring; a sentence each. */
export function standingWords({ brought, byHand }: ShellStanding): string[] {
  return [
    ...brought.map(
      ({ things, by, at, from }) =>
        `${count(things, 'thing was', 'things were')} brought already, by ${by} on ${momentWords(at)}, from ${from}.`,
    ),
    ...(byHand === 0
      ? []
      : [
          `${count(byHand, 'thing stands', 'things stand')} here that Yarin did not bring: somebody made ${byHand === 1 ? 'it' : 'them'} by hand or by other means. The plan compares by content and title and doubles nothing.`,
        ]),
  ];
}

/** “8 stock things”, “236 things”, or “empty”. */
export function contentsWords({ things, stockThings }: Pick<CourseSummary, 'things' | 'stockThings'>): string {
  if (things === 0) return 'empty';
  return things === stockThings ? count(things, 'stock thing') : count(things, 'thing');
}
