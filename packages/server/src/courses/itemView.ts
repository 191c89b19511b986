import { VALUES } from '../database/lists.js';
import { KIND_WORDS, type EarlierText, type ItemView, type Kind, type Link, type SnapshotItem } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { DOER_NAME } from '../history/deeds.js';
import { changesOf } from '../history/operationStore.js';
import { notFound } from '../http/httpProblem.js';
import { courseFor } from './rights.js';
import type { Query } from '../database/query.js';
import type { AskedCourse } from '../people/asker.js';
import { readItem, readText } from './courseStore.js';
import { sanitise } from './sanitise.js';

/** A thing as it is looked at; `address` is its key, or a second one that it took over. */
export const itemView: Query<AskedCourse & { readonly address: string }, ItemView> = async (
  { manager },
  { person, courseId: id, now, address },
) => {
  await courseFor(manager, 'read', person, id, now.slice(0, 10));
  const keyOf = await addressBook(manager, id);
  const key = keyOf(address);
  const item = key === undefined ? undefined : await readItem(manager, id, key);
  if (key === undefined || item === undefined)
    throw notFound('There is no such thing in this course; it may have been removed meanwhile.');
  const [meta] = await manager.query<{ version: number; editedBy: string | null }[]>(
    `SELECT version, CASE WHEN edited_by IS NULL THEN NULL ELSE ${DOER_NAME('edited_by', 'NULL')} END AS editedBy
       FROM item WHERE course_id = ? AND key = ?`,
    [id, key],
  );
  const [mark] = await manager.query<NonNullable<ItemView['mark']>[]>(
    'SELECT item_key AS item, mark, note FROM mark WHERE course_id = ? AND item_key = ?',
    [id, key],
  );
  return {
    version: meta!.version,
    editedBy: meta!.editedBy,
    item: {
      ...item,
      body: sanitise(await readText(manager, item.bodyHash), id, keyOf),
      links: await withTitles(manager, id, item.links ?? []),
    },
    usedBy: await usedBy(manager, id, key),
    mark: mark ?? null,
    earlier: await earlierTexts(manager, id, item, keyOf),
  };
};

/** Finds the key that an address has in a course: its own, or a second one that a thing took over. */
async function addressBook(manager: EntityManager, courseId: string): Promise<(address: string) => string | undefined> {
  const keys = await manager.query<{ key: string }[]>('SELECT key FROM item WHERE course_id = ?', [courseId]);
  const own = new Set(keys.map(({ key }) => key));
  const aliases = await manager.query<{ alias: string; key: string }[]>(
    'SELECT alias, key FROM item_alias WHERE course_id = ?',
    [courseId],
  );
  const second = new Map(aliases.map(({ alias, key }) => [alias, key]));
  return (address) => (own.has(address) ? address : second.get(address));
}

async function withTitles(
  manager: EntityManager,
  id: string,
  links: readonly Link[],
): Promise<ItemView['item']['links']> {
  const rows = await manager.query<{ key: string; title: string }[]>(
    `SELECT key, title FROM item WHERE course_id = ? AND key IN ${VALUES}`,
    [id, JSON.stringify(links.map(({ to }) => to))],
  );
  const titles = new Map(rows.map(({ key, title }) => [key, title]));
  return links.map((link) => ({ ...link, title: titles.get(link.to) ?? null }));
}

async function usedBy(manager: EntityManager, id: string, key: string): Promise<ItemView['usedBy']> {
  const rows = await manager.query<{ id: string; title: string; kind: Kind }[]>(
    `SELECT DISTINCT item.key AS id, item.title, item.kind FROM item_link
       JOIN item ON item.course_id = item_link.course_id AND item.key = item_link.from_key
      WHERE item_link.course_id = ? AND item_link.to_key = ? ORDER BY item.position`,
    [id, key],
  );
  return rows.map((row) => ({ ...row, kind: KIND_WORDS[row.kind].one }));
}

const MOST_EARLIER = 20;

/** What a thing said before each edit that changed its title or text, the latest first. */
async function earlierTexts(
  manager: EntityManager,
  id: string,
  item: SnapshotItem,
  keyOf: (address: string) => string | undefined,
): Promise<EarlierText[]> {
  const earlier: Omit<EarlierText, 'body'>[] = [];
  const bodies: (string | undefined)[] = [];
  let { title, bodyHash } = item;
  for (const { operation, at, by } of await changesOf(manager, id, item.id)) {
    if (earlier.length === MOST_EARLIER) break;
    const { before = {}, after = {} } = operation;
    const isText = 'bodyHash' in before || 'bodyHash' in after;
    if (!isText && before.title === undefined) continue;
    title = before.title ?? title;
    // Edits of long ago say that there was no text with a null.
    if (isText) bodyHash = before.bodyHash ?? undefined;
    bodies.push(bodyHash);
    earlier.push({ version: before.version ?? 0, title, at, by });
  }
  return Promise.all(
    earlier.map(async (each, index) => ({
      ...each,
      body: sanitise(await readText(manager, bodies[index]), id, keyOf),
    })),
  );
}
