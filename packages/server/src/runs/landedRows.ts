import { ROWS, VALUES } from '../database/lists.js';
import {
  contentHash,
  isWritten,
  landsNew,
  originOf,
  type Joined,
  type Origin,
  type Preview,
  type PreviewItem,
  type Snapshot,
  type SnapshotItem,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { nativeHash } from '../courses/nativeHash.js';
import { NEXT_VERSION, removeHanging } from '../courses/things.js';

/** Something that a run writes: how it lands, and what it comes from. */
export interface Landed {
  readonly item: PreviewItem;
  readonly source: SnapshotItem;
  readonly origin: Origin;
  readonly isNew: boolean;
  readonly landedHash: string;
}

export function landedThings(
  preview: Preview,
  ground: { readonly source: Snapshot; readonly joined?: Joined | undefined },
): Landed[] {
  const items = new Map(preview.items.map((item) => [item.id, item]));
  const sources = new Map(ground.source.items.map((item) => [item.id, item]));
  return preview.lines.filter(isWritten).map((line) => {
    const { item: from, to } = line;
    const item = items.get(to!)!;
    const source = sources.get(from!)!;
    const landedHash = saysTheSame(item, source) ? source.contentHash : contentHash(item, item.bodyHash, nativeHash);
    return {
      item,
      source,
      origin: originOf(ground, from!),
      isNew: landsNew(line),
      landedHash,
    };
  });
}

/** What has no dates and keeps its words and details lands with the content that it had, and so with its hash. */
const saysTheSame = (item: PreviewItem, source: SnapshotItem): boolean =>
  (source.moments ?? []).length === 0 &&
  (item.moments ?? []).length === 0 &&
  item.title === source.title &&
  item.points === source.points &&
  item.bodyHash === source.bodyHash &&
  item.details === source.details;

/** Says in a row that nothing stands there, where leaving it out would take over the source's. */
const NOTHING = '';

/**
 * How things land; what they take over from the source as it is, is left to the database.
 *
 * @param sourceId  the course that they are from unless their row says another
 */
const rowsOf = (landed: readonly Landed[], sourceId: string): string =>
  JSON.stringify(
    landed.map(({ item, source, origin, landedHash }) => ({
      from: origin.item,
      course: origin.course === sourceId ? undefined : origin.course,
      to: item.id,
      parent: item.parent,
      position: item.position,
      state: item.state,
      title: item.title === source.title ? undefined : item.title,
      points: item.points === source.points ? undefined : (item.points ?? NOTHING),
      body: item.bodyHash === source.bodyHash ? undefined : (item.bodyHash ?? NOTHING),
      details: item.details === source.details ? undefined : (item.details ?? {}),
      hash: landedHash === source.contentHash ? undefined : landedHash,
    })),
  );

const TAKEN_OVER = {
  title: `coalesce(landing.value->>'title', old.title)`,
  points: `nullif(coalesce(landing.value->>'points', old.points), '${NOTHING}')`,
  body: `nullif(coalesce(landing.value->>'body', old.body_hash), '${NOTHING}')`,
  details: `coalesce(landing.value->'details', old.details)`,
  hash: `coalesce(landing.value->>'hash', old.content_hash)`,
};

/** Adds what the shell does not have yet. */
export async function insertItems(
  manager: EntityManager,
  sourceId: string,
  destinationId: string,
  added: readonly Landed[],
  at: string,
): Promise<void> {
  if (added.length === 0) return;
  await manager.query(
    `INSERT INTO item (course_id, key, kind, title, body_hash, parent_key, position, state, points, details, content_hash, edited_at)
     SELECT ?, landing.value->>'to', old.kind, ${TAKEN_OVER.title}, ${TAKEN_OVER.body}, landing.value->>'parent',
            landing.value->>'position', landing.value->>'state', ${TAKEN_OVER.points}, ${TAKEN_OVER.details},
            ${TAKEN_OVER.hash}, coalesce(old.edited_at, ?)
       FROM ${ROWS} AS landing CROSS JOIN item AS old
            ON old.course_id = coalesce(landing.value->>'course', ?) AND old.key = landing.value->>'from'`,
    [destinationId, at, rowsOf(added, sourceId), sourceId],
  );
}

/** Gives items of the shell the content that comes; they keep their key and place, and take the source's key as a second one. */
export async function replaceItems(
  manager: EntityManager,
  sourceId: string,
  destinationId: string,
  changed: readonly Landed[],
  at: string,
): Promise<void> {
  if (changed.length === 0) return;
  const rows = rowsOf(changed, sourceId);
  await manager.query(
    `WITH landing AS MATERIALIZED ${VALUES}
     UPDATE item SET title = ${TAKEN_OVER.title}, body_hash = ${TAKEN_OVER.body}, state = landing.value->>'state',
            points = ${TAKEN_OVER.points}, details = ${TAKEN_OVER.details}, content_hash = ${TAKEN_OVER.hash},
            edited_at = coalesce(old.edited_at, ?), version = ${NEXT_VERSION}
       FROM landing CROSS JOIN item AS old
            ON old.course_id = coalesce(landing.value->>'course', ?) AND old.key = landing.value->>'from'
      WHERE item.course_id = ? AND item.key = landing.value->>'to'`,
    [rows, at, sourceId, destinationId],
  );
  await removeHanging(
    manager,
    destinationId,
    changed.map(({ item }) => item.id),
  );
}
