import { ROWS } from '../database/lists.js';
import type { CourseFields, Fields, Noted, Operation, SnapshotItem } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { DOER_NAME } from './deeds.js';

interface StoredOperation {
  readonly op: Operation['op'];
  readonly key: string;
  readonly fromCourse: string | null;
  readonly fromKey: string | null;
  readonly part: 'place' | 'heading' | null;
  readonly before: string | null;
  readonly after: string | null;
  readonly notedBefore: string | null;
}

const OPERATION = `operation.op, operation.key, operation.from_course AS fromCourse, operation.from_key AS fromKey,
                   operation.part, operation.before, operation.after, operation.noted_before AS notedBefore`;

const read = <Side>(json: string | null): Side | undefined => (json === null ? undefined : (JSON.parse(json) as Side));

function operationOf(row: StoredOperation): Operation {
  const { op, key, fromCourse, fromKey } = row;
  const thing = {
    key,
    origin: fromCourse === null || fromKey === null ? null : { course: fromCourse, item: fromKey },
  };
  switch (op) {
    case 'added':
      return {
        op,
        ...thing,
        part: row.part ?? undefined,
        after: read<SnapshotItem>(row.after),
        notedBefore: read<Noted>(row.notedBefore),
      };
    case 'changed':
      return {
        op,
        ...thing,
        before: read<Fields>(row.before),
        after: read<Fields>(row.after),
        notedBefore: read<Noted>(row.notedBefore),
      };
    case 'removed':
      return { op, ...thing, before: read<SnapshotItem>(row.before), notedBefore: read<Noted>(row.notedBefore) };
    case 'set':
      return { op, ...thing, before: read<CourseFields>(row.before) ?? {}, after: read<CourseFields>(row.after) ?? {} };
    case 'noted':
      return { op, ...thing, before: read<Noted>(row.before), after: read<Noted>(row.after) };
    case 'aliased':
    case 'unaliased':
      return { op, ...thing };
  }
}

const asKept = (side: unknown): string | undefined => (side === undefined ? undefined : JSON.stringify(side));

/** Keeps what a deed changed, in one statement. Both sides are handed over as the texts that they are kept as. */
export async function insertOperations(
  manager: EntityManager,
  deedId: number,
  operations: readonly Operation[],
): Promise<void> {
  if (operations.length === 0) return;
  const rows = operations.map((each) => ({
    op: each.op,
    key: each.key,
    ...each.origin,
    part: each.op === 'added' ? each.part : undefined,
    before: 'before' in each ? asKept(each.before) : undefined,
    after: 'after' in each ? asKept(each.after) : undefined,
    noted: 'notedBefore' in each ? asKept(each.notedBefore) : undefined,
  }));
  await manager.query(
    `INSERT INTO operation (deed_id, place, op, key, from_course, from_key, part, before, after, noted_before)
     SELECT ?, key, value->>'op', value->>'key', value->>'course', value->>'item', value->>'part', value->>'before',
            value->>'after', value->>'noted'
       FROM ${ROWS}`,
    [deedId, JSON.stringify(rows)],
  );
}

/** Everything that a deed changed, in its order. */
export async function operationsOf(manager: EntityManager, deedId: number): Promise<Operation[]> {
  const rows = await manager.query<StoredOperation[]>(
    `SELECT ${OPERATION} FROM operation WHERE deed_id = ? ORDER BY place`,
    [deedId],
  );
  return rows.map(operationOf);
}

/** An operation, and the deed that it belongs to. */
export interface LaterOperation {
  readonly operation: Operation;
  readonly at: string;
  readonly what: string;
  readonly deedId: number;
  readonly runId: string | null;
}

/**
 * What was changed in the same course after a deed and stands, the latest first; of what was taken back whole neither it nor
 * that it was.
 */
export async function laterOperations(
  manager: EntityManager,
  { id, courseId }: { readonly id: number; readonly courseId: string },
): Promise<readonly LaterOperation[]> {
  const rows = await manager.query<(StoredOperation & Omit<LaterOperation, 'operation'>)[]>(
    `SELECT deed.id AS deedId, deed.at, deed.what, deed.run_id AS runId, ${OPERATION}
       FROM deed CROSS JOIN operation ON operation.deed_id = deed.id
      WHERE deed.course_id = ? AND deed.id > ? AND deed.undone_by IS NULL
        AND NOT EXISTS (SELECT 1 FROM deed AS target WHERE target.id = deed.takes_back AND target.undone_by = deed.id)
        AND operation.op NOT IN ('noted', 'aliased', 'unaliased')
      ORDER BY deed.id DESC, operation.place`,
    [courseId, id],
  );
  return rows.map(({ deedId, at, what, runId, ...row }) => ({ deedId, at, what, runId, operation: operationOf(row) }));
}

/** What a thing was changed by, the latest first, and by whom; what runs brought stands in their records. */
export async function changesOf(
  manager: EntityManager,
  courseId: string,
  key: string,
): Promise<
  readonly { readonly operation: Extract<Operation, { op: 'changed' }>; readonly at: string; readonly by: string }[]
> {
  const rows = await manager.query<(StoredOperation & { readonly at: string; readonly by: string })[]>(
    `SELECT deed.at, ${DOER_NAME('deed.person_id', 'deed.for_person_id')} AS "by", ${OPERATION}
       FROM deed CROSS JOIN operation ON operation.deed_id = deed.id
      WHERE deed.course_id = ? AND deed.run_id IS NULL AND operation.key = ? AND operation.op = 'changed'
      ORDER BY deed.id DESC`,
    [courseId, key],
  );
  return rows.flatMap(({ at, by, ...row }) => {
    const operation = operationOf(row);
    return operation.op === 'changed' ? [{ at, by, operation }] : [];
  });
}

/** Whether a deed put its course into the archive, or brought it back from there. */
export async function isOfArchive(manager: EntityManager, deedId: number): Promise<boolean> {
  const rows = await manager.query<unknown[]>(
    `SELECT 1 FROM operation WHERE deed_id = ? AND op = 'set' AND after->>'archived' IS NOT NULL`,
    [deedId],
  );
  return rows.length > 0;
}
