import {
  mayDo,
  type CourseSummary,
  type PlanView,
  type Right,
  type RunView,
  type Snapshot,
  type SnapshotItem,
} from '@yarin/core';
import { fixesAfter, takenBackOf } from '../history/deeds.js';
import type { EntityManager } from 'typeorm';
import { summariseCourse } from '../courses/courseSummaries.js';
import { PlanRow, RunRow, sourcesOf } from '../database/entities/run.js';
import { notFound } from '../http/httpProblem.js';
import { noticesOf } from '../history/notices.js';
import { standingOf } from '../pairing/pairingService.js';
import type { Asker } from '../people/asker.js';
import { demand } from '../courses/rights.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import { learnerCounts } from '../courses/learnerCounts.js';
import { nameOf, writersOf } from '../people/names.js';
import { changeSince } from './calendarChanges.js';
import { standingOf as standsOn, type PlanQuery, type KnownOfPair } from './planGrounds.js';

const THINGS_PER_SECOND = 2000;

/** Who asks for what of which plan, and when. */
export interface AskedPlan {
  readonly person: Asker;
  readonly planId: string;
  readonly now: string;
}

export interface PlanPair {
  readonly plan: PlanRow;
  /** In their order of precedence. */
  readonly sources: readonly CourseSummary[];
  readonly destination: CourseSummary;
  readonly right: Right;
}

/** Finds a plan that the person may see: they teach its destination and may use its sources. */
export async function planFor(manager: EntityManager, person: Asker, planId: string, today: string): Promise<PlanPair> {
  const plan = await manager.findOneBy(PlanRow, { id: planId });
  if (plan === null) throw notFound('There is no such plan. Open one from the Desk.');
  const sources = await Promise.all(sourcesOf(plan).map((id) => summariseCourse(manager, id, person.id)));
  const destination = await summariseCourse(manager, plan.destinationId, person.id);
  if (!areThere(sources) || destination === undefined)
    throw notFound('One of the courses of this plan is not there any more.');
  for (const source of sources) demand(mayDo('use', person, source, today));
  demand(mayDo('read', person, destination, today));
  const right = mayDo('run', person, destination, today);
  if (!right.may && destination.lastDay >= today && !destination.archived) demand(right);
  return { plan, sources, destination, right };
}

const areThere = (courses: readonly (CourseSummary | undefined)[]): courses is readonly CourseSummary[] =>
  courses.every((course) => course !== undefined);

/** A snapshot for the browser: questions are counted, not sent. */
function lightSnapshot(snapshot: Snapshot): Snapshot {
  return {
    ...snapshot,
    items: snapshot.items.map((item): SnapshotItem => {
      if (!Array.isArray(item.details?.questions)) return item;
      const { questions, ...details } = item.details;
      return { ...item, details: { ...details, questionCount: questions.length } };
    }),
  };
}

/** Runs of a pair, the latest first. */
async function runsOf(manager: EntityManager, plan: PlanRow): Promise<RunView[]> {
  const runs = await manager.find(RunRow, { where: { planId: plan.id }, order: { number: 'DESC' } });
  return Promise.all(
    runs.map(async ({ id, at, counts, personId, forPersonId, undoneAt, undoneBy }) => ({
      id,
      at,
      by: await nameOf(manager, { personId, forPersonId }),
      counts,
      undoneAt,
      takenBack: await takenBackOf(manager, id),
      fixes: undoneAt === null ? await fixesAfter(manager, id) : [],
      undoneBy: undoneBy === null ? null : await nameOf(manager, { personId: undoneBy, forPersonId: null }),
    })),
  );
}

/** Shells of one code and number in one term: a condition with those three. */
export const PARALLEL = `course.code = ? AND course.number = ? AND term.name = ?
  AND course.type = 'course' AND course.archived = 0 AND course.cancelled = 0`;

/** Other shells of the same course in the same term. */
async function countParallel(manager: EntityManager, { id, code, number, term }: CourseSummary): Promise<number> {
  const [row] = await manager.query<{ shells: number }[]>(
    `SELECT count(*) AS shells FROM course JOIN term ON term.id = course.term_id WHERE ${PARALLEL} AND course.id <> ?`,
    [code, number, term, id],
  );
  return row!.shells;
}

/** Everything that the plan page needs to compute every toggle by itself. */
export const planView: PlanQuery<AskedPlan, PlanView> = async ({ manager, grounds }, { person, planId, now }) => {
  const pair = await planFor(manager, person, planId, now.slice(0, 10));
  const { plan, sources, destination, right } = pair;
  const known = await grounds.grounds(sources, destination);
  return {
    id: plan.id,
    scope: plan.scope,
    version: plan.version,
    decisions: plan.decisions,
    sources: await Promise.all(
      known.map(async (ground, index) => ({
        source: lightSnapshot(ground.source),
        findings: ground.findings,
        lineage: ground.lineage,
        suggestion: grounds.suggestion(ground, sources[index]!),
        learners: await learnerCounts(manager, ground.source.course.id),
      })),
    ),
    shell: lightSnapshot(known[0]!.shell),
    writers: await writersOf(manager, destination.id),
    knownTerms: known[0]!.knownTerms,
    department: destination.department,
    standingRecipe: await standingRecipe(manager, destination.department),
    right,
    calendarChange: await changeSince(manager, known, pair, now),
    parallelSections: await countParallel(manager, destination),
    now,
    thingsPerSecond: THINGS_PER_SECOND,
    standing: await standingOf(manager, destination.id),
    notices: await noticesOf(manager, [...sources, destination]),
    runs: await runsOf(manager, plan),
    stands: await standsOn(manager, sources, destination),
  };
};

/** What a run takes over from what was worked out before, by source; it holds while the versions of both courses do. */
export const knownOfPlan: PlanQuery<AskedPlan, Readonly<Record<string, KnownOfPair>>> = async (
  { manager, grounds },
  { person, planId, now },
) => {
  const { sources, destination } = await planFor(manager, person, planId, now.slice(0, 10));
  const worked = await grounds.grounds(sources, destination);
  return Object.fromEntries(
    sources.map(({ id, version }, index) => {
      const { findings, suggestion } = worked[index]!;
      const versions = { sourceVersion: version, shellVersion: destination.version };
      return [id, { ...versions, findings, policy: suggestion.proposed.policy }];
    }),
  );
};
