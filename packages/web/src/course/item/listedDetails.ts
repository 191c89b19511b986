import type { Kind } from '@yarin/core';

/** A row of a list that an item holds, column by column, as it is written. */
export type ListedRow = Readonly<Record<string, string>>;

interface Column {
  readonly name: string;
  readonly words: string;
  /** Holds several lines. */
  readonly lines?: boolean;
}

/** A list among the details of a kind: how it is read into rows and written back. */
interface Listed {
  readonly words: string;
  readonly one: string;
  readonly columns: readonly Column[];
  readonly widths: string;
  read(details: Readonly<Record<string, unknown>>): ListedRow[];
  write(rows: readonly ListedRow[]): Record<string, unknown>;
}

const listIn = (details: Readonly<Record<string, unknown>>, name: string): readonly unknown[] =>
  Array.isArray(details[name]) ? details[name] : [];
const text = (value: unknown): string => (typeof value === 'string' || typeof value === 'number' ? String(value) : '');
const numberIn = (written: string | undefined): number => {
  const number = Number(written);
  return written === undefined || written.trim() === '' || !Number.isFinite(number) || number < 0 ? 0 : number;
};
const linesIn = (written: string | undefined): string[] =>
  (written ?? '').split('\n').filter((line) => line.trim() !== '');

/** The right one of the options is marked with a star before it, so that a question is one text to write. */
const RIGHT = '* ';

const questions: Listed = {
  words: 'questions; a star before the right answer',
  one: 'a question',
  columns: [
    { name: 'stem', words: 'question', lines: true },
    { name: 'options', words: 'answers, one a line', lines: true },
  ],
  widths: 'minmax(0, 1fr) minmax(0, 1fr) auto',
  read: (details) =>
    listIn(details, 'questions').map((each) => {
      const { stem, options, answer } = each as { stem?: unknown; options?: unknown; answer?: unknown };
      return {
        stem: text(stem),
        options: (Array.isArray(options) ? options : [])
          .map((option, index) => `${index === answer ? RIGHT : ''}${text(option)}`)
          .join('\n'),
      };
    }),
  write: (rows) => ({
    questions: rows.map(({ stem, options }) => {
      const lines = linesIn(options);
      const answer = lines.findIndex((line) => line.startsWith(RIGHT));
      return {
        stem: stem ?? '',
        options: lines.map((line) => (line.startsWith(RIGHT) ? line.slice(RIGHT.length) : line)),
        ...(answer < 0 ? {} : { answer }),
      };
    }),
  }),
};

const groups: Listed = {
  words: 'groups: names and sizes',
  one: 'a group',
  columns: [
    { name: 'name', words: 'name' },
    { name: 'size', words: 'size' },
  ],
  widths: 'minmax(0, 1fr) 80px auto',
  read: (details) =>
    listIn(details, 'groups').map((each) => {
      const { name, size } = each as { name?: unknown; size?: unknown };
      return { name: text(name), size: text(size) };
    }),
  write: (rows) => ({ groups: rows.map(({ name, size }) => ({ name: name ?? '', size: numberIn(size) })) }),
};

const steps: Listed = {
  words: 'steps of the scale: a letter, and from how many per cent',
  one: 'a step',
  columns: [
    { name: 'letter', words: 'letter' },
    { name: 'from', words: 'from, %' },
  ],
  widths: '120px 100px auto',
  read: (details) =>
    listIn(details, 'scale').map((each) => {
      const [letter, from] = Array.isArray(each) ? (each as unknown[]) : [];
      return { letter: text(letter), from: text(from) };
    }),
  write: (rows) => ({ scale: rows.map(({ letter, from }) => [letter ?? '', numberIn(from)]) }),
};

/** The lists that kinds hold among their details, and that are edited row by row. */
export const LISTED: Readonly<Partial<Record<Kind, Listed>>> = { questionBank: questions, groups, scoreScale: steps };
