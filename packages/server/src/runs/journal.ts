import { originKey, originOf, type PlanInput, type Preview } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import type { Landed } from './landedRows.js';
import type { RunOperation, StoredItem } from './operations.js';

/** What a run does, as its journal keeps it: everything written, noted and taken out. */
export function operationsOf(
  { source, joined, lineage }: PlanInput,
  preview: Preview,
  landed: readonly Landed[],
  before: ReadonlyMap<string, StoredItem>,
): RunOperation[] {
  const known = new Map(
    lineage.map(({ sourceCourse, sourceItem, sourceHash, landedHash, landedVersion }) => [
      originKey(sourceCourse, sourceItem),
      { sourceHash, landedHash, landedVersion },
    ]),
  );
  const thing = (id: string): { from: string; source: string | undefined } => {
    const { course, item } = originOf({ source, joined }, id);
    return { from: item, source: course === source.course.id ? undefined : course };
  };
  const written = landed.map(({ item, source: { id }, origin, isNew, isPart }): RunOperation =>
    isNew
      ? { op: 'added', key: item.id, ...thing(id), place: item.isPlace, isPart }
      : {
          op: 'changed',
          key: item.id,
          ...thing(id),
          before: before.get(item.id)!,
          lineageBefore: known.get(originKey(origin.course, origin.item)),
        },
  );
  const noted = preview.lines.flatMap(({ verb, answered, item, to }): RunOperation[] =>
    verb === 'same' || answered === 'kept' ? [{ op: 'noted', key: to!, ...thing(item!) }] : [],
  );
  const out = preview.lines.flatMap(({ takenOut, item, to, source: course }): RunOperation[] =>
    takenOut === true ? [{ op: 'takenOut', key: to!, from: item!, source: course, before: before.get(to!)! }] : [],
  );
  return [...written, ...noted, ...out];
}

/** What led to the same thing of another source leads to the one that came; not what led somewhere here already. */
export async function aliasesOf(
  manager: EntityManager,
  { joined }: PlanInput,
  { lines }: Preview,
  destinationId: string,
): Promise<RunOperation[]> {
  if (joined === undefined) return [];
  const wanted = lines.flatMap(({ item, to }): RunOperation[] =>
    item === null || to === null
      ? []
      : (joined.others.get(item) ?? [])
          .filter((other) => other.item !== to)
          .map(({ course, item: from }) => ({ op: 'aliased', key: to, from, source: course })),
  );
  const taken = await manager.query<{ key: string }[]>(
    `SELECT value AS key FROM json_each(?)
      WHERE EXISTS (SELECT 1 FROM item_alias WHERE course_id = ? AND alias = value)
         OR EXISTS (SELECT 1 FROM item WHERE course_id = ? AND item.key = value)`,
    [JSON.stringify(wanted.map(({ from }) => from)), destinationId, destinationId],
  );
  const isTaken = new Set(taken.map(({ key }) => key));
  return wanted.filter(({ from }) => !isTaken.has(from));
}

/**
 * Notes for everything that was written or found to be the same where it came from, and what both say now. What an
 * earlier run brought stays that run's; only what both say is noted anew.
 */
export async function noteLineage(
  manager: EntityManager,
  run: { readonly runId: string; readonly sourceId: string; readonly destinationId: string },
  operations: readonly RunOperation[],
): Promise<void> {
  const pairs = operations
    .filter(({ op }) => op !== 'aliased' && op !== 'takenOut')
    .map((each) => ({
      key: each.key,
      from: each.from,
      course: each.source,
      part: each.op === 'added' && each.isPart === true ? 1 : undefined,
    }));
  await manager.query(
    `INSERT INTO lineage (course_id, source_course_id, source_key, item_key, run_id, source_hash, landed_hash, landed_version)
     SELECT ?, old.course_id, old.key, landed.key, ?,
            CASE WHEN pair.value->>'part' THEN landed.content_hash ELSE old.content_hash END,
            landed.content_hash, landed.version
       FROM json_each(?) AS pair
            CROSS JOIN item AS old
            ON old.course_id = coalesce(pair.value->>'course', ?) AND old.key = pair.value->>'from'
            CROSS JOIN item AS landed ON landed.course_id = ? AND landed.key = pair.value->>'key'
      WHERE true ON CONFLICT (course_id, source_course_id, source_key)
         DO UPDATE SET source_hash = excluded.source_hash, landed_hash = excluded.landed_hash,
                       landed_version = excluded.landed_version`,
    [run.destinationId, run.runId, JSON.stringify(pairs), run.sourceId, run.destinationId],
  );
  await manager.query(
    `INSERT INTO item_alias (course_id, alias, key)
     SELECT ?, value->>'from', value->>'key' FROM json_each(?) WHERE true ON CONFLICT DO NOTHING`,
    [
      run.destinationId,
      JSON.stringify(
        operations
          .filter(({ op, key, from }) => key !== from && op !== 'takenOut')
          .map(({ key, from }) => ({ key, from })),
      ),
    ],
  );
}
