import { checkCalendar, checkMeetings } from '../calendar/checkCalendar.js';
import { parseDay } from '../calendar/day.js';
import type { Problem } from '../problem.js';
import type { RetimeJob } from '../schemas/retimeJob.js';

const noSuchDate = (at: string, where: string): Problem => ({
  code: 'noSuchDate',
  message: `${at.slice(0, 10)} is not on any calendar; give a date that exists, as YYYY-MM-DDTHH:mm.`,
  where,
});

const pointer = (key: string): string => key.replaceAll('~', '~0').replaceAll('/', '~1');

/** What stands in the way of retiming a job that fits the schema. */
export function checkRetimeJob(job: RetimeJob): Problem[] {
  const weekStartsOn = job.destination.calendar.weekStartsOn ?? 1;
  const problems = [
    ...checkCalendar(job.source.calendar, '/source/calendar', weekStartsOn),
    ...checkMeetings(job.source.meetings ?? [], '/source/meetings'),
    ...checkCalendar(job.destination.calendar, '/destination/calendar', weekStartsOn),
    ...checkMeetings(job.destination.meetings ?? [], '/destination/meetings'),
  ];
  const ids = new Set<string>();
  job.moments.forEach(({ id, at }, index) => {
    if (Number.isNaN(parseDay(at))) problems.push(noSuchDate(at, `/moments/${index}/at`));
    if (ids.has(id))
      problems.push({
        code: 'idTwice',
        message: `The id “${id}” stands twice; each moment needs one of its own.`,
        where: `/moments/${index}/id`,
      });
    ids.add(id);
  });
  for (const [id, at] of Object.entries(job.byHand ?? {})) {
    const where = `/byHand/${pointer(id)}`;
    if (!ids.has(id))
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
