import type { CalendarIndex } from '../calendar/calendarIndex.js';
import type { DateStyle } from '../calendar/dateStyle.js';
import type { Day, Minute } from '../calendar/day.js';
import type { MeetingList } from '../calendar/meetingIndex.js';
import type { Calendar, Meeting } from '../schemas/calendar.js';

/** What a typed date is read against. */
export interface TypedReading {
  /** Which of two numbers is the day: as whoever types reads dates. */
  readonly order: DateStyle['order'];
  /** The term that it lies in: gives the year, weeks, classes and breaks. */
  readonly calendar?: Calendar | undefined;
  readonly meetings?: readonly Meeting[] | undefined;
  /** The date that it has, `YYYY-MM-DDTHH:mm`: “+1 week” counts from it, and its hour stays where none is typed. */
  readonly at?: string | null | undefined;
  /** The hour where none is typed and it has none, `HH:mm`; 23:59 when absent. */
  readonly time?: string | undefined;
}

/** The same, looked up once a reading. */
export interface TypedContext {
  readonly order: DateStyle['order'];
  readonly term: CalendarIndex | undefined;
  readonly classes: MeetingList | undefined;
  /** The day and hour that the date has. */
  readonly day: Day | undefined;
  readonly minute: Minute | undefined;
}

/** A day that was read, with its own hour where the words name a class; or why it is none. */
export type ReadDay =
  | { readonly day: Day; readonly minute?: Minute; readonly weekday?: number }
  | { readonly code: string; readonly message: string };

/** Reads one way of writing a day; `undefined` when it is written another way. */
export type DayReader = (text: string, context: TypedContext) => ReadDay | undefined;
