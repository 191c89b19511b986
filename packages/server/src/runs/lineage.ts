import { ROWS } from '../database/lists.js';
import { isWritten, originOf, type Operation, type PlanInput, type Preview, type Verb } from '@yarin/core';
import type { EntityManager } from 'typeorm';

/** By these verbs a thing of the shell stands for one of the source, and is neither written nor noted. */
const STAYING: readonly Verb[] = ['leave', 'ask', 'keep'];

/**
 * What led to the same thing of another source leads to the one that came, and what led to something that does not come leads
 * to what stands for it here; not what led somewhere here already.
 */
export async function aliasesOf(
  manager: EntityManager,
  input: PlanInput,
  { lines }: Preview,
  destinationId: string,
): Promise<Operation[]> {
  const { joined } = input;
  const wanted = lines.flatMap((line): Operation[] => {
    const { item, to, verb } = line;
    if (item === null || to === null) return [];
    const stays = STAYING.includes(verb) && !isWritten(line) && line.answered === undefined;
    return [...(stays ? [originOf(input, item)] : []), ...(joined?.others.get(item) ?? [])]
      .filter((other) => other.item !== to)
      .map((origin) => ({ op: 'aliased', key: to, origin }));
  });
  if (wanted.length === 0) return [];
  const taken = await manager.query<{ key: string }[]>(
    `SELECT value AS key FROM ${ROWS}
      WHERE EXISTS (SELECT 1 FROM item_alias WHERE course_id = ? AND alias = value)
         OR EXISTS (SELECT 1 FROM item WHERE course_id = ? AND item.key = value)`,
    [JSON.stringify(wanted.map(({ origin }) => origin!.item)), destinationId, destinationId],
  );
  const isTaken = new Set(taken.map(({ key }) => key));
  return wanted.filter(({ origin }) => !isTaken.has(origin!.item));
}

/**
 * Notes for everything that was written or found to be the same where it came from, and what both say now. What an
 * earlier run brought stays that run's; only what both say is noted anew.
 */
export async function noteLineage(
  manager: EntityManager,
  run: { readonly runId: string; readonly destinationId: string },
  operations: readonly Operation[],
): Promise<void> {
  const pairs = operations
    .filter(({ op }) => op !== 'aliased' && op !== 'removed')
    .map((each) => ({
      key: each.key,
      ...each.origin,
      part: each.op === 'added' && each.part !== undefined ? 1 : undefined,
    }));
  await manager.query(
    `INSERT INTO lineage (course_id, source_course_id, source_key, item_key, run_id, source_hash, landed_hash, landed_version)
     SELECT ?, old.course_id, old.key, landed.key, ?,
            CASE WHEN pair.value->>'part' THEN landed.content_hash ELSE old.content_hash END,
            landed.content_hash, landed.version
       FROM ${ROWS} AS pair
            CROSS JOIN item AS old
            ON old.course_id = pair.value->>'course' AND old.key = pair.value->>'item'
            CROSS JOIN item AS landed ON landed.course_id = ? AND landed.key = pair.value->>'key'
      WHERE true ON CONFLICT (course_id, source_course_id, source_key)
         DO UPDATE SET source_hash = excluded.source_hash, landed_hash = excluded.landed_hash,
                       landed_version = excluded.landed_version`,
    [run.destinationId, run.runId, JSON.stringify(pairs), run.destinationId],
  );
  await manager.query(
    `INSERT INTO item_alias (course_id, alias, key)
     SELECT ?, value->>'from', value->>'key' FROM ${ROWS} WHERE true ON CONFLICT DO NOTHING`,
    [
      run.destinationId,
      JSON.stringify(
        operations
          .filter(({ op, key, origin }) => key !== origin?.item && op !== 'removed')
          .map(({ key, origin }) => ({ key, from: origin?.item })),
      ),
    ],
  );
}
