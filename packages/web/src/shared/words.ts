import { patternWords, type CourseSummary } from '@yarin/core';

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
