import type { CalendarIndex } from '../calendar/calendarIndex.js';
import type { Day, Weekday } from '../calendar/day.js';
import type { MeetingIndex } from '../calendar/meetingIndex.js';
import { FLAG, type FlagBits } from './flags.js';
import type { Step } from './steps.js';

/** Both terms of a job, indexed. */
export interface Terms {
  readonly old: CalendarIndex;
  readonly new: CalendarIndex;
  readonly oldMeetings: MeetingIndex;
  readonly newMeetings: MeetingIndex;
}

/** Where a rule puts a day, before landing. */
export interface Placed {
  readonly day: Day;
  readonly flags: FlagBits;
  readonly steps: readonly Step[];
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

/** Index `index` of `from` things as an index of `to` things, by share; halves go up. */
export const shareOf = (index: number, from: number, to: number): number =>
  from === 1 ? 0 : Math.floor((2 * index * (to - 1) + (from - 1)) / (2 * (from - 1)));
