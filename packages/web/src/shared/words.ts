import { dayWords, parseDay, patternWords, type CourseSummary, type LearnerSort } from '@yarin/core';

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

/** “Tue 24 Nov 09:12”. */
export const whenWords = (at: string): string => `${dayWords(parseDay(at))} ${at.slice(11)}`;
