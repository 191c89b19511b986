import { ROWS, VALUES } from '../database/lists.js';
import { takenBack, type CourseState, type InTheWay, type Manner, type Operation } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { readSnapshot } from '../courses/courseStore.js';
import { readCourseFields, writeCourseFields } from '../courses/courseFields.js';
import { putThings, removeThings } from '../courses/things.js';
import { DeedRow } from '../database/entities/access.js';
import { noteDeed, type Doer } from '../history/deeds.js';
import { insertOperations, operationsOf } from '../history/operationStore.js';
import { noteAsBefore, writeNoted } from './noted.js';
import { conflict } from '../http/httpProblem.js';
import { nativeHash } from '../courses/nativeHash.js';

export interface TakingBack {
  readonly deed: DeedRow;
  /** Everything that the deed changed, and after it what was taken back of it in part. */
  readonly operations: readonly Operation[];
  readonly manner: Manner;
  /** Nothing of it is left then. */
  readonly isWhole: boolean;
  /** A run is taken back in part, or that is done again. */
  readonly isOfRun: boolean;
  readonly doer: Doer;
  readonly at: string;
  /** How the history calls it. */
  readonly what: (done: readonly Operation[]) => string;
  /** What it changes beside things: what leads to them, and what is noted of them. */
  readonly beside: readonly Operation[];
}

const MOST_NAMED = 5;

/** What a deed changed that stands: its own operations, then those of deeds that took parts of it back. */
export async function standingOperations(manager: EntityManager, { id }: DeedRow): Promise<Operation[]> {
  const parts = await manager.query<{ id: number }[]>(
    'SELECT id FROM deed WHERE takes_back = ? AND undone_by IS NULL ORDER BY id',
    [id],
  );
  const operations = await operationsOf(manager, id);
  for (const part of parts) operations.push(...(await operationsOf(manager, part.id)));
  return operations;
}

/**
 * Takes back what a deed changed, whole or in part, and notes that as a deed of its own: it can be done again.
 *
 * @returns what was changed
 */
export async function takeBackDeed(
  manager: EntityManager,
  { deed, operations, manner, isWhole, isOfRun, doer, at, what, beside }: TakingBack,
): Promise<readonly Operation[]> {
  const { courseId } = deed;
  const [{ version }] = (await manager.query<{ version: number }[]>('SELECT version FROM course WHERE id = ?', [
    courseId,
  ])) as [{ version: number }];
  const { items } = (await readSnapshot(manager, courseId))!;
  const stamp = {
    version: items.reduce((most, item) => Math.max(most, item.version ?? 0), version) + 1,
    editedAt: at,
    editedBy: doer.personId,
    hash: nativeHash,
  };
  const standing = {
    things: new Map(items.map((item) => [item.id, item])),
    set: await readCourseFields(manager, courseId),
  };
  const { operations: done, course, inTheWay } = takenBack(courseId, operations, standing, stamp, manner);
  if (inTheWay.length > 0) throw refused(inTheWay);

  await removeThings(
    manager,
    courseId,
    done.flatMap(({ op, key }) => (op === 'removed' ? [key] : [])),
  );
  const put = done.flatMap(({ op, key }) => (op === 'added' || op === 'changed' ? [course.things.get(key)!] : []));
  await putThings(manager, courseId, put);
  for (const each of done) if (each.op === 'set') await writeCourseFields(manager, courseId, each.after);
  await writeNoted(manager, courseId, beside);
  const noted = manner.dates === true ? undefined : await noteAsBefore(manager, courseId, operations);
  if (isOfRun) await keepUntouched(manager, courseId, done, course);

  const id = await noteDeed(manager, doer, {
    courseId,
    at,
    what: what(done),
    itemKey: deed.itemKey ?? undefined,
    takesBack: deed.id,
  });
  const kept = done.map((each) =>
    each.op === 'changed' || each.op === 'removed' || each.op === 'added'
      ? { ...each, notedBefore: noted?.get(each.key) }
      : each,
  );
  await insertOperations(manager, id, [...kept, ...beside]);
  if (isWhole) await closeDeed(manager, deed, id);
  await manager.query('UPDATE course SET version = version + 1 WHERE id = ?', [courseId]);
  return done;
}

/** A deed is taken back whole; when that took another back, the other stands again. */
async function closeDeed(manager: EntityManager, deed: DeedRow, by: number): Promise<void> {
  await manager.update(DeedRow, { id: deed.id }, { undoneBy: by });
  if (deed.takesBack !== null)
    await manager.query('UPDATE deed SET undone_by = NULL WHERE id = ? AND undone_by = ?', [deed.takesBack, deed.id]);
}

/** What nobody had touched since it was brought is untouched still: that some of it was taken back is no edit of somebody's. */
async function keepUntouched(
  manager: EntityManager,
  courseId: string,
  done: readonly Operation[],
  { things }: CourseState,
): Promise<void> {
  const versions = new Map(done.flatMap((each) => (each.op === 'changed' ? [[each.key, each.before?.version]] : [])));
  const rows = await manager.query<{ course: string; item: string; key: string; version: number }[]>(
    `SELECT source_course_id AS course, source_key AS item, item_key AS key, landed_version AS version FROM lineage
      WHERE course_id = ? AND item_key IN ${VALUES}`,
    [courseId, JSON.stringify([...versions.keys()])],
  );
  const untouched = rows.flatMap(({ course, item, key, version }) => {
    const { version: now, contentHash: hash } = things.get(key)!;
    return versions.get(key) === version ? [{ course, item, now, hash }] : [];
  });
  await manager.query(
    `WITH noted AS MATERIALIZED (SELECT value->>'course' AS course, value->>'item' AS item, value FROM ${ROWS})
     UPDATE lineage SET landed_version = noted.value->>'now', landed_hash = noted.value->>'hash' FROM noted
      WHERE lineage.course_id = ? AND lineage.source_course_id = noted.course AND lineage.source_key = noted.item`,
    [JSON.stringify(untouched), courseId],
  );
}

const WHY: Readonly<Record<InTheWay['why'], (hindrance: InTheWay) => string>> = {
  changed: ({ title }) => (title === '' ? 'it was changed since' : `“${title}” was changed since`),
  gone: ({ title }) => (title === '' ? 'something of it was removed since' : `“${title}” was removed since`),
  there: ({ title }) => `“${title}” stands there again`,
  reversed: ({ title }) => `a date of “${title}” would come before one that it has to follow`,
  needed: ({ title, by }) => `“${by}” would break without “${title}”`,
};

function refused(inTheWay: readonly InTheWay[]): Error {
  const sentences = [...new Set(inTheWay.map((each) => WHY[each.why](each)))];
  const named = sentences.slice(0, MOST_NAMED).join('; ');
  const more = sentences.length > MOST_NAMED ? `; and ${sentences.length - MOST_NAMED} more` : '';
  return conflict(
    `Nothing was taken back: ${named}${more}.`,
    inTheWay.map((each) => ({ code: each.why, message: WHY[each.why](each), where: `/${each.key}` })),
  );
}
