import type { EntityManager } from 'typeorm';
import { RunRow, sourcesOf } from '../database/entities/run.js';
import { noteDeed, type Doer } from '../history/deeds.js';
import { conflict, notFound } from '../http/httpProblem.js';
import type { Command } from '../writer/command.js';
import type { RunOperation } from './operations.js';
import { putBack, removeHanging } from './storedItems.js';

export interface TakeBackInput {
  readonly runId: string;
  readonly doer: Doer;
  readonly at: string;
}

interface TitleRow {
  readonly title: string;
}

/**
 * Takes a run back: what it added goes, what it changed is as it was before. What a person wrote since is never lost:
 * when there is any, the run stays and the things are named.
 */
export const takeBack: Command<TakeBackInput, { things: number }> = async ({ manager }, { runId, doer, at }) => {
  const run = await manager.findOneBy(RunRow, { id: runId });
  if (run === null) throw notFound('This run is not there any more.');
  if (run.undoneAt !== null) throw conflict('This run was taken back already; there is nothing left of it to take.');
  const course = run.destinationId;
  const sourceOf = ({ source }: RunOperation): string => source ?? run.sourceId;
  const addedKeys = run.operations.flatMap((each) => (each.op === 'added' ? [each.key] : []));
  const added = JSON.stringify(addedKeys);

  const touched = JSON.stringify(run.operations.flatMap(({ op, key }) => (wrote(op) ? [key] : [])));
  await refuseUnderLaterRun(manager, run, touched);
  const edited = await manager.query<TitleRow[]>(
    `SELECT item.title FROM item JOIN lineage ON lineage.course_id = item.course_id AND lineage.item_key = item.key
      WHERE item.course_id = ? AND lineage.source_course_id IN (SELECT value FROM json_each(?))
        AND lineage.source_course_id || ' ' || item.key IN (SELECT value FROM json_each(?))
        AND (item.content_hash <> lineage.landed_hash OR item.version <> lineage.landed_version)`,
    [
      course,
      JSON.stringify(sourcesOf(run)),
      JSON.stringify(run.operations.flatMap((each) => (wrote(each.op) ? [`${sourceOf(each)} ${each.key}`] : []))),
    ],
  );
  const within = await manager.query<TitleRow[]>(
    `SELECT title FROM item WHERE course_id = ? AND parent_key IN (SELECT value FROM json_each(?))
        AND key NOT IN (SELECT value FROM json_each(?))`,
    [course, added, added],
  );
  const kept = [...edited, ...within].map(({ title }) => `“${title}”`);
  if (kept.length > 0)
    throw conflict(
      `${kept.slice(0, 5).join(', ')}${kept.length > 5 ? ` and ${kept.length - 5} more` : ''} changed since. Nothing was taken back, so that no work is lost.`,
    );

  await removeHanging(manager, course, addedKeys);
  await manager.query('DELETE FROM item WHERE course_id = ? AND key IN (SELECT value FROM json_each(?))', [
    course,
    added,
  ]);
  await manager.query(
    `DELETE FROM item_alias WHERE course_id = ? AND alias IN (SELECT source_key FROM lineage WHERE run_id = ?)`,
    [course, runId],
  );
  const aliased = run.operations.flatMap(({ op, from }) => (op === 'aliased' ? [from] : []));
  await manager.query('DELETE FROM item_alias WHERE course_id = ? AND alias IN (SELECT value FROM json_each(?))', [
    course,
    JSON.stringify(aliased),
  ]);
  await manager.query('DELETE FROM lineage WHERE run_id = ?', [runId]);
  await restore(manager, run);
  await manager.query('UPDATE course SET version = version + 1 WHERE id = ?', [course]);
  await manager.update(RunRow, { id: runId }, { undoneAt: at, undoneBy: doer.personId });
  await noteDeed(manager, doer, { courseId: course, at, what: `took back ${run.counts.things} things` });
  return { things: run.counts.things };
};

const wrote = (op: RunOperation['op']): boolean => op === 'added' || op === 'changed';

/** What a run changed or took out stands as it did, and what was noted of it. */
async function restore(manager: EntityManager, { destinationId, sourceId, operations }: RunRow): Promise<void> {
  const before = operations.flatMap((each) => (each.op === 'changed' || each.op === 'takenOut' ? [each.before] : []));
  await removeHanging(
    manager,
    destinationId,
    before.map(({ item }) => item.key as string),
  );
  for (const [table, rows] of [
    ['item', before.map(({ item }) => item)],
    ['moment', before.flatMap(({ moments }) => moments)],
    ['item_link', before.flatMap(({ links }) => links)],
  ] as const)
    await putBack(manager, table, rows);
  const noted = operations.flatMap((each) =>
    each.op === 'changed' && each.lineageBefore !== undefined
      ? [{ ...each.lineageBefore, source: each.source ?? sourceId, from: each.from }]
      : [],
  );
  await manager.query(
    `WITH noted AS MATERIALIZED (SELECT value->>'source' AS source, value->>'from' AS source_key, value FROM json_each(?))
     UPDATE lineage SET source_hash = noted.value->>'sourceHash', landed_hash = noted.value->>'landedHash',
            landed_version = coalesce(noted.value->>'landedVersion', 1)
       FROM noted
      WHERE lineage.course_id = ? AND lineage.source_course_id = noted.source AND lineage.source_key = noted.source_key`,
    [JSON.stringify(noted), destinationId],
  );
}

/** What a later run brought up to date is taken back first: the inverse of a run holds for what it left. */
async function refuseUnderLaterRun(manager: EntityManager, run: RunRow, touched: string): Promise<void> {
  const later = await manager.query<{ at: string; things: number }[]>(
    `SELECT run.at, count(*) AS things FROM run CROSS JOIN json_each(run.operations) AS operation
      WHERE run.destination_id = ? AND run.number > ? AND run.undone_at IS NULL AND operation.value->>'op' = 'changed'
        AND operation.value->>'key' IN (SELECT value FROM json_each(?)) GROUP BY run.id ORDER BY run.number DESC`,
    [run.destinationId, run.number, touched],
  );
  const [last] = later;
  if (last === undefined) return;
  throw conflict(
    `A later run (${last.at.replace('T', ' ')}) brought ${last.things} of these things up to date. Take that one back first.`,
  );
}
