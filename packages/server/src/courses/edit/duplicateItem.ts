import { ROWS } from '../../database/lists.js';
import type { EntityManager } from 'typeorm';
import { contentHash, textHash, withKeysOf, type SnapshotItem } from '@yarin/core';
import { conflict } from '../../http/httpProblem.js';
import { nativeHash } from '../nativeHash.js';
import type { Command } from '../../database/command.js';
import { readSnapshot, readText } from '../courseStore.js';
import { insertBodies, insertLinks, insertMoments } from '../courseWriter.js';
import { courseChanged, itemToEdit, standingBefore, type EditOf } from './editing.js';

export interface Duplication extends EditOf {
  readonly key: string;
  /** A word that makes the new keys unique. */
  readonly mark: string;
}

/**
 * Copies an item of a course right behind itself, as a draft, a unit with all that it holds. Links among what is copied
 * lead to the copies; a gradebook line that only the copied work used is copied too, so that no line counts twice.
 */
export const duplicateItem: Command<Duplication, { key: string }> = async ({ manager }, duplication) => {
  const { courseId, key, mark, at, doer } = duplication;
  const original = await itemToEdit(manager, courseId, key);
  if (original.kind === 'courseSettings') throw conflict('A course has its settings once.');
  const { items } = (await readSnapshot(manager, courseId))!;
  const copied = copiedWith(items, original);
  const newKey = (old: string): string => (copied.has(old) ? `${courseId}.${mark}-${stem(old)}` : old);

  const copies: SnapshotItem[] = [];
  for (const item of items) {
    if (!copied.has(item.id)) continue;
    const body = await copiedText(manager, item, newKey);
    const copy: SnapshotItem = {
      ...item,
      id: newKey(item.id),
      title:
        item.id === key || (item.kind === 'lineItem' && item.title === original.title)
          ? `Copy of ${item.title}`
          : item.title,
      state: item.id === key ? 'draft' : (item.state ?? 'open'),
      links: (item.links ?? []).map((link) => ({ ...link, to: newKey(link.to) })),
      moments: (item.moments ?? []).map((moment) => ({ ...moment, id: `${courseId}.${mark}-${stem(moment.id)}` })),
      ...(item.parent === undefined ? {} : { parent: newKey(item.parent) }),
      ...(body === undefined ? {} : { bodyHash: textHash(body) }),
    };
    if (body !== undefined) await insertBodies(manager, [body]);
    copies.push({ ...copy, contentHash: contentHash(copy, copy.bodyHash, nativeHash) });
  }
  const behind = await manager.query<{ key: string }[]>(
    'SELECT key FROM item WHERE course_id = ? AND parent_key IS ? AND position > ?',
    [courseId, original.parent ?? null, original.position ?? 0],
  );
  const touched = [...copies.map(({ id }) => id), ...behind.map((row) => row.key)];
  const before = await standingBefore(manager, courseId, touched);
  await manager.query(
    'UPDATE item SET position = position + 1 WHERE course_id = ? AND parent_key IS ? AND position > ?',
    [courseId, original.parent ?? null, original.position ?? 0],
  );
  await manager.query(
    `INSERT INTO item (course_id, key, kind, title, body_hash, parent_key, position, state, points, details, content_hash, edited_at, edited_by)
     SELECT ?, value->>'id', value->>'kind', value->>'title', value->>'bodyHash', value->>'parent',
            coalesce(value->>'position', 0) + (value->>'id' = ?), value->>'state', value->>'points', value->'details',
            value->>'contentHash', ?, ? FROM ${ROWS}`,
    [courseId, newKey(key), at, doer.personId, JSON.stringify(copies)],
  );
  await insertMoments(manager, courseId, copies);
  await insertLinks(manager, courseId, copies);
  await courseChanged(manager, duplication, { what: `copied “${original.title}”`, itemKey: newKey(key), before });
  return { key: newKey(key) };
};

/** A key without the course before it. */
const stem = (key: string): string => key.slice(key.indexOf('.') + 1);

/** What is copied with an item: all that it holds, and gradebook lines that nothing else is graded in. */
function copiedWith(items: readonly SnapshotItem[], original: SnapshotItem): ReadonlySet<string> {
  const copied = new Set([original.id]);
  for (let grown = true; grown;) {
    const before = copied.size;
    for (const { id, parent } of items) if (parent !== undefined && copied.has(parent)) copied.add(id);
    grown = copied.size > before;
  }
  for (const line of items) {
    if (line.kind !== 'lineItem') continue;
    const graded = items.filter(({ links = [] }) =>
      links.some(({ type, to }) => type === 'gradedIn' && to === line.id),
    );
    if (graded.length > 0 && graded.every(({ id }) => copied.has(id))) copied.add(line.id);
  }
  return copied;
}

/** The text of a copy, when an address in it leads to something that is copied too. */
async function copiedText(
  manager: EntityManager,
  { bodyHash }: SnapshotItem,
  newKey: (key: string) => string,
): Promise<string | undefined> {
  const text = await readText(manager, bodyHash);
  const copy = withKeysOf(text, newKey);
  return copy === text ? undefined : copy;
}
