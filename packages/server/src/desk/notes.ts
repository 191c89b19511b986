import { VALUES } from '../database/lists.js';
import type { CourseSummary, NoteToNextTerm } from '@yarin/core';
import type { EntityManager } from 'typeorm';

const MOST_NOTES = 8;

/** Notes that were left beside things of these courses for whoever brings them on. */
export async function coursesWithNotes(
  manager: EntityManager,
  courses: readonly CourseSummary[],
): Promise<NoteToNextTerm[]> {
  return manager.query<NoteToNextTerm[]>(
    `SELECT mark.course_id AS courseId, mark.item_key AS itemKey, item.title, mark.note
       FROM mark JOIN item ON item.course_id = mark.course_id AND item.key = mark.item_key
      WHERE mark.note IS NOT NULL AND mark.course_id IN ${VALUES} ORDER BY item.title LIMIT ${MOST_NOTES}`,
    [JSON.stringify(courses.map(({ id }) => id))],
  );
}
