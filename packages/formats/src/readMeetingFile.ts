import {
  indexCalendar,
  parseDay,
  succeed,
  type Calendar,
  type CalendarIndex,
  type Meeting,
  type ReadMeetings,
  type Result,
} from '@yarin/core';
import { readCalendarEntries, type EntryTime } from './calendarEntries.js';

const MOST_MEETINGS = 60;
/** What a class is called when a course has several sorts; the first sort is the course itself. */
const SERIES =
  /\b(lab(?:oratory)?|lecture|seminar|tutorial|studio|recitation|practical|workshop|clinic|discussion)s?\b/i;

/**
 * Reads class meetings out of a timetable as an iCalendar file: entries with hours that come back week by week. A meeting
 * is one weekday with its hours and its place; it has `weeks` when it does not meet in every teaching week that it could.
 *
 * @param calendar  of the term that the meetings are for
 * @returns         the meetings in order of the week, and entries that are none
 */
export function readMeetingFile(text: string, calendar: Calendar): Result<ReadMeetings> {
  const { firstDay, lastDay, timeZone } = calendar;
  const read = readCalendarEntries(text, { from: firstDay, to: lastDay, timeZone });
  if (!read.ok) return read;
  const index = indexCalendar(calendar, calendar.weekStartsOn ?? 1);
  const unread = new Set(read.value.unread.map(({ name }) => name));
  const found = new Map<string, { readonly time: EntryTime; readonly days: Set<number> }>();
  for (const time of read.value.entries.flat()) {
    if (time.start === undefined || time.end === undefined || time.from !== time.to || time.end <= time.start) {
      unread.add(time.name);
      continue;
    }
    const day = parseDay(time.from);
    const key = [index.runsAs(day), time.start, time.end, time.place, time.name].join('|');
    const known = found.get(key);
    if (known === undefined) found.set(key, { time, days: new Set([day]) });
    else known.days.add(day);
  }
  const regular = [...found.values()].filter(({ days }) => days.size > 1);
  const regularNames = new Set(regular.map(({ time }) => time.name));
  for (const { time, days } of found.values())
    if (days.size === 1 && !regularNames.has(time.name)) unread.add(time.name);
  const sorts = new Set(regular.map(({ time }) => sortOf(time.name)));
  const meetings = regular
    .map(({ time, days }) => ({ name: time.name, meeting: meetingOf(time, [...days], index, sorts.size > 1) }))
    .sort(({ meeting: a }, { meeting: b }) => a.weekday - b.weekday || (a.start < b.start ? -1 : 1));
  return succeed({ found: meetings.slice(0, MOST_MEETINGS), unread: [...unread].filter((name) => name !== '') });
}

const sortOf = (name: string): string => SERIES.exec(name)?.[1]?.toLowerCase() ?? '';

function meetingOf(time: EntryTime, days: readonly number[], index: CalendarIndex, hasSorts: boolean): Meeting {
  const weekday = index.runsAs(days[0]!);
  const sort = sortOf(time.name);
  const series = hasSorts && sort !== '' && sort !== 'lecture' ? sort : undefined;
  const weeks = weeksOf(weekday, days, index);
  return {
    weekday,
    start: time.start!,
    end: time.end!,
    ...(series === undefined ? {} : { series }),
    ...(weeks === undefined ? {} : { weeks }),
    ...(time.place === '' ? {} : { room: time.place.slice(0, 100) }),
  };
}

/** The teaching weeks in which it meets; `undefined` when it meets in all that have its weekday open. */
function weeksOf(weekday: number, days: readonly number[], index: CalendarIndex): number[] | undefined {
  const numberOf = (day: number): number | undefined => {
    const kind = index.weekKind(day);
    return kind.is === 'teaching' ? kind.number : undefined;
  };
  const met = new Set(days.map(numberOf));
  const could = new Set(index.teachingDays.filter((day) => index.runsAs(day) === weekday).map(numberOf));
  if ([...could].every((week) => met.has(week))) return undefined;
  return [...met].filter((week) => week !== undefined).sort((a, b) => a - b);
}
