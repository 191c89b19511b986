import { indexCalendar } from '../calendar/calendarIndex.js';
import { formatMoment, parseDay, parseMinute, weekdayOf, type Minute } from '../calendar/day.js';
import { weekdayWord } from '../calendar/dateWords.js';
import { indexMeetings } from '../calendar/meetingIndex.js';
import { fail, succeed, type Result } from '../problem.js';
import { DAYS_IN_TERM } from './daysInTerm.js';
import { splitTime } from './timeOfDay.js';
import type { TypedContext, TypedReading } from './typedContext.js';
import { noSuchWeekday, WRITTEN_DAYS } from './writtenDays.js';

const LONGEST = 80;
const USUAL_TIME = '23:59';
const TIME_AT = 'YYYY-MM-DDT'.length;

const READERS = [...WRITTEN_DAYS, ...DAYS_IN_TERM];

const problem = (code: string, message: string): Result<string> => fail([{ code, message, where: '' }]);

/**
 * Reads a date as a person types it: “10 Mar”, “Tue of week 6”, “+1 week”, “next class”, “day after the break”, “14:00”. The year is
 * the term's, the hour stays where none is typed, and what is impossible or could be two dates is refused.
 *
 * @returns `YYYY-MM-DDTHH:mm`, or why it is none and what would be right
 * @see docs/rules.md, "Dates that are typed"
 */
export function readTypedDate(text: string, reading: TypedReading): Result<string> {
  return typedReader(reading)(text);
}

/** The same for many texts that are read against one term. */
export function typedReader(
  reading: TypedReading,
): (text: string, own?: Pick<TypedReading, 'at' | 'time'>) => Result<string> {
  const { calendar, meetings, order } = reading;
  const term = calendar === undefined ? undefined : indexCalendar(calendar, calendar.weekStartsOn ?? 1);
  const classes = term === undefined ? undefined : indexMeetings(term, meetings ?? []).counting(undefined);
  return (text, { at = reading.at, time = reading.time } = reading) =>
    read(text, {
      order,
      term,
      classes,
      day: at === undefined || at === null ? undefined : parseDay(at),
      minute:
        at === undefined || at === null
          ? time === undefined
            ? undefined
            : parseMinute(time)
          : parseMinute(at, TIME_AT),
    });
}

function read(written: string, context: TypedContext): Result<string> {
  const text = written.trim().toLowerCase().replace(/\s+/g, ' ').replace(/^on /, '');
  const sample = context.order === 'dayFirst' ? '10 Mar' : 'Mar 10';
  const unread = (): Result<string> =>
    problem(
      'noSuchDate',
      `“${written.trim().slice(0, LONGEST)}” is no date that can be read; write “${sample}”, “Tue of week 6”, “+1 week” or “next class”.`,
    );
  if (text === '' || text.length > LONGEST) return unread();
  const split = splitTime(text);
  if (split === 'noSuchTime')
    return problem('noSuchTime', `“${written.trim()}” names a time of day that does not exist; write it as 23:59.`);
  const usual: Minute = context.minute ?? parseMinute(USUAL_TIME);
  if (split.rest === '') {
    if (context.day === undefined)
      return problem('noDateYet', 'There is no date yet; write the day too, as “10 Mar 14:00”.');
    return succeed(formatMoment(context.day, split.minute ?? usual));
  }
  for (const reader of READERS) {
    const found = reader(split.rest, context);
    if (found === undefined) continue;
    if ('code' in found) return problem(found.code, found.message);
    if (found.weekday !== undefined && found.weekday !== weekdayOf(found.day))
      return problem('weekday', noSuchWeekday(found.day, weekdayWord(found.weekday)));
    return succeed(formatMoment(found.day, split.minute ?? found.minute ?? usual));
  }
  return unread();
}
