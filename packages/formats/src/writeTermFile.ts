import ICAL from 'ical.js';
import { formatDay, parseDay, weekdayWord, type Calendar } from '@yarin/core';
import { utcTimes } from './utcTime.js';
import { CLOSURE_CATEGORIES, PERIOD_CATEGORY, SWAP_CATEGORY, TERM_CATEGORY } from './termCategories.js';

const CATEGORY = new Map([...CLOSURE_CATEGORIES].map(([category, kind]) => [kind, category]));
const KIND_NAMES = { holiday: 'Holiday', break: 'Break', reading: 'Reading days', exams: 'Exams' } as const;

/**
 * The calendar of a term as an iCalendar file: an all-day entry for its first and last day, each closure, swap and marking
 * period. Categories say what each is, so that the file is read back as it was.
 *
 * @param now  `YYYY-MM-DDTHH:mm`, when the file is made
 */
export function writeTermFile(calendar: Calendar, now: string): string {
  const { name = 'Term', firstDay, lastDay, closures = [], swaps = [], periods = [] } = calendar;
  const root = new ICAL.Component('vcalendar');
  root.addPropertyWithValue('version', '2.0');
  root.addPropertyWithValue('prodid', '-//Yarin//Term//EN');
  root.addPropertyWithValue('x-wr-calname', name);
  root.addPropertyWithValue('x-wr-timezone', calendar.timeZone);
  const stamp = utcTimes(calendar.timeZone)(now);
  const add = (category: string, summary: string, from: string, to = from): void => {
    const event = new ICAL.Component('vevent');
    event.addPropertyWithValue('uid', `${category} ${from} ${summary}@yarin`.replaceAll(' ', '-').toLowerCase());
    event.addPropertyWithValue('dtstamp', stamp);
    event.addPropertyWithValue('dtstart', ICAL.Time.fromDateString(from));
    event.addPropertyWithValue('dtend', ICAL.Time.fromDateString(formatDay(parseDay(to) + 1)));
    event.addPropertyWithValue('summary', summary);
    event.addPropertyWithValue('categories', category);
    event.addPropertyWithValue('transp', 'TRANSPARENT');
    root.addSubcomponent(event);
  };
  add(TERM_CATEGORY, `${name}: first day`, firstDay);
  add(TERM_CATEGORY, `${name}: last day`, lastDay);
  for (const { kind, label, from, to } of closures) add(CATEGORY.get(kind)!, label ?? KIND_NAMES[kind], from, to);
  for (const { date, runsAs } of swaps) add(SWAP_CATEGORY, `Runs as ${weekdayWord(runsAs)}`, date);
  for (const { name: period, from, to } of periods) add(PERIOD_CATEGORY, period, from, to);
  return `${root.toString()}\r\n`;
}
