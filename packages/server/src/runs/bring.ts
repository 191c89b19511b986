import {
  LEARNER_SORTS,
  type BringOutcome,
  type Decisions,
  type Finding,
  type LearnerSort,
  previewPlan,
  type PlanInput,
  type PlanPolicy,
  type Preview,
  type RunCounts,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { insertBodies, insertLinks, insertMoments } from '../courses/courseWriter.js';
import { CourseRow } from '../database/entities/course.js';
import { PlanRow, RunRow, sourcesOf } from '../database/entities/run.js';
import { noteDeed, type Doer } from '../history/deeds.js';
import { conflict, notFound, type HttpProblem } from '../http/httpProblem.js';
import { standingOf } from '../plans/planGrounds.js';
import { groundOn, inputOn, orRefuse, readCourse, readSides, type PairGround } from '../plans/workedPlan.js';
import { seePlan } from '../plans/planCommands.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import type { Command } from '../writer/command.js';
import { aliasesOf, noteLineage, operationsOf } from './journal.js';
import { insertItems, landedThings, replaceItems } from './landedRows.js';
import type { RunOperation } from './operations.js';
import { learnerCounts, removeHanging, storedItems } from './storedItems.js';

export interface BringInput {
  readonly runId: string;
  readonly planId: string;
  readonly doer: Doer;
  /** Wall-clock moment of the run in the institution's zone. */
  readonly at: string;
  /** The version of the plan that the person saw; not compared when absent. */
  readonly version?: number | undefined;
  /** What the plan that the person saw was computed from (`PlanGrounds.standing`); not compared when absent. */
  readonly stands?: string | undefined;
  /** What follows from a source and the shell alone, with the versions of them that it holds for; by the source. */
  readonly known?: Readonly<Record<string, KnownOfPair>>;
}

export interface KnownOfPair {
  readonly sourceVersion: number;
  readonly shellVersion: number;
  readonly findings: readonly Finding[];
  readonly policy: PlanPolicy;
}

/**
 * Carries a plan out: works it out again inside the transaction, and writes what it says. A plan that has nothing to
 * write makes no run, so a second press does nothing.
 */
export const bring: Command<BringInput, BringOutcome> = async (context, input) => {
  const { runId, planId, doer, at, version, stands, known = {} } = input;
  const { manager, progress } = context;
  const plan = await manager.findOneBy(PlanRow, { id: planId });
  if (plan === null) throw notFound('This plan is not there any more.');
  if (version !== undefined && version !== plan.version) throw decidedElsewhere();
  const { sourceId, furtherSources, destinationId } = plan;
  const grounds: PairGround[] = [];
  const sourceIds = sourcesOf(plan);
  if (stands !== undefined) await refuseMoved(manager, sourceIds, destinationId, stands);
  for (const id of sourceIds) grounds.push(await groundOf(manager, id, destinationId, sourceIds, known[id]));
  progress(0.2);
  const shell = await manager.findOneByOrFail(CourseRow, { id: destinationId });
  const planInput = inputOn(grounds, plan.decisions, at, await standingRecipe(manager, shell.department));
  const preview = orRefuse(previewPlan(planInput));
  progress(0.4);
  if (preview.toWrite === 0) {
    const [last] = await manager.find(RunRow, { where: { planId }, order: { number: 'DESC' }, take: 1 });
    return { outcome: 'nothingToBring', runId: last?.id ?? null };
  }
  const learnersBefore = await learnerCounts(manager, destinationId);
  const landed = landedThings(preview, planInput);
  const added = landed.filter(({ isNew }) => isNew);
  const changed = landed.filter(({ isNew }) => !isNew);

  const out = preview.lines.flatMap(({ takenOut, to }) => (takenOut === true ? to! : []));
  const before = await storedItems(manager, destinationId, [...changed.map(({ item }) => item.id), ...out]);
  await insertBodies(manager, writtenTexts(plan.decisions));
  await insertItems(manager, sourceId, destinationId, added, at);
  progress(0.6);
  await replaceItems(manager, sourceId, destinationId, changed, at);
  await takeOut(manager, destinationId, out);
  const items = landed.map(({ item }) => item);
  await insertMoments(manager, destinationId, items);
  await insertLinks(manager, destinationId, items);
  progress(0.8);
  const operations = [
    ...operationsOf(planInput, preview, landed, before),
    ...(await aliasesOf(manager, planInput, preview, destinationId)),
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
      JSON.stringify(planInput.policy),
      JSON.stringify(countsOf(planInput, preview, operations, learners)),
      JSON.stringify(operations),
    ],
  );
  await noteDeed(manager, doer, {
    courseId: destinationId,
    at,
    what: `brought ${landed.length} things from ${sourceNames(planInput).join(' and ')}${out.length === 0 ? '' : ` and took ${out.length} out`}`,
  });
  await seePlan(context, { planId });
  progress(1);
  return { outcome: 'brought', runId };
};

