import type { EntityManager } from 'typeorm';

/** A thing that somebody took out of a course and that can be put back. */
export interface Removal {
  readonly key: string;
  readonly title: string;
  readonly at: string;
  readonly deedId: number;
}

const MOST_REMOVALS = 20;

/**
 * What was taken out of a course by hand and is not there, the latest first.
 *
 * @param key  one thing alone
 */
export const lastRemovals = (manager: EntityManager, courseId: string, key: string | null = null): Promise<Removal[]> =>
  manager.query(
    `SELECT operation.key, operation.before->>'title' AS title, deed.at, deed.id AS deedId
       FROM deed CROSS JOIN operation ON operation.deed_id = deed.id
      WHERE deed.course_id = ? AND deed.run_id IS NULL AND deed.takes_back IS NULL AND deed.undone_by IS NULL
        AND operation.op = 'removed' AND (? IS NULL OR operation.key = ?)
        AND NOT EXISTS (SELECT 1 FROM item WHERE item.course_id = deed.course_id AND item.key = operation.key)
      ORDER BY deed.id DESC LIMIT ${MOST_REMOVALS}`,
    [courseId, key, key],
  );
