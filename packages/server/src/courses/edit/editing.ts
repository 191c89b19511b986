import { contentHash, operationsBetween, type CourseFields, type Kind, type SnapshotItem } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { noteDeed, type Doer } from '../../history/deeds.js';
import { insertOperations } from '../../history/operationStore.js';
import { notFound } from '../../http/httpProblem.js';
import { nativeHash } from '../nativeHash.js';
import { readItem, readThings } from '../courseStore.js';
import { insertLinks, insertMoments } from '../courseWriter.js';
import { NEXT_VERSION, removeHanging } from '../things.js';

/** What every edit of a course comes with: by whom and when. */
export interface EditOf {
  readonly courseId: string;
  readonly doer: Doer;
  readonly at: string;
}

/** The item that an edit is about; it may have gone while somebody wrote. */
export async function itemToEdit(manager: EntityManager, courseId: string, key: string): Promise<SnapshotItem> {
  const item = await readItem(manager, courseId, key);
  if (item === undefined)
    throw notFound(
      'This thing was removed from the course meanwhile. What you wrote was not saved; copy it before you leave.',
    );
  return item;
}

/** Things as they stood before an edit, by their keys; `undefined` where none stood. */
export type Before = ReadonlyMap<string, SnapshotItem | undefined>;

/** How the things that an edit may change stand before it. */
export async function standingBefore(
  manager: EntityManager,
  courseId: string,
  keys: readonly string[],
): Promise<Before> {
  const things = await readThings(manager, courseId, keys);
  return new Map(keys.map((key) => [key, things.get(key)]));
}

export interface Done {
  readonly what: string;
  readonly itemKey?: string | undefined;
  /** The things that it may have changed. */
  readonly before?: Before | undefined;
  /** What was set for the whole course, before and after. */
  readonly set?: { readonly before: CourseFields; readonly after: CourseFields } | undefined;
  /** A plan moved dates of what it had brought. */
  readonly isFix?: boolean | undefined;
}

/** Notes an edit in the history with all that it changed, and that the course is not what it was. */
export async function courseChanged(
  manager: EntityManager,
  { courseId, doer, at }: EditOf,
  { what, itemKey, before = new Map(), set = { before: {}, after: {} }, isFix }: Done,
): Promise<void> {
  await manager.query('UPDATE course SET version = version + 1 WHERE id = ?', [courseId]);
  const deed = await noteDeed(manager, doer, { courseId, at, what, itemKey, isFix });
  const stood = new Map([...before].flatMap(([key, thing]) => (thing === undefined ? [] : [[key, thing] as const])));
  const operations = operationsBetween(
    courseId,
    { things: stood, set: set.before },
    { things: await readThings(manager, courseId, [...before.keys()]), set: set.after },
  );
  await insertOperations(manager, deed, operations);
}

export interface ItemToInsert {
  readonly key: string;
  readonly kind: Kind;
  readonly title: string;
  readonly parent: string | null;
  readonly state: 'open' | 'draft';
}

/** Inserts an item at the end of its unit; `writeItem` then gives it what it says. */
export async function insertItem(
  manager: EntityManager,
  courseId: string,
  { key, kind, title, parent, state }: ItemToInsert,
): Promise<void> {
  await manager.query(
    `INSERT INTO item (course_id, key, kind, title, parent_key, position, state, content_hash)
     VALUES (?, ?, ?, ?, ?, coalesce((SELECT max(position) FROM item WHERE course_id = ? AND parent_key IS ?), 0) + 1, ?, '')`,
    [courseId, key, kind, title, parent, courseId, parent, state],
  );
}

/** Writes an item over, with everything that hangs on it, and its hash. The version counts up. */
export async function writeItem(
  manager: EntityManager,
  { courseId, doer, at }: EditOf,
  item: SnapshotItem,
): Promise<void> {
  await manager.query(
    `UPDATE item SET title = ?, body_hash = ?, state = ?, points = ?, details = ?, content_hash = ?, edited_at = ?,
            edited_by = ?, version = ${NEXT_VERSION} WHERE course_id = ? AND key = ?`,
    [
      item.title,
      item.bodyHash ?? null,
      item.state ?? 'open',
      item.points ?? null,
      item.details === undefined ? null : JSON.stringify(item.details),
      contentHash(item, item.bodyHash, nativeHash),
      at,
      doer.personId,
      courseId,
      item.id,
    ],
  );
  await removeHanging(manager, courseId, [item.id]);
  await insertMoments(manager, courseId, [item]);
  await insertLinks(manager, courseId, [item]);
}
