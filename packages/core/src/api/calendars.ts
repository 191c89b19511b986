import type { Calendar, CalendarAdditions, Closure, Meeting } from '../schemas/calendar.js';
import type { CalendarChange } from '../plan/calendarChange.js';
import type { Right } from '../rights/rights.js';

// What the server answers about terms and their calendars.

/** A term, or a part of one. */
export interface TermCalendar {
  readonly id: string;
  readonly name: string;
  /** The term that it is a part of. */
  readonly parentId: string | null;
  /** Counts up with every change. */
  readonly version: number;
  /** What is set for it alone; of a part, what it inherits is not in it. */
  readonly own: Calendar;
  /** What holds: of a part, with what it inherits. */
  readonly calendar: Calendar;
  /** Courses and shells that run by it. */
  readonly courses: number;
}

export interface CalendarsView {
  readonly terms: readonly TermCalendar[];
  /** Whether the person may change them. */
  readonly right: Right;
  readonly now: string;
}

/** What a changed calendar does to one open plan. */
export interface PlanEffect extends CalendarChange {
  readonly planId: string;
  /** “ECO 214-02 Freshwater Ecology”. */
  readonly name: string;
}

export interface CalendarEffect {
  /** Open plans in which something changes, those with the most changed dates first. */
  readonly plans: readonly PlanEffect[];
  /** Open plans that were looked at, those without a change among them. */
  readonly looked: number;
  /** Shells into which was brought already; what stands in them keeps its dates. */
  readonly brought: number;
  /** Open plans that there was no time to look at. */
  readonly left: number;
}

/** Closures that were read from a file, a list or the public holidays of a region, to be taken over. */
export interface ReadClosures {
  readonly closures: readonly Closure[];
  /** A sentence for each line or entry that was not read. */
  readonly unread: readonly string[];
}

/** Class meetings that were read from a timetable, to be taken over. */
export interface ReadMeetings {
  readonly found: readonly { readonly name: string; readonly meeting: Meeting }[];
  /** Entries that are no class meetings: all-day ones, those that last over midnight or do not come back. */
  readonly unread: readonly string[];
}

/** The calendar of one course, as its settings show it. */
export interface CourseCalendarView {
  readonly term: TermCalendar;
  /** Parts of the term that the course could run in. */
  readonly parts: readonly TermCalendar[];
  readonly partId: string | null;
  readonly additions: CalendarAdditions;
  readonly meetings: readonly Meeting[];
  /** Version of the course. */
  readonly version: number;
}
