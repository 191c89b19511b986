import { ROWS, VALUES } from '../database/lists.js';
import { writes, type Operation } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { notFound } from '../http/httpProblem.js';

/** What somebody asks to be taken back of a run; all when nothing is named. */
export interface PartAsked {
  /** Things; of a unit all that stands in it. */
  readonly keys?: readonly string[] | undefined;
  /** The dates alone. */
  readonly dates?: boolean | undefined;
}

/** The things that are taken back, all when absent; or their dates alone. */
export interface Part {
  readonly keys?: ReadonlySet<string>;
  readonly dates?: boolean | undefined;
}

/**
 * The things that a part holds: units with all that stands in them, and gradebook lines of the run that nothing else is
 * graded in.
 */
export async function partOf(
  manager: EntityManager,
  courseId: string,
  operations: readonly Operation[],
  { keys, dates }: PartAsked,
): Promise<Part> {
  if (keys === undefined) return { dates };
  const written = new Set(operations.filter(writes).map(({ key }) => key));
  if (!keys.every((key) => written.has(key)))
    throw notFound('One of these things did not come with this run, or is not there any more. Nothing was taken back.');
  const rows = await manager.query<{ key: string }[]>(
    `WITH RECURSIVE part(key) AS (
       SELECT value FROM ${ROWS}
       UNION SELECT item.key FROM item JOIN part ON item.parent_key = part.key WHERE item.course_id = ?)
     SELECT key FROM part`,
    [JSON.stringify(keys), courseId],
  );
  const part = JSON.stringify(rows.map(({ key }) => key));
  const lines = await manager.query<{ key: string }[]>(
    `SELECT line.key FROM item AS line
      WHERE line.course_id = ? AND line.kind = 'lineItem' AND line.key IN ${VALUES}
        AND line.key IN (SELECT to_key FROM item_link WHERE course_id = ? AND type = 'gradedIn'
                          AND from_key IN ${VALUES})
        AND line.key NOT IN (SELECT to_key FROM item_link WHERE course_id = ? AND type = 'gradedIn'
                              AND from_key NOT IN ${VALUES})`,
    [courseId, JSON.stringify([...written]), courseId, part, courseId, part],
  );
  return { keys: new Set([...rows, ...lines].map(({ key }) => key)), dates };
}
