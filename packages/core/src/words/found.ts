import type { Calendar } from '../schemas/calendar.js';

export type WordSort = 'date' | 'range' | 'term' | 'year' | 'relative' | 'weekday' | 'meeting' | 'mode';

/** Words in a text that will not fit the new term. Offsets are UTF-16 units of the text that was searched. */
export interface FoundWords {
  readonly sort: WordSort;
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

/** What the finders know of the course whose text they read. */
export interface WordContext {
  readonly calendar: Calendar;
  readonly termName: string;
  readonly courseTitle: string;
  /** The room where the course met. */
  readonly room?: string | undefined;
  /** Month before day in `3/4`. */
  readonly monthFirst: boolean;
  /** How many characters at the start of the text are a title; none when absent. */
  readonly titleLength?: number;
  /** Hosts of video meetings that an administrator keeps; a host label that starts with `meet` counts besides. */
  readonly meetingHosts: readonly string[];
}

export type Finder = (text: string, context: WordContext) => FoundWords[];

/** How far from a place its sentence, its line and what stands beside it are looked at, in characters. */
export const REACH = 400;

export const found = (sort: WordSort, match: RegExpMatchArray): FoundWords => ({
  sort,
  start: match.index!,
  end: match.index! + match[0].length,
  text: match[0],
});
