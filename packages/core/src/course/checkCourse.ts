import { checkCalendar, checkMeetings } from '../calendar/checkCalendar.js';
import { parseDay, type Weekday } from '../calendar/day.js';
import type { Problem } from '../problem.js';
import type { Course, Item } from '../schemas/course.js';

/**
 * What no schema can see of a course: ids that stand twice, days that are on no calendar, a calendar that makes no
 * sense, a parent that is not there.
 *
 * @param where         JSON Pointer of the course in the input
 * @param weekStartsOn  the weekday that weeks are cut on; the course's own when absent
 */
export function checkCourse(course: Course, where: string, weekStartsOn?: Weekday): Problem[] {
  const cutOn = weekStartsOn ?? course.calendar.weekStartsOn ?? 1;
  return [
    ...checkCalendar(course.calendar, `${where}/calendar`, cutOn),
    ...checkMeetings(course.meetings ?? [], `${where}/meetings`),
    ...checkItems(course.items, `${where}/items`),
  ];
}

function checkItems(items: readonly Item[], where: string): Problem[] {
  const problems: Problem[] = [];
  const ids = new Set<string>();
  const momentIds = new Set<string>();
  const twice = (id: string, at: string): void => {
    problems.push({ code: 'idTwice', message: `The id “${id}” stands twice; each needs one of its own.`, where: at });
  };
  items.forEach((item, index) => {
    if (ids.has(item.id)) twice(item.id, `${where}/${index}/id`);
    ids.add(item.id);
    (item.moments ?? []).forEach(({ id, at }, place) => {
      const moment = `${where}/${index}/moments/${place}`;
      if (momentIds.has(id)) twice(id, `${moment}/id`);
      momentIds.add(id);
      if (Number.isNaN(parseDay(at)))
        problems.push({
          code: 'noSuchDate',
          message: `${at} is not on any calendar; give a date that exists.`,
          where: `${moment}/at`,
        });
    });
  });
  items.forEach(({ parent }, index) => {
    if (parent !== undefined && !ids.has(parent))
      problems.push({
        code: 'noSuchParent',
        message: `The parent “${parent}” is not in this course; use the id of one of its items.`,
        where: `${where}/${index}/parent`,
      });
  });
  return problems;
}
