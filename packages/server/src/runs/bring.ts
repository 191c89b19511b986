import {
  LEARNER_SORTS,
  type BringOutcome,
  type Decisions,
  type Finding,
  type LearnerSort,
  originKey,
  previewPlan,
  type PlanInput,
  type Policy,
  type Preview,
  type RunCounts,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { insertBodies, insertLinks, insertMoments } from '../courses/courseWriter.js';
import { CourseRow } from '../database/entities/course.js';
import { PlanRow, RunRow, sourcesOf } from '../database/entities/run.js';
import { noteDeed, type Doer } from '../history/deeds.js';
import { notFound } from '../http/httpProblem.js';
import { groundOn, inputOn, orRefuse, readSides, type KnownGround } from '../plans/workedPlan.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import type { Command } from '../writer/command.js';
import { insertItems, landedThings, originIn, replaceItems, type Landed } from './landedRows.js';
import type { RunOperation, StoredItem } from './operations.js';
import { learnerCounts, storedItems } from './storedItems.js';

export interface BringInput {
  readonly runId: string;
  readonly planId: string;
  readonly doer: Doer;
  /** Wall-clock moment of the run in the institution's zone. */
  readonly at: string;
  /** What follows from a source and the shell alone, with the versions of them that it holds for; by the source. */
  readonly known?: Readonly<Record<string, KnownOfPair>>;
}

export interface KnownOfPair {
  readonly sourceVersion: number;
  readonly shellVersion: number;
  readonly findings: readonly Finding[];
  readonly policy: Policy;
}

/**
 * Carries a plan out: works it out again inside the transaction, and writes what it says. A plan that has nothing to
 * write makes no run, so a second press does nothing.
 */
export const bring: Command<BringInput, BringOutcome> = async (
  { manager, progress },
  { runId, planId, doer, at, known = {} },
) => {
  const plan = await manager.findOneBy(PlanRow, { id: planId });
  if (plan === null) throw notFound('This plan is not there any more.');
  const { sourceId, furtherSources, destinationId } = plan;
  const grounds: KnownGround[] = [];
  for (const id of sourcesOf(plan)) grounds.push(await groundOf(manager, id, destinationId, known[id]));
  progress(0.2);
  const shell = await manager.findOneByOrFail(CourseRow, { id: destinationId });
  const input = inputOn(grounds, plan.decisions, at, await standingRecipe(manager, shell.department));
  const preview = orRefuse(previewPlan(input));
  progress(0.4);
  if (preview.toWrite === 0) {
    const [last] = await manager.find(RunRow, { where: { planId }, order: { number: 'DESC' }, take: 1 });
    return { outcome: 'nothingToBring', runId: last?.id ?? null };
  }
  const learnersBefore = await learnerCounts(manager, destinationId);
  const landed = landedThings(preview, input);
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
  const operations = [
    ...operationsOf(input, preview, landed, before),
    ...(await aliasesOf(manager, input, preview, destinationId)),
  ];
  await noteLineage(manager, { runId, sourceId, destinationId }, operations);
  await manager.query('UPDATE course SET version = version + 1 WHERE id = ?', [destinationId]);
  const learnersAfter = await learnerCounts(manager, destinationId);
  const learners = Object.fromEntries(
    LEARNER_SORTS.map((sort) => [sort, learnersAfter[sort] - learnersBefore[sort]]),
  ) as Record<LearnerSort, number>;
  if (Object.values(learners).some((count) => count !== 0)) throw new Error('A run touched learner data.');
  await manager.query(
    `INSERT INTO run (id, plan_id, source_id, further_sources, destination_id, person_id, for_person_id, at, policy, counts, operations, number)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, (SELECT coalesce(max(number), 0) + 1 FROM run))`,
    [
      runId,
      planId,
      sourceId,
      JSON.stringify(furtherSources),
      destinationId,
      doer.personId,
      doer.forPersonId,
      at,
      JSON.stringify(input.policy),
      JSON.stringify(countsOf(input, preview, operations, learners)),
      JSON.stringify(operations),
    ],
  );
  await noteDeed(manager, doer, {
    courseId: destinationId,
    at,
    what: `brought ${preview.toWrite} things from ${sourceNames(input).join(' and ')}`,
  });
  progress(1);
  return { outcome: 'brought', runId };
};

/** What a plan needs of one source; what is known of it already serves when neither course changed since. */
async function groundOf(
  manager: EntityManager,
  sourceId: string,
  destinationId: string,
  known: KnownOfPair | undefined,
): Promise<KnownGround> {
  const sides = await readSides(manager, sourceId, destinationId);
  const stillHolds =
    known !== undefined &&
    (await versionOf(manager, sourceId)) === known.sourceVersion &&
    (await versionOf(manager, destinationId)) === known.shellVersion;
  if (!stillHolds) return groundOn(manager, sides);
  return { ...sides, findings: known.findings, suggestion: { proposed: { policy: known.policy } } };
}

async function versionOf(manager: EntityManager, courseId: string): Promise<number> {
  const [row] = await manager.query<{ version: number }[]>('SELECT version FROM course WHERE id = ?', [courseId]);
  return row!.version;
}

/** Texts that a person wrote when both sides had one. */
const writtenTexts = ({ answers = {} }: Decisions): string[] =>
  Object.values(answers).flatMap(({ body }) => (typeof body === 'object' && body.text !== '' ? [body.text] : []));

function operationsOf(
  { source, joined, lineage }: PlanInput,
  preview: Preview,
  landed: readonly Landed[],
  before: ReadonlyMap<string, StoredItem>,
): RunOperation[] {
  const known = new Map(
    lineage.map(({ sourceCourse, sourceItem, sourceHash, landedHash, landedVersion }) => [
      originKey(sourceCourse, sourceItem),
      { sourceHash, landedHash, landedVersion },
    ]),
  );
  const originOf = originIn({ source, joined });
  const thing = (id: string): { from: string; source: string | undefined } => {
    const { course, item } = originOf(id);
    return { from: item, source: course === source.course.id ? undefined : course };
  };
  const written = landed.map(({ item, source: { id }, origin, isNew, isPart }): RunOperation =>
    isNew
      ? { op: 'added', key: item.id, ...thing(id), place: item.isPlace, isPart }
      : {
          op: 'changed',
          key: item.id,
          ...thing(id),
          before: before.get(item.id)!,
          lineageBefore: known.get(originKey(origin.course, origin.item)),
        },
  );
  const noted = preview.lines.flatMap(({ verb, answered, item, to }): RunOperation[] =>
    verb === 'same' || answered === 'kept' ? [{ op: 'noted', key: to!, ...thing(item!) }] : [],
  );
  return [...written, ...noted];
}

/** What led to the same thing of another source leads to the one that came; not what led somewhere here already. */
async function aliasesOf(
  manager: EntityManager,
  { joined }: PlanInput,
  { lines }: Preview,
  destinationId: string,
): Promise<RunOperation[]> {
  if (joined === undefined) return [];
  const wanted = lines.flatMap(({ item, to }): RunOperation[] =>
    item === null || to === null
      ? []
      : (joined.others.get(item) ?? [])
          .filter((other) => other.item !== to)
          .map(({ course, item: from }) => ({ op: 'aliased', key: to, from, source: course })),
  );
  const taken = await manager.query<{ key: string }[]>(
    `SELECT value AS key FROM json_each(?)
      WHERE EXISTS (SELECT 1 FROM item_alias WHERE course_id = ? AND alias = value)
         OR EXISTS (SELECT 1 FROM item WHERE course_id = ? AND item.key = value)`,
    [JSON.stringify(wanted.map(({ from }) => from)), destinationId, destinationId],
  );
  const isTaken = new Set(taken.map(({ key }) => key));
  return wanted.filter(({ from }) => !isTaken.has(from));
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
  const pairs = operations
    .filter(({ op }) => op !== 'aliased')
    .map((each) => ({
      key: each.key,
      from: each.from,
      course: each.source,
      part: each.op === 'added' && each.isPart === true ? 1 : undefined,
    }));
  await manager.query(
    `INSERT INTO lineage (course_id, source_course_id, source_key, item_key, run_id, source_hash, landed_hash, landed_version)
     SELECT ?, old.course_id, old.key, landed.key, ?,
            CASE WHEN pair.value->>'part' THEN landed.content_hash ELSE old.content_hash END,
            landed.content_hash, landed.version
       FROM json_each(?) AS pair
            CROSS JOIN item AS old
            ON old.course_id = coalesce(pair.value->>'course', ?) AND old.key = pair.value->>'from'
            CROSS JOIN item AS landed ON landed.course_id = ? AND landed.key = pair.value->>'key'
      WHERE true ON CONFLICT (course_id, source_course_id, source_key)
         DO UPDATE SET source_hash = excluded.source_hash, landed_hash = excluded.landed_hash,
                       landed_version = excluded.landed_version`,
    [run.destinationId, run.runId, JSON.stringify(pairs), run.sourceId, run.destinationId],
  );
  await manager.query(
    `INSERT INTO item_alias (course_id, alias, key)
     SELECT ?, value->>'from', value->>'key' FROM json_each(?) WHERE true ON CONFLICT DO NOTHING`,
    [
      run.destinationId,
      JSON.stringify(operations.filter(({ key, from }) => key !== from).map(({ key, from }) => ({ key, from }))),
    ],
  );
}

/** The terms of the courses that something comes from. */
const sourceNames = ({ source, joined }: PlanInput): string[] => [
  ...new Set((joined?.sources ?? [source]).map(({ course }) => course.term)),
];

function countsOf(
  { source, joined }: PlanInput,
  preview: Preview,
  operations: readonly RunOperation[],
  learners: RunCounts['learners'],
): RunCounts {
  const added = operations.filter(({ op }) => op === 'added').length;
  const from = (course: string): number =>
    operations.filter(
      (each) => (each.op === 'added' || each.op === 'changed') && (each.source ?? source.course.id) === course,
    ).length;
  const bySource = joined?.sources.map(({ course }) => ({
    course: course.id,
    name: `${course.code} ${course.number}, ${course.term}`,
    things: from(course.id),
  }));
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
    ...(bySource === undefined ? {} : { bySource }),
    learners,
  };
}
