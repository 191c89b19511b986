import { holdsWords, wordsIn, type FoundThing, type FoundView, type Kind, type RightsPerson } from '@yarin/core';
import type { EntityManager } from 'typeorm';

interface ThingRow {
  readonly courseId: string;
  readonly code: string;
  readonly number: string;
  readonly section: string;
  readonly term: string;
  readonly key: string;
  readonly kind: Kind;
  readonly title: string;
}

const SHORTEST = 2;

/** Things in the courses of a person whose title holds every word, the latest term first; who acts for them sees those of their department. */
export async function findThings(
  manager: EntityManager,
  { id: personId, actorsDepartment }: RightsPerson,
  typed: string,
  most: number,
): Promise<Pick<FoundView, 'things' | 'thingsTotal'>> {
  const words = wordsIn(typed);
  if (words.join('').length < SHORTEST) return { things: [], thingsTotal: 0 };
  const rows = await manager.query<ThingRow[]>(
    `SELECT course.id AS courseId, course.code, course.number, course.section, term.name AS term,
            item.key, item.kind, item.title
       FROM course_staff JOIN course ON course.id = course_staff.course_id JOIN term ON term.id = course.term_id
            JOIN item ON item.course_id = course.id
      WHERE course_staff.person_id = ? AND (? IS NULL OR course.department = ?) ORDER BY term.first_day DESC, course.id, item.position`,
    [personId, actorsDepartment, actorsDepartment],
  );
  const found = rows.filter(({ title }) => holdsWords(title, words));
  const things = found
    .slice(0, most)
    .map(({ courseId, code, number, section, term, key, kind, title }): FoundThing => ({
      courseId,
      courseCode: `${code} ${number}-${section}`,
      term,
      key,
      title,
      kind,
    }));
  return { things, thingsTotal: found.length };
}
