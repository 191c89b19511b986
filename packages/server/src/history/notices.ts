import { VALUES } from '../database/lists.js';
import type { CourseSummary, RosterNotice } from '@yarin/core';
import type { EntityManager } from 'typeorm';

const MOST_NOTICES = 12;

/** What the roster changed in these courses, the latest first. */
export const noticesOf = (
  manager: EntityManager,
  courses: readonly Pick<CourseSummary, 'id'>[],
): Promise<RosterNotice[]> =>
  manager.query(
    `SELECT course_id AS courseId, at, sentence FROM roster_notice
      WHERE course_id IN ${VALUES} ORDER BY id DESC LIMIT ${MOST_NOTICES}`,
    [JSON.stringify(courses.map(({ id }) => id))],
  );
