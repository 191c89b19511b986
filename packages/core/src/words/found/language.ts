import type { Minute, Weekday } from '../../calendar/day.js';
import type { Span } from '../text/seenText.js';
import type { Finder, Refiner } from './found.js';

/** An hour that is written anew: as `like` was, which meant `readAs`. */
export interface HourWritten {
  readonly minute: Minute;
  readonly like: string;
  readonly readAs: Minute;
}

/** Writes things as others were written. */
export interface Writer {
  weekday(weekday: Weekday, like: string): string;
  /** @param like  the list, and the first of its weekdays */
  weekdays(weekdays: readonly Weekday[], like: string, first: string): string;
  month(month: number, like: string, isShort: boolean): string;
  number(value: number, like: string, isPadded?: boolean): string;
  ordinal(date: number, like: string): string;
  year(year: number, like: string): string;
  hour(minute: Minute, like: string, readAs: Minute): string;
  hours(from: HourWritten, to: HourWritten): readonly [string, string];
  term(
    oldName: string,
    newName: string,
    like: { readonly season: string; readonly year: string },
  ): { readonly season: string; readonly year: string } | undefined;
  room(room: string, like: string, oldRoom: string): string;
  person(name: string, like: string, oldName: string): string;
}

/** How a language writes days, hours, terms and the rest. A new one is a folder. */
export interface Language {
  readonly finders: readonly Finder[];
  /** What joins the parts of a date: before it is read which of two numbers is the month, and after. */
  readonly joinsOfDays: readonly Refiner[];
  readonly joins: readonly Refiner[];
  /** Whether a month is written short; `undefined` for a word that can be either. */
  isShortMonth(word: string): boolean | undefined;
  /** Whether the name of a holiday, or of an event that others hold, stands beside words in their sentence. */
  isBesideOutsideEvent(text: string, words: Span): boolean;
  readonly writer: Writer;
}
