import { checkCalendar, checkMeetings } from '../calendar/checkCalendar.js';
import { parseDay, parseMinute } from '../calendar/day.js';
import type { Problem } from '../problem.js';
import type { RetimeJob } from '../schemas/retimeJob.js';
import { numbered } from './numbered.js';

const noSuchDate = (at: string, where: string): Problem => ({
  code: 'noSuchDate',
  message: `${at.slice(0, 10)} is not on any calendar; give a date that exists, as YYYY-MM-DDTHH:mm.`,
  where,
});

const pointer = (key: string): string => key.replaceAll('~', '~0').replaceAll('/', '~1');

/** The moments of a job as numbers, read once; the day of one that does not exist is `NO_DAY`. */
export interface ParsedMoments {
  readonly days: Int32Array;
  readonly minutes: Int32Array;
}

/** Far from every day that four digits of a year can name. */
const NO_DAY = -(2 ** 31);

const TIME_AT = 'YYYY-MM-DDT'.length;

export function parseMoments(moments: RetimeJob['moments']): ParsedMoments {
  const days = new Int32Array(moments.length);
  const minutes = new Int32Array(moments.length);
  for (let at = 0; at < moments.length; at++) {
    const { at: text } = moments[at]!;
    const day = parseDay(text);
    days[at] = Number.isNaN(day) ? NO_DAY : day;
    minutes[at] = parseMinute(text, TIME_AT);
  }
  return { days, minutes };
}

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
    const where = `/byHand/${pointer(id)}`;
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
