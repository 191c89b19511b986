import { findableWords, holdsWords, wordsAsked, type ClosedCourse, type CourseSummary } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { allOf, EVERY, isAllowed, summariesWhere } from '../courses/courseSummaries.js';
import type { Asker } from '../people/asker.js';
import { beginsAll, conditionsOf, HOLDS, MOST_WORDS, type FindFilters } from './findCourses.js';

/** So many of the courses that the index gives are looked at; more words lead further. */
const LOOKED_AT = 200;

/**
 * Courses that hold something and are not open to whoever looks. They are found by code, term and teacher alone, so that
 * whoever knows of one can ask for it, and nobody learns what else there is.
 *
 * @see docs/rules.md, "Finding a course"
 */
export async function findClosed(
  manager: EntityManager,
  asker: Asker,
  typed: string,
  filters: FindFilters,
  today: string,
): Promise<ClosedCourse[]> {
  const words = wordsAsked(typed, today).slice(0, MOST_WORDS);
  const open = isAllowed('read', asker);
  if (words.length === 0 || open === EVERY) return [];
  const where = allOf(
    { sql: 'course.find_id IN (SELECT rowid FROM course_find WHERE course_find MATCH ?)', values: [beginsAll(words)] },
    { sql: `NOT (${open.sql}) AND course.cancelled = 0`, values: open.values },
    HOLDS,
    ...conditionsOf(asker, filters, today),
  );
  const courses = await summariesWhere(
    manager,
    asker.id,
    {
      sql: `course.id IN (SELECT course.id FROM course JOIN term ON term.id = course.term_id
                           WHERE ${where.sql} ORDER BY course.find_id DESC LIMIT ${LOOKED_AT})`,
      values: where.values,
    },
    'term.first_day DESC, course.code, course.number, course.section',
  );
  const asked = await askedBy(manager, asker.id);
  return courses
    .filter((course) => holdsWords(toldOf(course), words))
    .map(({ id, code, number, section, type, term, instructors }) => ({
      id,
      code,
      number,
      section,
      type,
      term,
      instructors,
      asked: asked.has(id),
    }));
}

const toldOf = ({ code, number, section, type, term, firstDay, instructors }: CourseSummary): string =>
  findableWords({
    ...{ id: '', title: '', campus: null, archived: false, weekdays: [] },
    ...{ code, number, section, type, term, firstDay, people: instructors },
  }).join(' ');

async function askedBy(manager: EntityManager, personId: string): Promise<ReadonlySet<string>> {
  const asks = await manager.query<{ courseId: string }[]>(
    `SELECT course_id AS courseId FROM access_ask WHERE person_id = ? AND wants = 'use' AND answer IS NULL`,
    [personId],
  );
  return new Set(asks.map(({ courseId }) => courseId));
}
