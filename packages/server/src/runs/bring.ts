import {
  contentHash,
  isWritten,
  LEARNER_SORTS,
  type BringOutcome,
  type Decisions,
  type Finding,
  type LearnerSort,
  type LineageEntry,
  previewPlan,
  type Policy,
  type Preview,
  type PreviewItem,
  type RunCounts,
  type SnapshotItem,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { insertBodies, insertLinks, insertMoments } from '../courses/courseWriter.js';
import { CourseRow } from '../database/entities/course.js';
import { PlanRow, RunRow } from '../database/entities/run.js';
import { noteDeed, type Doer } from '../history/deeds.js';
import { notFound } from '../http/httpProblem.js';
import { groundOn, inputOn, orRefuse, readSides } from '../plans/workedPlan.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import type { Command } from '../writer/command.js';
import { nativeHash } from './nativeHash.js';
import type { RunOperation, StoredItem } from './operations.js';
import { learnerCounts, removeHanging, storedItems } from './storedItems.js';

export interface BringInput {
  readonly runId: string;
  readonly planId: string;
  readonly doer: Doer;
  /** Wall-clock moment of the run in the institution's zone. */
  readonly at: string;
  /** What follows from both courses alone, with the versions of them that it holds for. */
  readonly known?: {
    readonly sourceVersion: number;
    readonly shellVersion: number;
    readonly findings: readonly Finding[];
    readonly policy: Policy;
  };
}

/**
 * Carries a plan out: works it out again inside the transaction, and writes what it says. A plan that has nothing to
 * write makes no run, so a second press does nothing.
 */
export const bring: Command<BringInput, BringOutcome> = async (
  { manager, progress },
  { runId, planId, doer, at, known },
) => {
  const plan = await manager.findOneBy(PlanRow, { id: planId });
  if (plan === null) throw notFound('This plan is not there any more.');
  const sides = await readSides(manager, plan.sourceId, plan.destinationId);
  const stillHolds =
    known !== undefined &&
    (await versionOf(manager, plan.sourceId)) === known.sourceVersion &&
    (await versionOf(manager, plan.destinationId)) === known.shellVersion;
  const ground = stillHolds
    ? { ...sides, findings: known.findings, suggestion: { proposed: { policy: known.policy } } }
    : await groundOn(manager, sides);
  progress(0.2);
  const shell = await manager.findOneByOrFail(CourseRow, { id: plan.destinationId });
  const input = inputOn(ground, plan.decisions, at, await standingRecipe(manager, shell.department));
  const preview = orRefuse(previewPlan(input));
  progress(0.4);
  if (preview.toWrite === 0) {
    const [last] = await manager.find(RunRow, { where: { planId }, order: { number: 'DESC' }, take: 1 });
    return { outcome: 'nothingToBring', runId: last?.id ?? null };
  }
  const { sourceId, destinationId } = plan;
  const learnersBefore = await learnerCounts(manager, destinationId);
  const { source } = ground;
  const landed = landedItems(preview, source.items);
  const added = landed.filter(({ isNew }) => isNew);
  const changed = landed.filter(({ isNew }) => !isNew);

  const before = await storedItems(
    manager,
    destinationId,
    changed.map(({ item }) => item.id),
  );
  await insertBodies(manager, writtenTexts(plan.decisions));
  await insertItems(manager, sourceId, destinationId, added, at);
  progress(0.6);
  await replaceItems(manager, sourceId, destinationId, changed, at);
  const items = landed.map(({ item }) => item);
  await insertMoments(manager, destinationId, items);
  await insertLinks(manager, destinationId, items);
  progress(0.8);
  const operations = operationsOf(preview, landed, before, ground.lineage);
  await noteLineage(manager, { runId, sourceId, destinationId }, operations);
  await manager.query('UPDATE course SET version = version + 1 WHERE id = ?', [destinationId]);
  const learnersAfter = await learnerCounts(manager, destinationId);
  const learners = Object.fromEntries(
    LEARNER_SORTS.map((sort) => [sort, learnersAfter[sort] - learnersBefore[sort]]),
  ) as Record<LearnerSort, number>;
  if (Object.values(learners).some((count) => count !== 0)) throw new Error('A run touched learner data.');
  await manager.query(
    `INSERT INTO run (id, plan_id, source_id, destination_id, person_id, for_person_id, at, policy, counts, operations, number)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, (SELECT coalesce(max(number), 0) + 1 FROM run))`,
    [
      runId,
      planId,
      sourceId,
      destinationId,
      doer.personId,
      doer.forPersonId,
      at,
      JSON.stringify(input.policy),
      JSON.stringify(countsOf(preview, operations, learners)),
      JSON.stringify(operations),
    ],
  );
  await noteDeed(manager, doer, {
    courseId: destinationId,
    at,
    what: `brought ${preview.toWrite} things from ${source.course.term}`,
  });
  progress(1);
  return { outcome: 'brought', runId };
};

async function versionOf(manager: EntityManager, courseId: string): Promise<number> {
  const [row] = await manager.query<{ version: number }[]>('SELECT version FROM course WHERE id = ?', [courseId]);
  return row!.version;
}

/** Texts that a person wrote when both sides had one. */
const writtenTexts = ({ answers = {} }: Decisions): string[] =>
  Object.values(answers).flatMap(({ body }) => (typeof body === 'object' && body.text !== '' ? [body.text] : []));

interface Landed {
  readonly item: PreviewItem;
  readonly source: SnapshotItem;
  readonly isNew: boolean;
  readonly landedHash: string;
  /** A heading or a place holds less than its source: the rest is still to come. */
  readonly isPart: boolean;
}

function landedItems(preview: Preview, sourceItems: readonly SnapshotItem[]): Landed[] {
  const items = new Map(preview.items.map((item) => [item.id, item]));
  const sources = new Map(sourceItems.map((item) => [item.id, item]));
  return preview.lines.filter(isWritten).map(({ item: from, to, verb, place, headingOnly }) => {
    const item = items.get(to!)!;
    const source = sources.get(from!)!;
    const landedHash = saysTheSame(item, source) ? source.contentHash : contentHash(item, item.bodyHash, nativeHash);
    const isPart = place === true || headingOnly === true;
    return { item, source, isNew: verb === 'add' || verb === 'leave', landedHash, isPart };
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

/** How things land; what they take over from the source as it is, is left to the database. */
const rowsOf = (landed: readonly Landed[]): string =>
  JSON.stringify(
    landed.map(({ item, source, landedHash }) => ({
      from: source.id,
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

async function insertItems(
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
       FROM json_each(?) AS landing CROSS JOIN item AS old ON old.course_id = ? AND old.key = landing.value->>'from'`,
    [destinationId, at, rowsOf(added), sourceId],
  );
}

/** Gives items of the shell the content that comes; they keep their key and place, and take the source's key as a second one. */
async function replaceItems(
  manager: EntityManager,
  sourceId: string,
  destinationId: string,
  changed: readonly Landed[],
  at: string,
): Promise<void> {
  if (changed.length === 0) return;
  const rows = rowsOf(changed);
  await manager.query(
    `UPDATE item SET title = ${TAKEN_OVER.title}, body_hash = ${TAKEN_OVER.body}, state = landing.value->>'state',
            points = ${TAKEN_OVER.points}, details = ${TAKEN_OVER.details}, content_hash = ${TAKEN_OVER.hash},
            edited_at = coalesce(old.edited_at, ?), version = item.version + 1
       FROM json_each(?) AS landing CROSS JOIN item AS old ON old.course_id = ? AND old.key = landing.value->>'from'
      WHERE item.course_id = ? AND item.key = landing.value->>'to'`,
    [at, rows, sourceId, destinationId],
  );
  await removeHanging(
    manager,
    destinationId,
    changed.map(({ item }) => item.id),
  );
}

function operationsOf(
  preview: Preview,
  landed: readonly Landed[],
  before: ReadonlyMap<string, StoredItem>,
  lineage: readonly LineageEntry[],
): RunOperation[] {
  const known = new Map(
    lineage.map(({ item, sourceHash, landedHash, landedVersion }) => [item, { sourceHash, landedHash, landedVersion }]),
  );
  const written = landed.map(({ item, source, isNew, isPart }): RunOperation =>
    isNew
      ? { op: 'added', key: item.id, from: source.id, place: item.isPlace, isPart }
      : {
          op: 'changed',
          key: item.id,
          from: source.id,
          before: before.get(item.id)!,
          lineageBefore: known.get(item.id),
        },
  );
  const noted = preview.lines.flatMap(({ verb, answered, item, to }): RunOperation[] =>
    verb === 'same' || answered === 'kept' ? [{ op: 'noted', key: to!, from: item! }] : [],
  );
  return [...written, ...noted];
}

/**
 * Notes for everything that was written or found to be the same where it came from, and what both say now. What an
 * earlier run brought stays that run's; only what both say is noted anew.
 */
async function noteLineage(
  manager: EntityManager,
  run: { readonly runId: string; readonly sourceId: string; readonly destinationId: string },
  operations: readonly RunOperation[],
): Promise<void> {
  const pairs = operations.map((each) => ({
    key: each.key,
    from: each.from,
    part: each.op === 'added' && each.isPart === true ? 1 : undefined,
  }));
  await manager.query(
    `INSERT INTO lineage (course_id, source_course_id, source_key, item_key, run_id, source_hash, landed_hash, landed_version)
     SELECT ?, ?, old.key, landed.key, ?,
            CASE WHEN pair.value->>'part' THEN landed.content_hash ELSE old.content_hash END,
            landed.content_hash, landed.version
       FROM json_each(?) AS pair
            CROSS JOIN item AS old ON old.course_id = ? AND old.key = pair.value->>'from'
            CROSS JOIN item AS landed ON landed.course_id = ? AND landed.key = pair.value->>'key'
      WHERE true ON CONFLICT (course_id, source_course_id, source_key)
         DO UPDATE SET source_hash = excluded.source_hash, landed_hash = excluded.landed_hash,
                       landed_version = excluded.landed_version`,
    [run.destinationId, run.sourceId, run.runId, JSON.stringify(pairs), run.sourceId, run.destinationId],
  );
  await manager.query(
    `INSERT INTO item_alias (course_id, alias, key)
     SELECT ?, value->>'from', value->>'key' FROM json_each(?) WHERE true ON CONFLICT DO NOTHING`,
    [run.destinationId, JSON.stringify(pairs.filter(({ key, from }) => key !== from))],
  );
}

function countsOf(preview: Preview, operations: readonly RunOperation[], learners: RunCounts['learners']): RunCounts {
  const added = operations.filter(({ op }) => op === 'added').length;
  const places = operations.filter((each) => each.op === 'added' && each.place).length;
  return {
    things: preview.toWrite,
    added,
    changed: operations.filter(({ op }) => op === 'changed').length,
    places,
    dates: preview.dates.filter(({ to }) => to !== null).length,
    left: Object.values(preview.counts).reduce((sum, { leave }) => sum + leave, 0),
    byKind: Object.fromEntries(
      Object.entries(preview.counts).map(([kind, { source, bring: brought }]) => [kind, { source, brought }]),
    ),
    learners,
  };
}
