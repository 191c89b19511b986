import type { Meeting } from '../schemas/calendar.js';
import type { CalendarIndex } from './calendarIndex.js';
import { parseMinute, type Day, type Minute } from './day.js';

/** One class meeting on one day. */
export interface ClassMeeting {
  readonly day: Day;
  readonly start: Minute;
  readonly end: Minute;
  readonly series: string | undefined;
}

/** Class meetings in order of day and hour, with where each day begins in the list. */
export interface MeetingList {
  readonly meetings: readonly ClassMeeting[];
  /** Index of the first meeting on or after `day`. */
  firstAt(day: Day): number;
}

export interface MeetingIndex {
  readonly pattern: readonly Meeting[];
  readonly all: MeetingList;
  /** The meetings that count for a moment of this series. */
  counting(series: string | undefined): MeetingList;
}

/**
 * The pattern entries that count for a series: those of the series; without one, those that have none, or all when
 * every entry has one.
 *
 * @see docs/rules.md, rule `meeting`
 */
export function countingPattern(pattern: readonly Meeting[], series: string | undefined): readonly Meeting[] {
  if (series !== undefined) return pattern.filter((meeting) => meeting.series === series);
  const plain = pattern.filter((meeting) => meeting.series === undefined);
  return plain.length > 0 ? plain : pattern;
}

/** Lists the class meetings of a term: on open days that are no exam days, a swapped day as what it runs as. */
export function indexMeetings(calendar: CalendarIndex, pattern: readonly Meeting[]): MeetingIndex {
  const lists = new Map<string | undefined, MeetingList>();
  const listOf = (series: string | undefined): MeetingList => {
    let list = lists.get(series);
    if (list === undefined) lists.set(series, (list = listMeetings(calendar, countingPattern(pattern, series))));
    return list;
  };
  // Asked for every moment, and mostly for the same series as before.
  let last: { readonly series: string | undefined; readonly list: MeetingList } | undefined;
  return {
    pattern,
    all: listMeetings(calendar, pattern),
    counting(series) {
      if (last === undefined || last.series !== series) last = { series, list: listOf(series) };
      return last.list;
    },
  };
}

/** The meetings of a pattern in order of day and hour. */
export function listMeetings(calendar: CalendarIndex, pattern: readonly Meeting[]): MeetingList {
  const entries = pattern.map((meeting) => ({
    ...meeting,
    start: parseMinute(meeting.start),
    end: parseMinute(meeting.end),
  }));
  entries.sort((a, b) => a.start - b.start || a.end - b.end);
  const meetings: ClassMeeting[] = [];
  const { firstDay, lastDay } = calendar;
  const first = new Int32Array(lastDay - firstDay + 2);
  for (let day = firstDay; day <= lastDay; day++) {
    first[day - firstDay] = meetings.length;
    if (!calendar.isOpen(day) || calendar.isExam(day)) continue;
    const weekday = calendar.runsAs(day);
    for (const { weekday: on, start, end, series, weeks } of entries) {
      if (on !== weekday) continue;
      if (weeks !== undefined) {
        const week = calendar.weekKind(day);
        if (week.is !== 'teaching' || !weeks.includes(week.number)) continue;
      }
      meetings.push({ day, start, end, series });
    }
  }
  first[lastDay - firstDay + 1] = meetings.length;
  return {
    meetings,
    firstAt: (day) => (day <= firstDay ? 0 : day > lastDay ? meetings.length : first[day - firstDay]!),
  };
}

/** The days of a term on which a class meets. */
export const classDaysIn = (calendar: CalendarIndex, pattern: readonly Meeting[]): ReadonlySet<Day> =>
  new Set(listMeetings(calendar, pattern).meetings.map(({ day }) => day));

/** The meetings of one day, in order of hour. */
export function meetingsOn(list: MeetingList, day: Day): readonly ClassMeeting[] {
  const from = list.firstAt(day);
  const until = list.firstAt(day + 1);
  return from === until ? NONE : list.meetings.slice(from, until);
}

const NONE: readonly ClassMeeting[] = [];