/** Refuses a plan whose page was computed from something else than stands now: what it shows would not be what is brought. */
async function refuseMoved(
  manager: EntityManager,
  sourceIds: readonly string[],
  destinationId: string,
  stands: string,
): Promise<void> {
  const courseOf = (id: string): Promise<CourseRow> => manager.findOneByOrFail(CourseRow, { id });
  const sources = await Promise.all(sourceIds.map(courseOf));
  if ((await standingOf(manager, sources, await courseOf(destinationId))) !== stands) throw moved();
}

/** Nothing is brought that the page did not show. */
export const moved = (): HttpProblem =>
  conflict(
    'A course or its calendar changed since you opened this plan. Nothing was brought; look at what it says now, and press again.',
  );

/** Nor is anything that somebody else decided unseen. */
export const decidedElsewhere = (): HttpProblem =>
  conflict(
    'Somebody decided something else in this plan since you looked. Nothing was brought; look at what it says now, and press again.',
  );

/** What a plan needs of one source; what is known of it already serves when neither course changed since. */
async function groundOf(
  manager: EntityManager,
  sourceId: string,
  destinationId: string,
  sourceIds: readonly string[],
  known: KnownOfPair | undefined,
): Promise<PairGround> {
  const sides = await readSides(manager, await readCourse(manager, sourceId), destinationId);
  const stillHolds =
    known !== undefined &&
    (await versionOf(manager, sourceId)) === known.sourceVersion &&
    (await versionOf(manager, destinationId)) === known.shellVersion;
  if (!stillHolds) return groundOn(manager, sides, sourceIds);
  return { ...sides, findings: known.findings, suggestion: { proposed: { policy: known.policy } } };
}

async function versionOf(manager: EntityManager, courseId: string): Promise<number> {
  const [row] = await manager.query<{ version: number }[]>('SELECT version FROM course WHERE id = ?', [courseId]);
  return row!.version;
}

async function takeOut(manager: EntityManager, courseId: string, keys: readonly string[]): Promise<void> {
  if (keys.length === 0) return;
  await removeHanging(manager, courseId, keys);
  await manager.query('DELETE FROM item WHERE course_id = ? AND key IN (SELECT value FROM json_each(?))', [
    courseId,
    JSON.stringify(keys),
  ]);
}

/** Texts that a person wrote when both sides had one. */
const writtenTexts = ({ answers = {} }: Decisions): string[] =>
  Object.values(answers).flatMap(({ body }) => (typeof body === 'object' && body.text !== '' ? [body.text] : []));

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
    things: operations.filter(({ op }) => op === 'added' || op === 'changed').length,
    added,
    changed: operations.filter(({ op }) => op === 'changed').length,
    places,
    takenOut: operations.filter(({ op }) => op === 'takenOut').length,
    dates: preview.dates.filter(({ to }) => to !== null).length,
    left: Object.values(preview.counts).reduce((sum, { leave }) => sum + leave, 0),
    byKind: Object.fromEntries(
      Object.entries(preview.counts).map(([kind, { source, bring: brought }]) => [kind, { source, brought }]),
    ),
    ...(bySource === undefined ? {} : { bySource }),
    learners,
  };
}
