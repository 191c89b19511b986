import type { CourseFields } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { CourseRow } from '../database/entities/course.js';
import { indexCourses } from './findIndex.js';

/** What is set for a course as a whole. */
export async function readCourseFields(manager: EntityManager, courseId: string): Promise<CourseFields> {
  const row = await manager.findOneByOrFail(CourseRow, { id: courseId });
  const { title, room, startsOn, endsOn, openToLearners, openForReuse, archived, partId, meetings } = row;
  return {
    ...{ title, room, startsOn, endsOn, openToLearners, openForReuse, archived, partId, meetings },
    additions: row.calendarAdditions,
  };
}

/** Sets what is named for a course as a whole, with what follows from it. */
export async function writeCourseFields(
  manager: EntityManager,
  courseId: string,
  { archived, additions, ...fields }: CourseFields,
): Promise<void> {
  const columns = { ...fields, ...(additions === undefined ? {} : { calendarAdditions: additions }) };
  if (Object.keys(columns).length > 0) await manager.update(CourseRow, { id: courseId }, columns as Partial<CourseRow>);
  if (archived !== undefined) await setArchived(manager, courseId, archived);
  const isFoundBy = [fields.title, fields.meetings, archived].some((each) => each !== undefined);
  if (isFoundBy) await indexCourses(manager, [courseId]);
}

/** Puts a course out of the way, or brings it back; every thing has the state again that it had before. */
async function setArchived(manager: EntityManager, courseId: string, archived: boolean): Promise<void> {
  await manager.update(CourseRow, { id: courseId }, { archived });
  await manager.query(
    archived
      ? `UPDATE item SET state_before = state, state = 'hidden' WHERE course_id = ?`
      : `UPDATE item SET state = coalesce(state_before, state), state_before = NULL WHERE course_id = ?`,
    [courseId],
  );
}
