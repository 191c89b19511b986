import {
  LEARNER_SORTS,
  type BringOutcome,
  type Decisions,
  type Finding,
  type LearnerSort,
  type LineageEntry,
  previewPlan,
  type Policy,
  type Preview,
  type RunCounts,
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
import { insertItems, landedThings, replaceItems, type Landed } from './landedRows.js';
import type { RunOperation, StoredItem } from './operations.js';
import { learnerCounts, storedItems } from './storedItems.js';

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
  const landed = landedThings(preview, source.items);
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
