import { groupBy, LEARNER_SORTS, type LearnerSort } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import type { StoredItem } from './operations.js';

type Row = Record<string, unknown>;

/** Items with all that hangs on them, as the database has them, by key. */
export async function storedItems(
  manager: EntityManager,
  courseId: string,
  keys: readonly string[],
): Promise<ReadonlyMap<string, StoredItem>> {
  const wanted = JSON.stringify(keys);
  const rows = (table: string, key: string): Promise<Row[]> =>
    manager.query(
      `SELECT * FROM ${table} WHERE course_id = ? AND ${key} IN (SELECT value FROM json_each(?)) ORDER BY rowid`,
      [courseId, wanted],
    );
  const items = await rows('item', 'key');
  const momentsOf = groupBy(await rows('moment', 'item_key'), (row) => row.item_key);
  const linksOf = groupBy(await rows('item_link', 'from_key'), (row) => row.from_key);
  return new Map(
    items.map((item) => {
      const key = item.key as string;
      return [key, { item, moments: momentsOf.get(key) ?? [], links: linksOf.get(key) ?? [] }];
    }),
  );
}

/** Removes the moments and links that hang on items. */
export async function removeHanging(manager: EntityManager, courseId: string, keys: readonly string[]): Promise<void> {
  const wanted = JSON.stringify(keys);
  for (const [table, key] of [
    ['moment', 'item_key'],
    ['item_link', 'from_key'],
  ])
    await manager.query(`DELETE FROM ${table} WHERE course_id = ? AND ${key} IN (SELECT value FROM json_each(?))`, [
      courseId,
      wanted,
    ]);
}

/** Puts rows of a table back as they were, column by column, in their order. */
export async function putBack(manager: EntityManager, table: string, rows: readonly Row[]): Promise<void> {
  const [first] = rows;
  if (first === undefined) return;
  const columns = Object.keys(first);
  await manager.query(
    `INSERT OR REPLACE INTO ${table} (${columns.map((column) => `"${column}"`).join(', ')})
     SELECT ${columns.map((column) => `value->>'${column}'`).join(', ')} FROM json_each(?)`,
    [JSON.stringify(rows)],
  );
}

/** How many rows of each sort of learner data a course has. */
export async function learnerCounts(manager: EntityManager, courseId: string): Promise<Record<LearnerSort, number>> {
  const rows = await manager.query<{ sort: LearnerSort; count: number }[]>(
    'SELECT sort, count(*) AS count FROM learner_record WHERE course_id = ? GROUP BY sort',
    [courseId],
  );
  const counts = new Map(rows.map(({ sort, count }) => [sort, count]));
  return Object.fromEntries(LEARNER_SORTS.map((sort) => [sort, counts.get(sort) ?? 0])) as Record<LearnerSort, number>;
}
