import { LEARNER_SORTS, type LearnerSort } from '@yarin/core';
import type { EntityManager } from 'typeorm';

/** How many rows of each sort of learner data a course has. */
export async function learnerCounts(manager: EntityManager, courseId: string): Promise<Record<LearnerSort, number>> {
  const rows = await manager.query<{ sort: LearnerSort; count: number }[]>(
    'SELECT sort, count(*) AS count FROM learner_record WHERE course_id = ? GROUP BY sort',
    [courseId],
  );
  const counts = new Map(rows.map(({ sort, count }) => [sort, count]));
  return Object.fromEntries(LEARNER_SORTS.map((sort) => [sort, counts.get(sort) ?? 0])) as Record<LearnerSort, number>;
}
