import { conflicts, invert, type Operation } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { RunRow } from '../database/entities/run.js';
import { noteDeed, type Doer } from '../history/deeds.js';
import { conflict, notFound } from '../http/httpProblem.js';
import type { Command } from '../writer/command.js';
import { putBack, removeThings } from '../courses/things.js';
import { addedBy, changedSince, keptWith, moveOut, toldChanged } from './changedSince.js';
import { laterOperations, operationsOf } from './operationStore.js';

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
  const run = await manager.findOneBy(RunRow, { id: runId });
  if (run === null) throw notFound('This run is not there any more.');
  if (run.undoneAt !== null) throw conflict('This run was taken back already; there is nothing left of it to take.');
  const course = run.destinationId;
  const operations = await operationsOf(manager, runId);
  await refuseUnderLaterRun(manager, run, operations);
  const since = await changedSince(manager, run, operations);
  const told = toldChanged(since);
  if (told.length > 0 && changed === 'ask') {
    const names = told.slice(0, MOST_NAMED).map(({ message }) => `“${message}”`);
    const more = told.length > MOST_NAMED ? ` and ${told.length - MOST_NAMED} more` : '';
    throw conflict(`${names.join(', ')}${more} changed since. Nothing was taken back, so that no work is lost.`, told);
  }
  const kept = changed === 'stay' ? await keptWith(manager, run, operations, since) : new Set<string>();
  const going = operations.filter(({ key }) => !kept.has(key));
  if (changed === 'go') await moveOut(manager, course, new Set(addedBy(going)), since);

  await undo(manager, course, going);
  await forget(manager, run, going, kept);
  await noteAsBefore(manager, course, going);
  await manager.query('UPDATE course SET version = version + 1 WHERE id = ?', [course]);
  await manager.update(RunRow, { id: runId }, { undoneAt: at, undoneBy: doer.personId });
  const things = run.counts.things - kept.size;
  const stay = kept.size === 0 ? '' : `; ${kept.size} stay, since somebody changed them`;
  await noteDeed(manager, doer, { courseId: course, at, what: `took back ${things} things${stay}` });
  return { things };
};

/** Applies the inverse of every operation. */
async function undo(manager: EntityManager, courseId: string, operations: readonly Operation[]): Promise<void> {
  const inverses = operations.map(invert);
  const gone = inverses.flatMap(({ op, key }) => (op === 'removed' ? [key] : []));
  await removeThings(manager, courseId, gone);
  const back = inverses.flatMap((each) => ('after' in each && each.after !== undefined ? [each.after] : []));
  await putBack(manager, courseId, back);
}

/** Where things came from, and what led to them, is forgotten; not of those that stay. */
async function forget(
  manager: EntityManager,
  run: RunRow,
  going: readonly Operation[],
  kept: ReadonlySet<string>,
): Promise<void> {
  const stay = JSON.stringify([...kept]);
  const ofRun = 'run_id = ? AND item_key NOT IN (SELECT value FROM json_each(?))';
  await manager.query(
    `DELETE FROM item_alias WHERE course_id = ? AND alias IN (SELECT source_key FROM lineage WHERE ${ofRun})`,
    [run.destinationId, run.id, stay],
  );
  const aliased = going.flatMap(({ op, origin }) => (op === 'aliased' && origin !== null ? [origin.item] : []));
  await manager.query('DELETE FROM item_alias WHERE course_id = ? AND alias IN (SELECT value FROM json_each(?))', [
    run.destinationId,
    JSON.stringify(aliased),
  ]);
  await manager.query(`DELETE FROM lineage WHERE ${ofRun}`, [run.id, stay]);
}

/** What earlier runs noted of things that this one brought up to date holds again. */
async function noteAsBefore(manager: EntityManager, courseId: string, going: readonly Operation[]): Promise<void> {
  const noted = going.flatMap((each) =>
    each.op === 'changed' && each.notedBefore !== undefined ? [{ ...each.notedBefore, ...each.origin }] : [],
  );
  await manager.query(
    `WITH noted AS MATERIALIZED (SELECT value->>'course' AS source, value->>'item' AS source_key, value FROM json_each(?))
     UPDATE lineage SET source_hash = noted.value->>'sourceHash', landed_hash = noted.value->>'landedHash',
            landed_version = coalesce(noted.value->>'landedVersion', 1)
       FROM noted
      WHERE lineage.course_id = ? AND lineage.source_course_id = noted.source AND lineage.source_key = noted.source_key`,
    [JSON.stringify(noted), courseId],
  );
}

/** What a later run built on is taken back after it: the inverse of a run holds for what it left. */
async function refuseUnderLaterRun(
  manager: EntityManager,
  run: RunRow,
  operations: readonly Operation[],
): Promise<void> {
  const later = await laterOperations(manager, run);
  const inTheWay = new Set(
    conflicts(
      operations,
      later.map(({ operation }) => operation),
    ),
  );
  const last = later.find(({ operation }) => inTheWay.has(operation));
  if (last === undefined) return;
  const ofLast = later.flatMap(({ runId, operation }) =>
    runId === last.runId && inTheWay.has(operation) ? [operation] : [],
  );
  const changed = ofLast.filter(({ op }) => op === 'changed').length;
  const removed = ofLast.length - changed;
  const did = [
    ...(changed === 0 ? [] : [`brought ${changed} of these things up to date`]),
    ...(removed === 0 ? [] : [`took ${removed} out`]),
  ];
  throw conflict(`A later run (${last.at.replace('T', ' ')}) ${did.join(' and ')}. Take that one back first.`);
}
