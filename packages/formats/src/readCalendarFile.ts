import ICAL from 'ical.js';
import { fail, formatDay, parseDay, succeed, type Closure, type ReadClosures, type Result } from '@yarin/core';
import { closureKind } from './closureKind.js';

const MOST_EVENTS = 5000;
/** Times of recurring entries that are looked at in one file, those before the term among them. */
const MOST_TIMES = 50_000;
const MOST_CLOSURES = 2000;

/** The calendar day on which an instant falls in a zone. */
const dayIn = (time: ICAL.Time, timeZone: string): string => {
  if (time.isDate || time.zone === ICAL.Timezone.localTimezone) return dateText(time);
  return new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short' }).format(time.toJSDate());
};
const dateText = ({ year, month, day }: ICAL.Time): string =>
  `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;

/**
 * Reads the closed days of an iCalendar file that touch a span: all-day entries, recurring ones at each of their times, and
 * entries with hours as the day on which they fall in the zone of the term.
 *
 * @param span  first and last day that matter, `YYYY-MM-DD`, both included, and the zone of the term
 */
export function readCalendarFile(
  text: string,
  span: { readonly from: string; readonly to: string; readonly timeZone: string },
): Result<ReadClosures> {
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
  const events = root.getAllSubcomponents('vevent').slice(0, MOST_EVENTS);
  const closures: Closure[] = [];
  const budget = { left: MOST_TIMES };
  const unread: string[] = [];
  const exceptions = new Map<string, ICAL.Component[]>();
  for (const event of events)
    if (event.hasProperty('recurrence-id')) {
      const uid = String(event.getFirstPropertyValue('uid') ?? '');
      exceptions.set(uid, [...(exceptions.get(uid) ?? []), event]);
    }
  for (const component of events) {
    if (component.hasProperty('recurrence-id') || closures.length >= MOST_CLOSURES) continue;
    const event = new ICAL.Event(component, {
      exceptions: exceptions.get(String(component.getFirstPropertyValue('uid') ?? '')) ?? [],
    });
    if (!component.hasProperty('dtstart')) {
      unread.push(event.summary ?? 'an entry without a title');
      continue;
    }
    for (const { name, from, to } of timesOf(event, span, budget)) {
      if (to < span.from || from > span.to) continue;
      closures.push({ from, to, ...(name === '' ? {} : { label: name.slice(0, 200) }), kind: closureKind(name) });
    }
  }
  return succeed({ closures: closures.sort((a, b) => (a.from < b.from ? -1 : 1)), unread });
}

function rootOf(text: string): ICAL.Component | undefined {
  try {
    const parsed: unknown = ICAL.parse(text);
    return Array.isArray(parsed) && parsed[0] === 'vcalendar' ? new ICAL.Component(parsed) : undefined;
  } catch {
    return undefined;
  }
}

interface Times {
  readonly name: string;
  readonly from: string;
  readonly to: string;
}

/** Every time of an entry up to the end of the span. An all-day end is the day after; midnight ends the day before. */
function timesOf(
  event: ICAL.Event,
  span: { readonly from: string; readonly to: string; readonly timeZone: string },
  budget: { left: number },
): Times[] {
  const timesAt = (start: ICAL.Time, end: ICAL.Time | null, name: string | null): Times => {
    const from = dayIn(start, span.timeZone);
    const until = end === null ? from : dayIn(end, span.timeZone);
    const endsBefore = end !== null && (end.isDate || (end.hour === 0 && end.minute === 0));
    const to = endsBefore && until > from ? formatDay(parseDay(until) - 1) : until;
    return { name: (name ?? '').trim(), from, to };
  };
  if (!event.isRecurring()) return [timesAt(event.startDate, event.endDate, event.summary)];
  const times: Times[] = [];
  const each = event.iterator();
  for (let next = each.next(); next !== null && next !== undefined && budget.left-- > 0; next = each.next()) {
    // Most of a long series lies before the term; only what could touch it is worked out.
    if (next.year < Number(span.from.slice(0, 4)) - 1) continue;
    const { startDate, endDate, item } = event.getOccurrenceDetails(next);
    const time = timesAt(startDate, endDate, item.summary);
    if (time.from > span.to) break;
    times.push(time);
  }
  return times;
}
