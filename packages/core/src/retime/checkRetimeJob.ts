import { checkCalendar, checkMeetings } from '../calendar/checkCalendar.js';
import { parseDay, type Day } from '../calendar/day.js';
import { pointerPart, type Problem } from '../problem.js';
import type { RetimeJob } from '../schemas/retimeJob.js';
import { numbered } from './numbered.js';

const noSuchDate = (at: string, where: string): Problem => ({
  code: 'noSuchDate',
  message: `${at.slice(0, 10)} is not on any calendar; give a date that exists, as YYYY-MM-DDTHH:mm.`,
  where,
});

/** The moments of a job as numbers, read once; the day of one that does not exist is `NO_DAY`. */
export interface ParsedMoments {
  readonly days: Int32Array;
  readonly minutes: Int32Array;
}

/** Far from every day that four digits of a year can name. */
const NO_DAY = -(2 ** 31);

/**
 * Reads moments that fit their schema, `YYYY-MM-DDTHH:mm` with a time of day that exists. Each date is looked up once,
 * by its eight digits as a number: the digits of 100,000 moments are read faster than their days are worked out.
 */
export function parseMoments(moments: RetimeJob['moments']): ParsedMoments {
  const days = new Int32Array(moments.length);
  const minutes = new Int32Array(moments.length);
  const known = new Map<number, Day>();
  for (let at = 0; at < moments.length; at++) {
    const { at: text } = moments[at]!;
    const date =
      ((twoDigits(text, 0) * 100 + twoDigits(text, 2)) * 100 + twoDigits(text, 5)) * 100 + twoDigits(text, 8);
    let day = known.get(date);
    if (day === undefined) {
      const parsed = parseDay(text);
      known.set(date, (day = Number.isNaN(parsed) ? NO_DAY : parsed));
    }
    days[at] = day;
    minutes[at] = twoDigits(text, 11) * 60 + twoDigits(text, 14);
  }
  return { days, minutes };
}

const twoDigits = (text: string, from: number): number =>
  text.charCodeAt(from) * 10 + text.charCodeAt(from + 1) - 11 * '0'.charCodeAt(0);

/** What stands in the way of retiming a job that fits the schema. */
export function checkRetimeJob(job: RetimeJob, { days }: ParsedMoments): Problem[] {
  const weekStartsOn = job.destination.calendar.weekStartsOn ?? 1;
  const problems = [
    ...checkCalendar(job.source.calendar, '/source/calendar', weekStartsOn),
    ...checkMeetings(job.source.meetings ?? [], '/source/meetings'),
    ...checkCalendar(job.destination.calendar, '/destination/calendar', weekStartsOn),
    ...checkMeetings(job.destination.meetings ?? [], '/destination/meetings'),
  ];
  const { moments, byHand = {} } = job;
  const ids = numbered(moments.length, (at) => moments[at]!.id);
  let different = 0;
  for (let index = 0; index < moments.length; index++) {
    const { id, at } = moments[index]!;
    if (days[index] === NO_DAY) problems.push(noSuchDate(at, `/moments/${index}/at`));
    if (ids.numbers[index] === different) different++;
    else
      problems.push({
        code: 'idTwice',
        message: `The id “${id}” stands twice; each moment needs one of its own.`,
        where: `/moments/${index}/id`,
      });
  }
  const set = Object.entries(byHand);
  const known = new Set(set.length === 0 ? [] : moments.map(({ id }) => id));
  for (const [id, at] of set) {
    const where = `/byHand/${pointerPart(id)}`;
    if (!known.has(id))
      problems.push({
        code: 'noSuchMoment',
        message: `A date is set by hand for “${id}”, which is no moment of this job; use the id of one.`,
        where,
      });
    if (Number.isNaN(parseDay(at))) problems.push(noSuchDate(at, where));
  }
  if (job.now !== undefined && Number.isNaN(parseDay(job.now))) problems.push(noSuchDate(job.now, '/now'));
  return problems;
}
