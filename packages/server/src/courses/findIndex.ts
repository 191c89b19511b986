import { ROWS, VALUES } from '../database/lists.js';
import { findableWords, parseDay, type FindableCourse, type Meeting } from '@yarin/core';
import type { DataSource, EntityManager } from 'typeorm';

interface IndexedRow extends Omit<FindableCourse, 'people' | 'archived' | 'weekdays'> {
  readonly row: number;
  readonly findId: number | null;
  readonly people: string;
  readonly archived: number;
  /** A list as JSON. */
  readonly meetings: string;
}

/** Rows of the index stand by term, so that the latest come first without sorting. */
const TERM_STEP = 100_000_000;

/**
 * Writes the find index of courses anew; call it in the transaction that changed what they are found by.
 *
 * @param courseIds  all courses when absent
 */
export async function indexCourses(manager: EntityManager, courseIds?: readonly string[]): Promise<void> {
  const rows = await manager.query<IndexedRow[]>(
    `SELECT course.rowid AS row, course.find_id AS findId, course.id, course.code, course.number, course.section,
            course.title, course.campus, course.type, course.archived, course.meetings, term.name AS term,
            term.first_day AS firstDay,
            coalesce((SELECT group_concat(given_name || ' ' || family_name, ' ')
               FROM course_staff JOIN person ON person.id = course_staff.person_id
              WHERE course_staff.course_id = course.id AND course_staff.role <> 'assistant'), '') AS people
       FROM course JOIN term ON term.id = course.term_id
      WHERE ${courseIds === undefined ? '1' : `course.id IN ${VALUES}`}`,
    courseIds === undefined ? [] : [JSON.stringify(courseIds)],
  );
  const indexed = rows.map(({ people, row, archived, meetings, ...course }) => {
    const weekdays = (JSON.parse(meetings) as Meeting[]).map(({ weekday }) => weekday);
    return {
      id: course.id,
      findId: (parseDay(course.firstDay) + 1) * TERM_STEP + row,
      words: findableWords({ ...course, people: [people], archived: archived === 1, weekdays }).join(' '),
    };
  });
  await forget(
    manager,
    rows.flatMap(({ findId }) => findId ?? []),
  );
  await manager.query(
    `WITH fresh AS MATERIALIZED (SELECT value->>'id' AS id, value->>'findId' AS find_id FROM ${ROWS})
     UPDATE course SET find_id = fresh.find_id FROM fresh WHERE course.id = fresh.id`,
    [JSON.stringify(indexed)],
  );
  await manager.query(`INSERT INTO course_find (rowid, words) SELECT value->>'findId', value->>'words' FROM ${ROWS}`, [
    JSON.stringify(indexed),
  ]);
  const words = new Set(indexed.flatMap((course) => course.words.split(' ').filter(isMistakable)));
  await manager.query(`INSERT OR IGNORE INTO find_word (word) SELECT value FROM ${ROWS}`, [JSON.stringify([...words])]);
}

/** Writes the index of courses that have none yet: those of a database that is older than the index. */
export async function indexMissing(source: DataSource): Promise<void> {
  const missing = await source.query<{ id: string }[]>('SELECT id FROM course WHERE find_id IS NULL');
  if (missing.length === 0) return;
  await source.transaction((manager) =>
    indexCourses(
      manager,
      missing.map(({ id }) => id),
    ),
  );
}

/** Only words of letters are looked for with one of them wrong. */
const isMistakable = (word: string): boolean => /^\p{L}{3,}$/u.test(word);

/** Takes courses out of the find index. */
export async function forget(manager: EntityManager, findIds: readonly number[]): Promise<void> {
  await manager.query(`DELETE FROM course_find WHERE rowid IN ${VALUES}`, [JSON.stringify(findIds)]);
}
