import ICAL from 'ical.js';
import { ROLE_WORDS, type PreviewDate } from '@yarin/core';
import { utcTimes } from './utcTime.js';

export interface CalendarFile {
  /** What the calendar is called where it is taken in. */
  readonly name: string;
  /** IANA zone of the wall-clock dates. */
  readonly timeZone: string;
  /** `YYYY-MM-DDTHH:mm`, when the file is made. */
  readonly now: string;
}

/** Dated roles of a thing that are points in time, as they stand in a calendar. */
const POINTS = new Set(['due', 'opens', 'part', 'late', 'closes', 'answers', 'posts', 'remind']);

/**
 * New dates as an iCalendar file: an event from its start to its end, everything else as a point in time with its role in
 * the title. Times are written in UTC. Cleared dates are left out.
 */
export function writeCalendarFile(dates: readonly PreviewDate[], { name, timeZone, now }: CalendarFile): string {
  const root = new ICAL.Component('vcalendar');
  root.addPropertyWithValue('version', '2.0');
  root.addPropertyWithValue('prodid', '-//Yarin//Dates//EN');
  root.addPropertyWithValue('x-wr-calname', name);
  const timeOf = utcTimes(timeZone);
  const ends = new Map<string, PreviewDate>();
  for (const date of dates) if (date.role === 'ends' && date.to !== null) ends.set(date.item, date);
  for (const date of dates) {
    if (date.to === null || (!POINTS.has(date.role) && date.role !== 'starts')) continue;
    const end = date.role === 'starts' ? ends.get(date.item)?.to : undefined;
    const event = new ICAL.Component('vevent');
    event.addPropertyWithValue('uid', `${date.id}@yarin`);
    event.addPropertyWithValue('dtstamp', timeOf(now));
    event.addPropertyWithValue('dtstart', timeOf(date.to));
    event.addPropertyWithValue('dtend', timeOf(end !== undefined && end !== null && end >= date.to ? end : date.to));
    const role = date.role === 'starts' ? '' : `${ROLE_WORDS[date.role]}: `;
    event.addPropertyWithValue('summary', `${role}${date.title}`);
    if (date.role !== 'starts') event.addPropertyWithValue('transp', 'TRANSPARENT');
    root.addSubcomponent(event);
  }
  return `${root.toString()}\r\n`;
}
