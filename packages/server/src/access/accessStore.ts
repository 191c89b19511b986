import { VALUES } from '../database/lists.js';
import { mayDo, type AccessAsk, type AccessView, type CourseSummary, type Wanted } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { summariesWhere, summariseCourse } from '../courses/courseSummaries.js';
import { PersonRow } from '../database/entities/person.js';
import { conflict, notFound } from '../http/httpProblem.js';
import type { Asker } from '../people/asker.js';
import { demand } from '../courses/rights.js';

interface AskRow extends Omit<AccessAsk, 'course' | 'unasked'> {
  /** 0 or 1. */
  readonly unasked: number;
  readonly courseId: string;
  readonly personId: string;
}

const ASK = `
  SELECT ask.id, ask.course_id AS courseId, ask.person_id AS personId, ask.wants, ask.words, ask.unasked = 1 AS unasked, ask.asked_at AS askedAt,
         ask.answer, ask.answered_at AS answeredAt, ask.answer_words AS answerWords,
         asker.given_name || ' ' || asker.family_name AS person,
         owner.given_name || ' ' || owner.family_name AS answeredBy
    FROM access_ask AS ask JOIN person AS asker ON asker.id = ask.person_id LEFT JOIN person AS owner ON owner.id = ask.answered_by`;

async function asksWhere(
  manager: EntityManager,
  asker: Asker,
  sql: string,
  values: unknown[],
): Promise<[AskRow, AccessAsk][]> {
  const rows = await manager.query<AskRow[]>(
    `${ASK} WHERE ${sql} ORDER BY ask.answer IS NOT NULL, ask.asked_at DESC`,
    values,
  );
  const courses = await summariesWhere(manager, asker.id, {
    sql: `course.id IN ${VALUES}`,
    values: [JSON.stringify(rows.map(({ courseId }) => courseId))],
  });
  const byId = new Map(courses.map((course) => [course.id, course]));
  return rows.flatMap((row): [AskRow, AccessAsk][] => {
    const { courseId, personId: _asker, unasked, ...ask } = row;
    const course = byId.get(courseId);
    return course === undefined ? [] : [[row, { ...ask, unasked: unasked === 1, course }]];
  });
}

/** What a person asked for, and what others ask of them: of the courses that they teach; who acts for them sees those of their department. */
export async function readAccess(manager: EntityManager, asker: Asker): Promise<AccessView> {
  const mine = await asksWhere(manager, asker, 'ask.person_id = ?', [asker.id]);
  const others = await asksWhere(
    manager,
    asker,
    `ask.course_id IN (SELECT course_id FROM course_staff WHERE person_id = ? AND role = 'instructor')`,
    [asker.id],
  );
  const { actorsDepartment } = asker;
  const seen = (asks: readonly [AskRow, AccessAsk][]): AccessAsk[] =>
    asks.flatMap(([, ask]) => (actorsDepartment === null || ask.course.department === actorsDepartment ? [ask] : []));
  return { mine: seen(mine), askedOfMe: seen(others) };
}

/** Everybody who asked to be let into a course. */
export const asksOfCourse = async (manager: EntityManager, asker: Asker, courseId: string): Promise<AccessAsk[]> =>
  (await asksWhere(manager, asker, 'ask.course_id = ?', [courseId])).map(([, ask]) => ask);

/** An ask that the person may answer. */
export async function demandAsk(manager: EntityManager, asker: Asker, id: string, today: string): Promise<void> {
  const [found] = await asksWhere(manager, asker, 'ask.id = ?', [id]);
  if (found === undefined) throw notFound('Nobody asks this any more.');
  demand(mayDo('share', asker, found[1].course, today));
}

/** Somebody who may be let into a course: known, and not in already. */
export async function demandOutside(
  manager: EntityManager,
  courseId: string,
  personId: string,
  wants: Wanted,
  today: string,
): Promise<void> {
  const person = await manager.findOneBy(PersonRow, { id: personId });
  if (person === null) throw notFound(`There is nobody with the id “${personId}”; choose one of the people listed.`);
  const { isAllowed } = await courseToAsk(manager, { ...person, actorsDepartment: null }, courseId, wants, today);
  if (isAllowed) throw conflict(`${person.givenName} ${person.familyName} may do this already.`);
}

/** Whether asking makes sense: the course is there, and the person may not do it already. */
export async function courseToAsk(
  manager: EntityManager,
  asker: Asker,
  courseId: string,
  wants: Wanted,
  today: string,
): Promise<{ readonly course: CourseSummary; readonly isAllowed: boolean }> {
  const course = await summariseCourse(manager, courseId, asker.id);
  if (course === undefined) throw notFound(`There is no course with the id “${courseId}”.`);
  return { course, isAllowed: mayDo(wants, asker, course, today).may };
}
