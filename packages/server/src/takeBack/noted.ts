import { ROWS, VALUES } from '../database/lists.js';
import type { Noted, Operation, Origin } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import type { RunRow } from '../database/entities/run.js';

interface NotedRow extends Required<Noted> {
  readonly course: string;
  readonly item: string;
  readonly key: string;
}

const NOTED = `lineage.source_course_id AS course, lineage.source_key AS item, lineage.item_key AS key, lineage.source_hash AS sourceHash,
               lineage.landed_hash AS landedHash, lineage.landed_version AS landedVersion, lineage.run_id AS run`;

const notedOf = ({ sourceHash, landedHash, landedVersion, run }: NotedRow): Noted => ({
  sourceHash,
  landedHash,
  landedVersion,
  run,
});

/**
 * What goes beside the things of a run: what it noted of them, and what led to them.
 *
 * @param going  what is taken back of it
 * @param kept   things that stay
 */
export async function notedBack(
  manager: EntityManager,
  run: RunRow,
  going: readonly Operation[],
  kept: ReadonlySet<string>,
): Promise<Operation[]> {
  const keys = JSON.stringify([...new Set(going.map(({ key }) => key))].filter((key) => !kept.has(key)));
  const noted = await manager.query<NotedRow[]>(
    `SELECT ${NOTED} FROM lineage WHERE run_id = ? AND item_key IN ${VALUES}`,
    [run.id, keys],
  );
  const origins = [
    ...noted.map(({ key, course, item }) => ({ key, course, item })),
    ...going.flatMap(({ op, key, origin }) => (op === 'aliased' && origin !== null ? [{ key, ...origin }] : [])),
  ];
  const aliases = await manager.query<{ key: string; course: string; item: string }[]>(
    `WITH led AS MATERIALIZED (SELECT DISTINCT value->>'course' AS course, value->>'item' AS item FROM ${ROWS})
     SELECT item_alias.key, led.course, led.item FROM led
       CROSS JOIN item_alias ON item_alias.course_id = ? AND item_alias.alias = led.item`,
    [JSON.stringify(origins), run.destinationId],
  );
  return [
    ...noted.map((row): Operation => ({
      op: 'noted',
      key: row.key,
      origin: { course: row.course, item: row.item },
      before: notedOf(row),
    })),
    ...aliases.map(({ key, ...origin }): Operation => ({ op: 'unaliased', key, origin })),
  ];
}

/** What was noted of things before each of these operations changed it, the first of a thing's; by the key of the thing. */
function notedBefore(operations: readonly Operation[]): ReadonlyMap<string, Noted & Origin> {
  const noted = new Map<string, Noted & Origin>();
  for (const each of operations)
    if ('notedBefore' in each && each.notedBefore !== undefined && each.origin !== null && !noted.has(each.key))
      noted.set(each.key, { ...each.notedBefore, ...each.origin });
  return noted;
}

/**
 * Notes of things again what was noted before some operations changed it.
 *
 * @returns what is noted of them until then, by the key of the thing
 */
export async function noteAsBefore(
  manager: EntityManager,
  courseId: string,
  operations: readonly Operation[],
): Promise<ReadonlyMap<string, Noted>> {
  const before = JSON.stringify([...notedBefore(operations).values()]);
  const rows = await manager.query<NotedRow[]>(
    `WITH before AS MATERIALIZED (SELECT value->>'course' AS course, value->>'item' AS item FROM ${ROWS})
     SELECT ${NOTED} FROM before CROSS JOIN lineage
         ON lineage.course_id = ? AND lineage.source_course_id = before.course AND lineage.source_key = before.item`,
    [before, courseId],
  );
  await manager.query(
    `WITH noted AS MATERIALIZED (SELECT value->>'course' AS course, value->>'item' AS item, value FROM ${ROWS})
     UPDATE lineage SET source_hash = noted.value->>'sourceHash', landed_hash = noted.value->>'landedHash',
            landed_version = coalesce(noted.value->>'landedVersion', 1)
       FROM noted
      WHERE lineage.course_id = ? AND lineage.source_course_id = noted.course AND lineage.source_key = noted.item`,
    [before, courseId],
  );
  return new Map(
    rows.map(({ key, sourceHash, landedHash, landedVersion }) => [key, { sourceHash, landedHash, landedVersion }]),
  );
}

/** Writes what is noted of things, and what leads to them. */
export async function writeNoted(
  manager: EntityManager,
  courseId: string,
  operations: readonly Operation[],
): Promise<void> {
  const noted = operations.flatMap((each) =>
    each.op === 'noted' && (each.before !== undefined || each.after !== undefined)
      ? [{ key: each.key, ...each.origin, after: each.after }]
      : [],
  );
  const aliases = (wanted: Operation['op']): string =>
    JSON.stringify(operations.flatMap(({ op, key, origin }) => (op === wanted ? [{ key, alias: origin?.item }] : [])));
  await manager.query(
    `WITH gone AS MATERIALIZED (SELECT value->>'course' AS course, value->>'item' AS item FROM ${ROWS})
     DELETE FROM lineage WHERE course_id = ? AND (source_course_id, source_key) IN (SELECT course, item FROM gone)`,
    [JSON.stringify(noted), courseId],
  );
  await manager.query(
    `INSERT INTO lineage (course_id, source_course_id, source_key, item_key, run_id, source_hash, landed_hash, landed_version)
     SELECT ?, value->>'course', value->>'item', value->>'key', value->'after'->>'run', value->'after'->>'sourceHash',
            value->'after'->>'landedHash', value->'after'->>'landedVersion'
       FROM ${ROWS} WHERE value->'after' IS NOT NULL`,
    [courseId, JSON.stringify(noted)],
  );
  await manager.query(`DELETE FROM item_alias WHERE course_id = ? AND alias IN (SELECT value->>'alias' FROM ${ROWS})`, [
    courseId,
    aliases('unaliased'),
  ]);
  await manager.query(
    `INSERT INTO item_alias (course_id, alias, key)
     SELECT ?, value->>'alias', value->>'key' FROM ${ROWS} WHERE true ON CONFLICT DO NOTHING`,
    [courseId, aliases('aliased')],
  );
}
