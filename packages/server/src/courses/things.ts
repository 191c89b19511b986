import { ROWS, VALUES } from '../database/lists.js';
import type { SnapshotItem } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { insertLinks, insertMoments } from './courseWriter.js';

/**
 * The version that a thing has when it is written: one that no thing of its course has had, so that what is put back as it was
 * is never taken for what somebody wrote since.
 */
export const NEXT_VERSION = `max(item.version, (SELECT version FROM course WHERE course.id = item.course_id)) + 1`;

/** Removes the moments and links that hang on things. */
export async function removeHanging(manager: EntityManager, courseId: string, keys: readonly string[]): Promise<void> {
  const wanted = JSON.stringify(keys);
  for (const [table, key] of [
    ['moment', 'item_key'],
    ['item_link', 'from_key'],
  ])
    await manager.query(`DELETE FROM ${table} WHERE course_id = ? AND ${key} IN ${VALUES}`, [courseId, wanted]);
}

/** Removes things with all that hangs on them. */
export async function removeThings(manager: EntityManager, courseId: string, keys: readonly string[]): Promise<void> {
  if (keys.length === 0) return;
  await removeHanging(manager, courseId, keys);
  await manager.query(`DELETE FROM item WHERE course_id = ? AND key IN ${VALUES}`, [courseId, JSON.stringify(keys)]);
}

/** Puts things where they stood, with their dates and links, versions and all; what stands there under their keys gives way. */
export async function putThings(
  manager: EntityManager,
  courseId: string,
  things: readonly SnapshotItem[],
): Promise<void> {
  if (things.length === 0) return;
  await removeThings(
    manager,
    courseId,
    things.map(({ id }) => id),
  );
  await manager.query(
    `INSERT INTO item (course_id, key, kind, title, body_hash, parent_key, position, state, state_before, ever_open, points,
                       details, content_hash, edited_at, version, edited_by)
     SELECT ?, value->>'id', value->>'kind', value->>'title', value->>'bodyHash', value->>'parent', value->>'position',
            value->>'state', value->>'stateBefore', value->>'everOpen', value->>'points', value->'details',
            value->>'contentHash', value->>'editedAt', value->>'version', value->>'editedBy'
       FROM ${ROWS}`,
    [courseId, JSON.stringify(things.map(({ moments: _moments, links: _links, ...row }) => row))],
  );
  await insertMoments(manager, courseId, things);
  await insertLinks(manager, courseId, things);
}
