import type { Day, Minute, Weekday } from '../../calendar/day.js';
import type { Calendar, Meeting } from '../../schemas/calendar.js';
import type { CourseHead } from '../../schemas/course.js';
import type { PlacedLink, Prose } from '../text/prose.js';
import type { Span } from '../text/seenText.js';

/** Words that name one thing, and what they name. Offsets are UTF-16 units of the prose. */
export interface Part<Value> extends Span {
  readonly value: Value;
}

/** A day as it is written: what each of its words names. */
export interface WrittenDay {
  readonly weekday?: Part<Weekday>;
  readonly month: Part<number>;
  readonly date: Part<number>;
  /** “rd” of “3rd”. */
  readonly ordinal?: Span;
  readonly year?: Part<number>;
}

/** An hour, or the hours from one to another, as they are written. */
export interface WrittenHours {
  readonly from: Part<Minute>;
  readonly to?: Part<Minute>;
}

interface Words extends Span {
  readonly text: string;
}

/** One calendar day. */
export interface FoundDay extends Words {
  readonly sort: 'date';
  readonly written: WrittenDay;
  readonly hours?: WrittenHours;
  /** Nothing proves which of two numbers is the month, or all that does disagrees. */
  readonly isEither?: boolean;
  /** The days that it can be, in or near the term; none before that is read. */
  readonly days: readonly Day[];
  /** Its weekday is another; or it could be two days. */
  readonly doubt?: 'weekday' | 'ambiguous';
  /** How it is written: two numbers may stand in either order. */
  readonly style: 'words' | 'numbers' | 'dotted' | 'iso';
}

/** The days from one to another, as one. */
export interface FoundRange extends Words {
  readonly sort: 'range';
  readonly from: FoundDay;
  readonly to: FoundDay;
  readonly hours?: WrittenHours;
}

export interface FoundHours extends Words {
  readonly sort: 'hours';
  readonly hours: WrittenHours;
}

/** A weekday that belongs to no date. */
export interface FoundWeekday extends Words {
  readonly sort: 'weekday';
  readonly weekday: Part<Weekday>;
  /** “Mondays”, “every Monday”. */
  readonly recurs: boolean;
  /** Whether it is one by itself: “sun” and “sat” are other words too. */
  readonly isSure: boolean;
}

/** Class days, class hours or both, in words. */
export interface FoundPattern extends Words {
  readonly sort: 'pattern';
  readonly weekdays: readonly Part<Weekday>[];
  readonly hours?: WrittenHours;
}

/** The old term's own name. */
export interface FoundTerm extends Words {
  readonly sort: 'term';
  readonly season?: Span;
  readonly year?: Span;
}

/** A year, or a school year from one to the next. */
export interface FoundYear extends Words {
  readonly sort: 'year';
  readonly from: Part<number>;
  readonly to?: Part<number>;
}

export interface FoundPerson extends Words {
  readonly sort: 'person';
  /** Ids of the people that the name can mean. */
  readonly people: readonly string[];
}

/** An address of a video meeting, or a meeting id, passcode or number to dial. */
export interface FoundMeeting extends Words {
  readonly sort: 'meeting';
  /** With the words that say what it is: “meeting ID 881 2204 1175”. */
  readonly said: string;
  /** The link behind whose words it stands, where no reader sees it. */
  readonly link?: PlacedLink;
}

/** Words whose text is all that they say: a room, a section's code, the day they were written on, a mode. */
export interface FoundPlain extends Words {
  readonly sort: 'room' | 'section' | 'relative' | 'mode';
}

export type Found =
  | FoundDay
  | FoundRange
  | FoundHours
  | FoundWeekday
  | FoundPattern
  | FoundTerm
  | FoundYear
  | FoundPerson
  | FoundMeeting
  | FoundPlain;

export type WordSort = Found['sort'];

/** What the finders know of the course whose text they read. */
export interface WordContext {
  readonly calendar: Calendar;
  readonly termName: string;
  readonly courseTitle: string;
  readonly meetings: readonly Meeting[];
  /** The room where the course met. */
  readonly room?: string | undefined;
  /** What the course is called by the registrar. */
  readonly code: Pick<CourseHead, 'id' | 'code' | 'number' | 'section'>;
  readonly instructors: NonNullable<CourseHead['instructors']>;
  /** Month before day in `3/4`. */
  readonly monthFirst: boolean;
  /** Hosts of video meetings that an administrator keeps; a host label that starts with `meet` counts besides. */
  readonly meetingHosts: readonly string[];
}

/** Finds one sort of words. */
export type Finder<Sort extends Found = Found> = (prose: Prose, context: WordContext) => Sort[];

/** Looks at everything that was found, in the order of the text: joins, reads or drops. */
export type Refiner = (found: readonly Found[], prose: Prose, context: WordContext) => Found[];

/** How far from a place its sentence, its line and what stands beside it are looked at, in characters. */
export const REACH = 400;

/** Where a match stands, with its text. */
export const wordsOf = (match: RegExpMatchArray): { start: number; end: number; text: string } => ({
  start: match.index!,
  end: match.index! + match[0].length,
  text: match[0],
});
