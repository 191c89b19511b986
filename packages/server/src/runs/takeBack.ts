import type { EntityManager } from 'typeorm';
import { RunRow } from '../database/entities/run.js';
import { noteDeed, type Doer } from '../history/deeds.js';
import { conflict, notFound } from '../http/httpProblem.js';
import type { Command } from '../writer/command.js';
import { changedSince, keptWith, moveOut, toldChanged } from './changedSince.js';
import { wrote } from './operations.js';
import { putBack, removeHanging } from './storedItems.js';

/**
 * What becomes of things that somebody changed since: nothing is taken back and they are named, they stay and the rest
 * goes, or they go too.
 */
export type OfChanged = 'ask' | 'stay' | 'go';

export interface TakeBackInput {
  readonly runId: string;
  readonly doer: Doer;
  readonly at: string;
  readonly changed: OfChanged;
}

const MOST_NAMED = 5;

/**
 * Takes a run back: what it added goes, what it changed is as it was before. What a person wrote since is never lost
 * unasked.
 */
export const takeBack: Command<TakeBackInput, { things: number }> = async (
  { manager },
  { runId, doer, at, changed },
) => {
  const run = await runWithJournal(manager, runId);
  if (run === null) throw notFound('This run is not there any more.');
  if (run.undoneAt !== null) throw conflict('This run was taken back already; there is nothing left of it to take.');
  const course = run.destinationId;
  const added = run.operations.flatMap((each) => (each.op === 'added' ? [each.key] : []));
  await refuseUnderLaterRun(manager, run);
  const since = await changedSince(manager, run, added);
  const told = toldChanged(since);
  if (told.length > 0 && changed === 'ask') {
    const names = told.slice(0, MOST_NAMED).map(({ message }) => `“${message}”`);
    const more = told.length > MOST_NAMED ? ` and ${told.length - MOST_NAMED} more` : '';
    throw conflict(`${names.join(', ')}${more} changed since. Nothing was taken back, so that no work is lost.`, told);
  }
  const kept = changed === 'stay' ? await keptWith(manager, run, since) : new Set<string>();
  const gone = added.filter((key) => !kept.has(key));
  if (changed === 'go') await moveOut(manager, course, new Set(gone), since);

  await removeHanging(manager, course, gone);
  await manager.query('DELETE FROM item WHERE course_id = ? AND key IN (SELECT value FROM json_each(?))', [
    course,
    JSON.stringify(gone),
  ]);
  await forget(manager, run, kept);
  await restore(manager, { ...run, operations: run.operations.filter(({ key }) => !kept.has(key)) });
  await manager.query('UPDATE course SET version = version + 1 WHERE id = ?', [course]);
  await manager.update(RunRow, { id: runId }, { undoneAt: at, undoneBy: doer.personId });
  const things = run.counts.things - kept.size;
  const stay = kept.size === 0 ? '' : `; ${kept.size} stay, since somebody changed them`;
  await noteDeed(manager, doer, { courseId: course, at, what: `took back ${things} things${stay}` });
  return { things };
};

/** Where things came from, and what led to them, is forgotten; not of those that stay. */
async function forget(manager: EntityManager, run: RunRow, kept: ReadonlySet<string>): Promise<void> {
  const stay = JSON.stringify([...kept]);
  const ofRun = 'run_id = ? AND item_key NOT IN (SELECT value FROM json_each(?))';
  await manager.query(
    `DELETE FROM item_alias WHERE course_id = ? AND alias IN (SELECT source_key FROM lineage WHERE ${ofRun})`,
    [run.destinationId, run.id, stay],
  );
  const aliased = run.operations.flatMap(({ op, from, key }) => (op === 'aliased' && !kept.has(key) ? [from] : []));
  await manager.query('DELETE FROM item_alias WHERE course_id = ? AND alias IN (SELECT value FROM json_each(?))', [
    run.destinationId,
    JSON.stringify(aliased),
  ]);
  await manager.query(`DELETE FROM lineage WHERE ${ofRun}`, [run.id, stay]);
}

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

/** A run with everything that it did; lists of runs leave that out. */
const runWithJournal = (manager: EntityManager, id: string): Promise<RunRow | null> =>
  manager.createQueryBuilder(RunRow, 'run').addSelect('run.operations').where({ id }).getOne();

/** What a later run brought up to date is taken back first: the inverse of a run holds for what it left. */
async function refuseUnderLaterRun(manager: EntityManager, run: RunRow): Promise<void> {
  const touched = JSON.stringify(run.operations.flatMap((each) => (wrote(each) ? [each.key] : [])));
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
