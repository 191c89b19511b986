import { ROWS, VALUES } from '../database/lists.js';
import { groupBy, isMust, MUST_LINKS, writes, type LinkType, type Operation, type Problem } from '@yarin/core';
import { OF_WORK } from '../courses/courseStore.js';
import { NEXT_VERSION } from '../courses/things.js';
import type { EntityManager } from 'typeorm';
import { sourcesOf, type RunRow } from '../database/entities/run.js';

interface Thing {
  readonly key: string;
  readonly title: string;
}

/** What somebody did to a course since a run. */
export interface ChangedSince {
  /** Things that the run wrote, and that are not as it left them. */
  readonly edited: readonly Thing[];
  /** Things of somebody's own in units that the run added. */
  readonly within: readonly (Thing & { readonly parent: string })[];
  /** Things of somebody's own that would be broken without what the run added. */
  readonly leaning: readonly (Thing & { readonly on: string })[];
}

/** What is known of a run and of what came after it. */
export interface RunSince {
  /** All operations of the run. */
  readonly wroteBy: readonly Operation[];
  /** Things that were changed after it. */
  readonly changedLater: ReadonlySet<string>;
}

/** @param operations  of the run, those that are taken back */
export async function changedSince(
  manager: EntityManager,
  run: RunRow,
  operations: readonly Operation[],
  { wroteBy, changedLater }: RunSince,
): Promise<ChangedSince> {
  const added = addedBy(operations);
  const written = operations.filter(writes).map(({ origin, key }) => `${origin?.course} ${key}`);
  const edited = await manager.query<Thing[]>(
    `SELECT item.key, item.title FROM item
       JOIN lineage ON lineage.course_id = item.course_id AND lineage.item_key = item.key
      WHERE item.course_id = ? AND lineage.source_course_id IN ${VALUES}
        AND lineage.source_course_id || ' ' || item.key IN ${VALUES}
        AND (item.content_hash <> lineage.landed_hash OR item.version <> lineage.landed_version
             OR EXISTS (SELECT 1 FROM learner_record
                         WHERE learner_record.course_id = item.course_id AND learner_record.item_key = item.key AND ${OF_WORK}))`,
    [run.destinationId, JSON.stringify(sourcesOf(run)), JSON.stringify(written)],
  );
  const within = await manager.query<ChangedSince['within'][number][]>(
    `SELECT key, title, parent_key AS parent FROM item
      WHERE course_id = ? AND parent_key IN ${VALUES} AND key NOT IN ${VALUES}`,
    [run.destinationId, JSON.stringify(added), JSON.stringify(added)],
  );
  const leaning = await manager.query<ChangedSince['leaning'][number][]>(
    `SELECT item.key, item.title, item_link.to_key AS "on" FROM item_link
       JOIN item ON item.course_id = item_link.course_id AND item.key = item_link.from_key
      WHERE item_link.course_id = ? AND item_link.other_course IS NULL
        AND item_link.type IN ${VALUES} AND item_link.to_key IN ${VALUES}
        AND item_link.from_key NOT IN ${VALUES}
        AND (item_link.from_key IN ${VALUES}
             OR NOT EXISTS (SELECT 1 FROM lineage WHERE lineage.course_id = item.course_id AND lineage.item_key = item.key))`,
    [
      run.destinationId,
      ...[MUST_LINKS, added, writtenKeys(wroteBy), [...changedLater]].map((list) => JSON.stringify(list)),
    ],
  );
  return { edited, within, leaning };
}

const writtenKeys = (operations: readonly Operation[]): string[] =>
  operations.flatMap((each) => (writes(each) ? [each.key] : []));

/** Keys of what a run added. */
export const addedBy = (operations: readonly Operation[]): string[] =>
  operations.flatMap(({ op, key }) => (op === 'added' ? [key] : []));

/** A problem each, for who is asked what becomes of them. */
export const toldChanged = ({ edited, within, leaning }: ChangedSince): Problem[] => {
  const titles = new Map([...edited, ...within, ...leaning].map(({ key, title }) => [key, title]));
  return [...titles].map(([key, title]) => ({ code: 'changedSince', message: title, where: `/${key}` }));
};

/**
 * What of a run stays when all that was changed since does: the changed things, and of what the run added the units that
 * they stand in and what they would be broken without.
 *
 * @returns keys among what the run wrote
 */
export async function keptWith(
  manager: EntityManager,
  { destinationId }: RunRow,
  operations: readonly Operation[],
  { edited, within, leaning }: ChangedSince,
): Promise<ReadonlySet<string>> {
  const added = new Set(addedBy(operations));
  const holders = await holdersIn(manager, destinationId);
  const kept = new Set(edited.map(({ key }) => key));
  const waiting = [
    ...[...kept].flatMap((key) => holders.get(key) ?? []),
    ...within.map(({ parent }) => parent),
    ...leaning.map(({ on }) => on),
  ];
  for (let key = waiting.pop(); key !== undefined; key = waiting.pop()) {
    if (kept.has(key) || !added.has(key)) continue;
    kept.add(key);
    waiting.push(...(holders.get(key) ?? []));
  }
  return kept;
}

/** By the key of a thing, what it can't stand without: its unit, and the ends of links that it would be broken without. */
async function holdersIn(manager: EntityManager, courseId: string): Promise<ReadonlyMap<string, readonly string[]>> {
  const links = await manager.query<{ from: string; to: string; type: LinkType }[]>(
    'SELECT from_key AS "from", to_key AS "to", type FROM item_link WHERE course_id = ?',
    [courseId],
  );
  const units = [...(await parentsIn(manager, courseId))].flatMap(([from, to]) => (to === null ? [] : [{ from, to }]));
  const holding = groupBy([...links.filter(({ type }) => isMust(type)), ...units], ({ from }) => from);
  return new Map([...holding].map(([key, held]) => [key, held.map(({ to }) => to)]));
}

/** What somebody put into units that go stands where those stood. */
export async function moveOut(
  manager: EntityManager,
  courseId: string,
  gone: ReadonlySet<string>,
  { within }: ChangedSince,
): Promise<void> {
  const parents = await parentsIn(manager, courseId);
  const moved = within.map(({ key, parent }) => {
    let to: string | null = parent;
    while (to !== null && gone.has(to)) to = parents.get(to) ?? null;
    return { key, to };
  });
  await manager.query(
    `WITH moved AS MATERIALIZED (SELECT value->>'key' AS key, value->>'to' AS parent FROM ${ROWS})
     UPDATE item SET parent_key = moved.parent, version = ${NEXT_VERSION}
       FROM moved WHERE item.course_id = ? AND item.key = moved.key`,
    [JSON.stringify(moved), courseId],
  );
}

async function parentsIn(manager: EntityManager, courseId: string): Promise<ReadonlyMap<string, string | null>> {
  const rows = await manager.query<{ key: string; parent: string | null }[]>(
    'SELECT key, parent_key AS parent FROM item WHERE course_id = ?',
    [courseId],
  );
  return new Map(rows.map(({ key, parent }) => [key, parent]));
}
