import { partCalendar, withAdditions, type Calendar, type CourseTime, type TermCalendar } from '@yarin/core';
import { In, IsNull, type EntityManager } from 'typeorm';
import { countOf, countUp } from '../database/counters.js';
import { CourseRow } from '../database/entities/course.js';
import { TermRow } from '../database/entities/term.js';

/** The calendar of a course as it holds: that of its term or of a part of it, with what the course adds. */
export async function calendarOfCourse(
  manager: EntityManager,
  { partId, calendarAdditions }: Pick<CourseRow, 'partId' | 'calendarAdditions'>,
  term: TermRow,
): Promise<Calendar> {
  const part = partId === null ? null : await manager.findOneBy(TermRow, { id: partId });
  return withAdditions(part === null ? term.calendar : partCalendar(term.calendar, part.calendar), calendarAdditions);
}

/** The calendars and class days of courses as they hold now, by course. */
export async function timesOf(
  manager: EntityManager,
  courseIds: readonly string[],
): Promise<Record<string, CourseTime>> {
  const rows = await manager.findBy(CourseRow, { id: In([...courseIds]) });
  const terms = new Map((await manager.find(TermRow)).map((term) => [term.id, term]));
  const times: Record<string, CourseTime> = {};
  for (const row of rows)
    times[row.id] = {
      calendar: await calendarOfCourse(manager, row, terms.get(row.termId)!),
      meetings: row.meetings,
    };
  return times;
}

/** Goes up whenever a term of the college is added, changed or taken away. */
export const termsVersion = (manager: EntityManager): Promise<number> => countOf(manager, 'terms');

/** Whoever writes terms says so: everything that is kept by their version is worked out anew. */
export async function termsChanged(manager: EntityManager): Promise<void> {
  await countUp(manager, 'terms');
}

/** The calendars of all whole terms. */
export async function termCalendars(manager: EntityManager): Promise<Calendar[]> {
  const rows = await manager.find(TermRow, { where: { parentId: IsNull() }, order: { firstDay: 'ASC' } });
  return rows.map(({ calendar, name }) => ({ ...calendar, name }));
}

/** Every term and part, the latest first, a part behind its term. */
export async function readTerms(manager: EntityManager): Promise<TermCalendar[]> {
  const rows = await manager.find(TermRow, { order: { firstDay: 'DESC', name: 'ASC' } });
  const counts = await manager.query<{ id: string; courses: number }[]>(
    'SELECT coalesce(part_id, term_id) AS id, count(*) AS courses FROM course GROUP BY 1',
  );
  const courses = new Map(counts.map(({ id, courses }) => [id, courses]));
  const view = (row: TermRow, calendar: Calendar): TermCalendar => ({
    id: row.id,
    name: row.name,
    parentId: row.parentId,
    version: row.version,
    own: row.calendar,
    calendar,
    courses: courses.get(row.id) ?? 0,
  });
  return rows
    .filter(({ parentId }) => parentId === null)
    .flatMap((term) => [
      view(term, term.calendar),
      ...rows
        .filter(({ parentId }) => parentId === term.id)
        .sort((a, b) => (a.firstDay < b.firstDay ? -1 : 1))
        .map((part) => view(part, partCalendar(term.calendar, part.calendar))),
    ]);
}
