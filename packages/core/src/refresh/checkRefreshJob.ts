import { checkCalendar, checkMeetings } from '../calendar/checkCalendar.js';
import { checkCourse } from '../course/checkCourse.js';
import { pointerPart, type Problem } from '../problem.js';
import type { RefreshJob } from '../schemas/refreshJob.js';

/** Units that are missing are no hindrance: the item stands at the top of its course. */
const HARMLESS = new Set(['noSuchParent']);

/** What the schema of a refresh job can't see: a course that makes no sense, calendars that are none, things that it has not. */
export function refreshJobProblems({ course, destination, brought = {} }: RefreshJob): Problem[] {
  const weekStartsOn = destination.calendar.weekStartsOn ?? 1;
  const ids = new Set(course.items.map(({ id }) => id));
  return [
    ...checkCourse(course, '/course', weekStartsOn).filter(({ code }) => !HARMLESS.has(code)),
    ...checkCalendar(destination.calendar, '/destination/calendar', weekStartsOn),
    ...checkMeetings(destination.meetings ?? [], '/destination/meetings'),
    ...Object.keys(brought)
      .filter((id) => !ids.has(id))
      .map((id) => ({
        code: 'noSuchItem',
        message: `“${id}” is no thing of the course; use the id of one of its items.`,
        where: `/brought/${pointerPart(id)}`,
      })),
  ];
}
