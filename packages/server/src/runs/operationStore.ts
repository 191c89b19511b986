import type { Noted, Operation, SnapshotItem } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import type { RunRow } from '../database/entities/run.js';

interface StoredOperation {
  readonly op: Operation['op'];
  readonly key: string;
  readonly fromCourse: string | null;
  readonly fromKey: string | null;
  readonly part: 'place' | 'heading' | null;
  readonly before: string | null;
  readonly notedBefore: string | null;
}

const OPERATION = `operation.op, operation.key, operation.from_course AS fromCourse, operation.from_key AS fromKey,
                   operation.part, operation.before, operation.noted_before AS notedBefore`;

function operationOf({ op, key, fromCourse, fromKey, part, before, notedBefore }: StoredOperation): Operation {
  const thing = {
    key,
    origin: fromCourse === null || fromKey === null ? null : { course: fromCourse, item: fromKey },
  };
  const stood = before === null ? undefined : (JSON.parse(before) as SnapshotItem);
  switch (op) {
    case 'added':
      return { op, ...thing, part: part ?? undefined };
    case 'changed': {
      const noted = notedBefore === null ? undefined : (JSON.parse(notedBefore) as Noted);
      return { op, ...thing, before: stood, notedBefore: noted };
    }
    case 'removed':
      return { op, ...thing, before: stood };
    case 'aliased':
    case 'noted':
      return { op, ...thing };
  }
}

/** Keeps what a run did, in one statement. What stood before is handed over as the text that it is kept as. */
export async function insertOperations(
  manager: EntityManager,
  runId: string,
  operations: readonly Operation[],
): Promise<void> {
  const rows = operations.map((each) => ({
    op: each.op,
    key: each.key,
    ...each.origin,
    part: each.op === 'added' ? each.part : undefined,
    before: 'before' in each ? JSON.stringify(each.before) : undefined,
    noted: each.op === 'changed' ? JSON.stringify(each.notedBefore) : undefined,
  }));
  await manager.query(
    `INSERT INTO operation (run_id, place, op, key, from_course, from_key, part, before, noted_before)
     SELECT ?, key, value->>'op', value->>'key', value->>'course', value->>'item', value->>'part', value->>'before', value->>'noted'
       FROM json_each(?)`,
    [runId, JSON.stringify(rows)],
  );
}

/** Everything that a run did, in its order. */
export async function operationsOf(manager: EntityManager, runId: string): Promise<Operation[]> {
  const rows = await manager.query<StoredOperation[]>(
    `SELECT ${OPERATION} FROM operation WHERE run_id = ? ORDER BY place`,
    [runId],
  );
  return rows.map(operationOf);
}

/** What the runs did that came into the same course after one and stand, the latest first. */
export async function laterOperations(
  manager: EntityManager,
  { destinationId, number }: RunRow,
): Promise<readonly { readonly runId: string; readonly at: string; readonly operation: Operation }[]> {
  const rows = await manager.query<(StoredOperation & { readonly runId: string; readonly at: string })[]>(
    `SELECT run.id AS runId, run.at, ${OPERATION} FROM run CROSS JOIN operation ON operation.run_id = run.id
      WHERE run.destination_id = ? AND run.number > ? AND run.undone_at IS NULL AND operation.op IN ('changed', 'removed')
      ORDER BY run.number DESC, operation.place`,
    [destinationId, number],
  );
  return rows.map(({ runId, at, ...row }) => ({ runId, at, operation: operationOf(row) }));
}
