import {
  countsOfRun,
  LEARNER_SORTS,
  operationsOfRun,
  type BringOutcome,
  type Decisions,
  type LearnerSort,
  previewPlan,
  type PlanInput,
  type RunCounts,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { insertBodies, insertLinks, insertMoments } from '../courses/courseWriter.js';
import { countUp } from '../database/counters.js';
import { CourseRow } from '../database/entities/course.js';
import { PlanRow, RunRow, sourcesOf } from '../database/entities/run.js';
import { noteDeed, type Doer } from '../history/deeds.js';
import { conflict, notFound, type HttpProblem } from '../http/httpProblem.js';
import { standingOf, type KnownOfPair } from '../plans/planGrounds.js';
import { groundOn, inputOn, orRefuse, readCourse, readSides, type PairGround } from '../plans/workedPlan.js';
import { seePlan } from '../plans/planCommands.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import type { Command } from '../database/command.js';
import { removeThings } from '../courses/things.js';
import { learnerCounts } from '../courses/learnerCounts.js';
import { aliasesOf, noteLineage } from './lineage.js';
import { insertOperations } from '../history/operationStore.js';
import { insertItems, landedThings, replaceItems } from './landedRows.js';
import { withPlainTexts } from './plainTexts.js';

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
  const { preview, texts } = await withPlainTexts(manager, planInput, orRefuse(previewPlan(planInput)));
  progress(0.4);
  if (preview.toWrite === 0) {
    const [last] = await manager.find(RunRow, { where: { planId }, order: { number: 'DESC' }, take: 1 });
    return { outcome: 'nothingToBring', runId: last?.id ?? null };
  }
  const learnersBefore = await learnerCounts(manager, destinationId);
  const landed = landedThings(preview, planInput);
  const added = landed.filter(({ isNew }) => isNew);
  const changed = landed.filter(({ isNew }) => !isNew);

  const operations = [
    ...operationsOfRun(planInput, preview),
    ...(await aliasesOf(manager, planInput, preview, destinationId)),
  ];
  const out = operations.flatMap(({ op, key }) => (op === 'removed' ? [key] : []));
  await insertBodies(manager, [...writtenTexts(plan.decisions), ...texts]);
  await insertItems(manager, sourceId, destinationId, added, at);
  progress(0.6);
  await replaceItems(manager, sourceId, destinationId, changed, at);
  await removeThings(manager, destinationId, out);
  const items = landed.map(({ item }) => item);
  await insertMoments(manager, destinationId, items);
  await insertLinks(manager, destinationId, items);
  progress(0.8);
  await noteLineage(manager, { runId, destinationId }, operations);
  await manager.query('UPDATE course SET version = version + 1 WHERE id = ?', [destinationId]);
  const learnersAfter = await learnerCounts(manager, destinationId);
  const learners = Object.fromEntries(
    LEARNER_SORTS.map((sort) => [sort, learnersAfter[sort] - learnersBefore[sort]]),
  ) as Record<LearnerSort, number>;
  if (Object.values(learners).some((count) => count !== 0)) throw new Error('A run touched learner data.');
  await manager.query(
    `INSERT INTO run (id, plan_id, source_id, further_sources, destination_id, person_id, for_person_id, at, policy, counts, number)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
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
      JSON.stringify({ ...countsOfRun(planInput, preview, operations), learners } satisfies RunCounts),
      await countUp(manager, 'runs'),
    ],
  );
  const deed = await noteDeed(manager, doer, {
    courseId: destinationId,
    at,
    runId,
    what: `brought ${landed.length} things from ${sourceNames(planInput).join(' and ')}${out.length === 0 ? '' : ` and took ${out.length} out`}`,
  });
  await insertOperations(manager, deed, operations);
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

/** Texts that a person wrote when both sides had one. */
const writtenTexts = ({ answers = {} }: Decisions): string[] =>
  Object.values(answers).flatMap(({ body }) => (typeof body === 'object' && body.text !== '' ? [body.text] : []));

/** The terms of the courses that something comes from. */
const sourceNames = ({ source, joined }: PlanInput): string[] => [
  ...new Set((joined?.sources ?? [source]).map(({ course }) => course.term)),
];
