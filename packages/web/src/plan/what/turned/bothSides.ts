import { ROLE_WORDS, type Answer, type Moment, type SnapshotItem } from '@yarin/core';
import { momentWords } from '../../../shared/readersDates.js';

export type AnswerField = keyof Answer;

/** A field in which both sides differ, with what each says in words. */
export interface Difference {
  readonly field: AnswerField;
  readonly words: string;
  readonly shell: string;
  readonly source: string;
}

const datesIn = (moments: readonly Moment[] = []): string =>
  moments.length === 0 ? 'no date' : moments.map(({ role, at }) => `${ROLE_WORDS[role]} ${momentWords(at)}`).join(', ');

const plain = (value: unknown): string =>
  value === undefined
    ? 'nothing'
    : typeof value === 'object'
      ? JSON.stringify(value)
      : String(value as string | number | boolean);

const pointsIn = (points: number | undefined): string => (points === undefined ? 'no points' : `${points} points`);

/**
 * The fields in which a thing of the old course and one of the shell differ, in the order in which they are decided.
 *
 * @param newMoments  the old course's dates as they would land
 */
export function differencesOf(source: SnapshotItem, shell: SnapshotItem, newMoments: readonly Moment[]): Difference[] {
  const differences: Difference[] = [];
  const note = (field: AnswerField, words: string, ofShell: string, ofSource: string): void => {
    if (ofShell !== ofSource) differences.push({ field, words, shell: ofShell, source: ofSource });
  };
  note('title', 'title', shell.title, source.title);
  if (source.bodyHash !== shell.bodyHash)
    differences.push({
      field: 'body',
      words: 'text',
      shell: shell.bodyHash === undefined ? 'no text' : 'its own text',
      source: source.bodyHash === undefined ? 'no text' : 'the old text',
    });
  note('points', 'points', pointsIn(shell.points), pointsIn(source.points));
  note('dates', 'dates', datesIn(shell.moments), datesIn(newMoments));
  const names = new Set([...Object.keys(shell.details ?? {}), ...Object.keys(source.details ?? {})]);
  const differing = [...names].filter((name) => plain(shell.details?.[name]) !== plain(source.details?.[name]));
  const said = ({ details }: SnapshotItem): string =>
    differing.map((name) => `${name} ${plain(details?.[name]).slice(0, 60)}`).join(', ');
  if (differing.length > 0)
    differences.push({ field: 'details', words: 'the rest', shell: said(shell), source: said(source) });
  return differences;
}
