import ICAL from 'ical.js';
import { whyNoRule } from './recurrenceRule.js';
import { fail, formatDay, parseDay, succeed, type Result } from '@yarin/core';

const MOST_EVENTS = 5000;
/** Times of recurring entries that are looked at in one file, those before the term among them. */
const MOST_TIMES = 50_000;

/** What matters of a file: first and last day, `YYYY-MM-DD`, both included, and the zone whose wall clock counts. */
export interface Span {
  readonly from: string;
  readonly to: string;
  readonly timeZone: string;
}

/** One time of an entry of an iCalendar file, on the wall clock of the span's zone. */
export interface EntryTime {
  readonly name: string;
  readonly place: string;
  readonly categories: readonly string[];
  /** First and last day. */
  readonly from: string;
  readonly to: string;
  /** `HH:mm`; absent when it lasts all day. */
  readonly start?: string;
  readonly end?: string;
}

export interface CalendarEntries {
  /** Every time that touches the span, entry by entry. */
  readonly entries: readonly (readonly EntryTime[])[];
  /** Entries that were passed over: “Snow day”, “has no date”. */
  readonly unread: readonly { readonly name: string; readonly why: string }[];
}

/**
 * Reads the entries of an iCalendar file: recurring ones at each of their times, with those that were moved or left out;
 * an all-day end is the day before, and so is midnight.
 */
export function readCalendarEntries(text: string, span: Span): Result<CalendarEntries> {
  const root = rootOf(text);
  if (root === undefined)
    return fail([
      {
        code: 'noCalendar',
        message: 'This is no iCalendar file; it should begin with BEGIN:VCALENDAR and end with END:VCALENDAR.',
        where: '',
      },
    ]);
  // Zones that a file defines hold for this file alone.
  ICAL.TimezoneService.reset();
  for (const zone of root.getAllSubcomponents('vtimezone')) {
    const known = new ICAL.Timezone(zone);
    if (!ICAL.TimezoneService.has(known.tzid)) ICAL.TimezoneService.register(known);
  }
  const components = root.getAllSubcomponents('vevent').slice(0, MOST_EVENTS);
  const uidOf = (component: ICAL.Component): string => String(component.getFirstPropertyValue('uid') ?? '');
  const exceptions = new Map<string, ICAL.Component[]>();
  for (const component of components)
    if (component.hasProperty('recurrence-id')) {
      const uid = uidOf(component);
      exceptions.set(uid, [...(exceptions.get(uid) ?? []), component]);
    }
  const budget = { left: MOST_TIMES };
  const entries: (readonly EntryTime[])[] = [];
  const unread: CalendarEntries['unread'][number][] = [];
  for (const component of components) {
    if (component.hasProperty('recurrence-id')) continue;
    const event = new ICAL.Event(component, { exceptions: exceptions.get(uidOf(component)) ?? [] });
    const why = component.hasProperty('dtstart') ? whyNoRule(component) : 'has no date';
    const name = event.summary ?? 'an entry without a title';
    if (why !== undefined) unread.push({ name, why });
    else if (budget.left <= 0)
      unread.push({ name, why: 'was passed over: the file has more entries that repeat than can be read' });
    else entries.push(timesOf(event, span, budget).filter(({ from, to }) => to >= span.from && from <= span.to));
  }
  return succeed({ entries: entries.filter((times) => times.length > 0), unread });
}

function rootOf(text: string): ICAL.Component | undefined {
  try {
    const parsed: unknown = ICAL.parse(text);
    return Array.isArray(parsed) && parsed[0] === 'vcalendar' ? new ICAL.Component(parsed) : undefined;
  } catch {
    return undefined;
  }
}

function timesOf(event: ICAL.Event, span: Span, budget: { left: number }): EntryTime[] {
  if (!event.isRecurring()) return [timeAt(event.startDate, event.endDate, event, span.timeZone)];
  const times: EntryTime[] = [];
  const each = event.iterator();
  for (let next = each.next(); next !== null && next !== undefined && budget.left-- > 0; next = each.next()) {
    // Most of a long series lies before the term; only what could touch it is worked out.
    if (next.year < Number(span.from.slice(0, 4)) - 1) continue;
    const { startDate, endDate, item } = event.getOccurrenceDetails(next);
    const time = timeAt(startDate, endDate, item, span.timeZone);
    if (time.from > span.to) break;
    times.push(time);
  }
  return times;
}

function timeAt(start: ICAL.Time, end: ICAL.Time | null, item: ICAL.Event, timeZone: string): EntryTime {
  const [from, startsAt] = wallClock(start, timeZone);
  const [until, endsAt] = end === null ? [from, startsAt] : wallClock(end, timeZone);
  const endsBefore = end !== null && (end.isDate || endsAt === '00:00');
  const categories = item.component
    .getAllProperties('categories')
    .flatMap((property) => property.getValues().map((value) => String(value).trim().toLowerCase()));
  return {
    name: (item.summary ?? '').trim(),
    place: (item.location ?? '').trim(),
    categories,
    from,
    to: endsBefore && until > from ? formatDay(parseDay(until) - 1) : until,
    ...(start.isDate ? {} : { start: startsAt, end: endsAt }),
  };
}

/** The day and time of day of an instant in a zone. */
function wallClock(time: ICAL.Time, timeZone: string): [string, string] {
  if (time.isDate || time.zone === ICAL.Timezone.localTimezone)
    return [
      `${digits(time.year, 4)}-${digits(time.month, 2)}-${digits(time.day, 2)}`,
      `${digits(time.hour, 2)}:${digits(time.minute, 2)}`,
    ];
  const [day, clock] = formatIn(timeZone).format(time.toJSDate()).split(' ');
  return [day!, clock!];
}

const digits = (value: number, length: number): string => String(value).padStart(length, '0');

let last: { readonly timeZone: string; readonly format: Intl.DateTimeFormat } | undefined;

/** One file has one zone to be read in, and many times. */
function formatIn(timeZone: string): Intl.DateTimeFormat {
  if (last?.timeZone !== timeZone)
    last = { timeZone, format: new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'short' }) };
  return last.format;
}
