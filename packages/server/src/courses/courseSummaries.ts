import { listOfRows } from '../database/lists.js';
import type { CourseSummary, RightsPerson } from '@yarin/core';
import type { EntityManager } from 'typeorm';

interface SummaryRow extends Omit<
  CourseSummary,
  'meetings' | 'staff' | 'instructorIds' | 'instructors' | 'archived' | 'openForReuse' | 'cancelled' | 'madeByHand'
> {
  readonly meetings: string;
  readonly staff: string;
  readonly archived: number;
  readonly openForReuse: number;
  readonly cancelled: number;
  readonly madeByHand: number;
}

/** The first `?` is the person who asks. */
const SUMMARY = `
  SELECT course.id, course.code, course.number, course.section, course.title, course.type, course.mode, course.campus,
         course.room, course.meetings, course.version, course.department, course.archived, course.cancelled,
         course.open_for_reuse AS openForReuse, course.made_by IS NOT NULL AS madeByHand,
         term.name AS term, coalesce(part.first_day, term.first_day) AS firstDay, coalesce(part.last_day, term.last_day) AS lastDay,
         (SELECT wants FROM access_ask
           WHERE course_id = course.id AND person_id = ? AND answer = 'granted' ORDER BY wants LIMIT 1) AS granted,
         (SELECT ${listOfRows({ id: 'id', name: 'name', role: 'role' })} FROM
           (SELECT person.id, person.given_name || ' ' || person.family_name AS name, course_staff.role
              FROM course_staff JOIN person ON person.id = course_staff.person_id
             WHERE course_staff.course_id = course.id ORDER BY person.family_name)) AS staff,
         (SELECT count(*) FROM item WHERE item.course_id = course.id) AS things,
         (SELECT count(*) FROM item WHERE item.course_id = course.id AND item.edited_at IS NULL) AS stockThings,
         (SELECT max(edited_at) FROM item WHERE item.course_id = course.id) AS editedAt
    FROM course JOIN term ON term.id = course.term_id LEFT JOIN term AS part ON part.id = course.part_id`;

function summaryOf({
  staff,
  meetings,
  archived,
  openForReuse,
  cancelled,
  madeByHand,
  ...row
}: SummaryRow): CourseSummary {
  const people = JSON.parse(staff) as CourseSummary['staff'];
  const instructors = people.filter(({ role }) => role === 'instructor');
  return {
    ...row,
    meetings: JSON.parse(meetings) as CourseSummary['meetings'],
    archived: archived === 1,
    openForReuse: openForReuse === 1,
    cancelled: cancelled === 1,
    madeByHand: madeByHand === 1,
    staff: people,
    instructorIds: instructors.map(({ id }) => id),
    instructors: instructors.map(({ name }) => name),
  };
}

/** Part of a WHERE clause, with the values of its `?`. */
export interface Condition {
  readonly sql: string;
  readonly values: readonly unknown[];
}

export async function summariesWhere(
  manager: EntityManager,
  personId: string,
  { sql, values }: Condition,
  order = 'course.code, course.number, term.first_day DESC, course.section',
): Promise<CourseSummary[]> {
  const rows = await manager.query<SummaryRow[]>(`${SUMMARY} WHERE ${sql} ORDER BY ${order}`, [personId, ...values]);
  return rows.map(summaryOf);
}

/** A course as the person who asks sees it in lists; `undefined` when there is none. */
export async function summariseCourse(
  manager: EntityManager,
  courseId: string,
  personId: string,
): Promise<CourseSummary | undefined> {
  const [course] = await summariesWhere(manager, personId, { sql: 'course.id = ?', values: [courseId] });
  return course;
}

/** The courses in whose staff a person is. */
export const isTaughtBy = (personId: string): Condition => ({
  sql: 'course.id IN (SELECT course_id FROM course_staff WHERE person_id = ?)',
  values: [personId],
});

/** No condition at all. */
export const EVERY: Condition = { sql: '1', values: [] };

export function allOf(...conditions: readonly Condition[]): Condition {
  const limiting = conditions.filter((condition) => condition !== EVERY);
  if (limiting.length === 0) return EVERY;
  return {
    sql: limiting.map(({ sql }) => `(${sql})`).join(' AND '),
    values: limiting.flatMap(({ values }) => values),
  };
}

/**
 * The courses that a person may read, as `mayDo('read', …)` of the core says it one by one.
 *
 * @param act  `use` leaves out those that they may only read
 */
export function isAllowed(act: 'read' | 'use', person: RightsPerson): Condition {
  const roles = act === 'read' ? ['instructor', 'designer', 'assistant'] : ['instructor', 'designer'];
  if (person.role === 'administrator' && person.department === null) return EVERY;
  // Each part by its own index, so that a person with few courses is served as fast among many.
  const standing: Condition[] = [
    { sql: `SELECT id FROM course WHERE type = 'template'`, values: [] },
    { sql: 'SELECT id FROM course WHERE open_for_reuse = 1', values: [] },
    {
      sql: `SELECT course_id FROM course_staff WHERE person_id = ? AND role IN (${roles.map(() => '?').join(', ')})`,
      values: [person.id, ...roles],
    },
    { sql: `SELECT course_id FROM access_ask WHERE person_id = ? AND answer = 'granted'`, values: [person.id] },
  ];
  if (person.role === 'administrator')
    standing.push({ sql: 'SELECT id FROM course WHERE department = ?', values: [person.department] });
  const any: Condition = {
    sql: `course.id IN (${standing.map(({ sql }) => sql).join(' UNION ALL ')})`,
    values: standing.flatMap(({ values }) => values),
  };
  if (person.actorsDepartment === null) return any;
  return allOf(any, { sql: 'course.department = ?', values: [person.actorsDepartment] });
}

/** All courses that a person may read, by code and term. */
export const readableCourses = (manager: EntityManager, person: RightsPerson): Promise<CourseSummary[]> =>
  summariesWhere(manager, person.id, isAllowed('read', person));
