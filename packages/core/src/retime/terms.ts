import { indexCalendar, type CalendarIndex } from '../calendar/calendarIndex.js';
import type { Day, Weekday } from '../calendar/day.js';
import { listMeetings } from '../calendar/meetingIndex.js';
import type { Meeting } from '../schemas/calendar.js';
import type { TermSide } from '../schemas/retimeJob.js';
import { indexClasses, type Classes } from './classes.js';
import { FLAG, type FlagBits } from '../names/flags.js';
import type { Step } from './steps.js';

/** Both terms of a job, indexed. */
export interface Terms {
  readonly old: CalendarIndex;
  readonly new: CalendarIndex;
  readonly classes: Classes;
}

/** Where a rule puts a day, before landing. */
export interface Placed {
  readonly day: Day;
  readonly flags: FlagBits;
  readonly steps: readonly Step[];
}

/** Indexes two terms whose calendars `checkCalendar` found sound. */
export function indexTerms(source: TermSide, destination: TermSide): Terms {
  const weekStartsOn = destination.calendar.weekStartsOn ?? 1;
  const old = indexCalendar(source.calendar, weekStartsOn);
  const to = indexCalendar(destination.calendar, weekStartsOn);
  const [oldPattern, newPattern] = [source.meetings ?? [], destination.meetings ?? []];
  const [oldWeeks, newWeeks] = [weeksWithClass(old, oldPattern), weeksWithClass(to, newPattern)];
  const counted =
    oldWeeks.size === newWeeks.size
      ? {
          old: indexCalendar(source.calendar, weekStartsOn, oldWeeks),
          new: indexCalendar(destination.calendar, weekStartsOn, newWeeks),
        }
      : { old, new: to };
  return { ...counted, classes: indexClasses({ old, new: to }, counted.old, oldPattern, newPattern) };
}

/** Teaching weeks, and every other week in which the class meets (without a pattern: in which anything is taught). */
function weeksWithClass(term: CalendarIndex, pattern: readonly Meeting[]): ReadonlySet<Day> {
  const days = pattern.length === 0 ? term.teachingDays : listMeetings(term, pattern).meetings.map(({ day }) => day);
  return new Set([...term.teachingWeeks, ...days.map(term.weekStart)]);
}

/** How many teaching weeks longer a term may be whose last week still answers to the old last one. */
const WEEKS_LONGER = 3;

/** The number of the new teaching week that answers to an old one. */
export function answeringWeek({ old, new: to }: Terms, number: number): number | undefined {
  const [before, after] = [old.teachingWeeks.length, to.teachingWeeks.length];
  if (number === before && after > before && after <= before + WEEKS_LONGER) return after;
  return number <= after ? number : undefined;
}

/** For a moment that was inside the old term, a day outside the new one counts as closed. */
export const isOpenFor = (term: CalendarIndex, day: Day, wasInside: boolean): boolean =>
  term.isInside(day) ? term.isOpen(day) : !wasInside;

/**
 * The weekday of a week: the day by the calendar if it runs as that weekday and is open, else the earliest open day of
 * the week that runs as it, else the day by the calendar.
 *
 * @param weekStart  first day of the calendar week
 * @see docs/rules.md, "The weekday of a week"
 */
export function weekdayOfWeek(term: CalendarIndex, weekStart: Day, weekday: Weekday, wasInside: boolean): Placed {
  const byCalendar = weekStart + ((weekday - term.weekStartsOn + 7) % 7);
  const suits = (day: Day): boolean => term.runsAs(day) === weekday && isOpenFor(term, day, wasInside);
  if (suits(byCalendar)) return { day: byCalendar, flags: 0, steps: [] };
  for (let day = weekStart; day < weekStart + 7; day++) if (suits(day)) return { day, flags: 0, steps: [] };
  return term.runsAs(byCalendar) === weekday
    ? { day: byCalendar, flags: 0, steps: [] }
    : { day: byCalendar, flags: FLAG.otherWeekday, steps: [{ step: 'otherWeekday', wanted: weekday }] };
}
