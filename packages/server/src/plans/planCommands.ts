import { firstDecisions, type Decisions, type PlanScope } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { timesOf } from '../terms/termStore.js';
import { storable } from '../courses/sanitise.js';
import { CourseRow } from '../database/entities/course.js';
import { PlanRow, sourcesOf } from '../database/entities/run.js';
import { noteActing, type Doer } from '../history/deeds.js';
import { conflict, notFound } from '../http/httpProblem.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import type { Command } from '../database/command.js';

export interface NewPlan {
  readonly id: string;
  /** In their order of precedence; at least one. */
  readonly sourceIds: readonly string[];
  /** Courses that the person may not use any more; they fall out of a plan that is there. */
  readonly lost: readonly string[];
  readonly destinationId: string;
  readonly scope: PlanScope;
  readonly doer: Doer;
  readonly at: string;
}

/** What a person saw of the courses of a plan; those that come to it are seen as they are now. */
async function seenWith(
  manager: EntityManager,
  { seenTimes }: PlanRow,
  courseIds: readonly string[],
): Promise<PlanRow['seenTimes']> {
  return seenTimes === null ? null : { ...(await timesOf(manager, courseIds)), ...seenTimes };
}

const OPENED = 'opened a plan into the course';
const DECIDED = 'decided in the plan into the course';

/** Opens the plan of a pair: the one that is there, with the further sources added behind its own, or a new one. */
export const openPlan: Command<NewPlan, { id: string }> = async (
  { manager },
  { id, sourceIds, lost, destinationId, scope, doer, at },
) => {
  await noteActing(manager, doer, { courseId: destinationId, at, what: OPENED });
  const [sourceId, ...furtherSources] = [...new Set(sourceIds)];
  const known = await manager.findOneBy(PlanRow, { sourceId: sourceId!, destinationId, scope });
  if (known !== null) {
    const kept = known.furtherSources.filter((each) => !lost.includes(each));
    const next = [...new Set([...kept, ...furtherSources])];
    if (next.join(' ') !== known.furtherSources.join(' '))
      await manager.update(
        PlanRow,
        { id: known.id },
        {
          furtherSources: next,
          seenTimes: await seenWith(manager, known, next),
          version: known.version + 1,
          changedAt: at,
        },
      );
    return { id: known.id };
  }
  const shell = await manager.findOneByOrFail(CourseRow, { id: destinationId });
  const decisions = firstDecisions(scope, await standingRecipe(manager, shell.department));
  const place = 1 + (await manager.countBy(PlanRow, { destinationId }));
  const personId = doer.forPersonId ?? doer.personId;
  const plan = { id, sourceId: sourceId!, furtherSources, destinationId, scope, personId };
  const seenTimes = await timesOf(manager, [...sourceIds, destinationId]);
  await manager.insert(PlanRow, { ...plan, decisions, seenTimes, version: 1, changedAt: at, place });
  return { id };
};

/** Refuses what was decided on another version of a plan than the one that stands. */
export function refuseChanged(plan: PlanRow, version: number): void {
  if (plan.version !== version)
    throw conflict('This plan was changed elsewhere meanwhile. Nothing was done; load it again.');
}

/** The plan, when nobody saved it since the version that the asker saw. */
async function unchangedPlan(manager: EntityManager, planId: string, version: number): Promise<PlanRow> {
  const plan = await manager.findOneBy(PlanRow, { id: planId });
  if (plan === null) throw notFound('This plan is not there any more.');
  refuseChanged(plan, version);
  return plan;
}

export interface ChangedSources {
  readonly planId: string;
  readonly version: number;
  /** In their order of precedence; at least one. */
  readonly sourceIds: readonly string[];
  readonly doer: Doer;
  readonly at: string;
}

/** Says from which courses a plan brings, and which goes before which. Each keeps the policy of its dates. */
export const changeSources: Command<ChangedSources, { version: number }> = async (
  { manager },
  { planId, version, sourceIds, doer, at },
) => {
  const plan = await unchangedPlan(manager, planId, version);
  await noteActing(manager, doer, { courseId: plan.destinationId, at, what: DECIDED });
  const [sourceId, ...furtherSources] = [...new Set(sourceIds)];
  const { destinationId, scope } = plan;
  const other = await manager.findOneBy(PlanRow, { sourceId: sourceId!, destinationId, scope });
  if (other !== null && other.id !== planId)
    throw conflict(
      'Another plan from this course into this shell is begun already. Open that one, or let another course stand first.',
    );
  const { policy, policies, ...decided } = plan.decisions;
  const byCourse = { ...policies, ...(policy === undefined ? {} : { [plan.sourceId]: policy }) };
  const first = byCourse[sourceId!];
  const rest = Object.fromEntries(Object.entries(byCourse).filter(([id]) => furtherSources.includes(id)));
  const decisions: Decisions = {
    ...decided,
    ...(first === undefined ? {} : { policy: first }),
    ...(Object.keys(rest).length === 0 ? {} : { policies: rest }),
  };
  await manager.update(
    PlanRow,
    { id: planId },
    {
      sourceId: sourceId!,
      furtherSources,
      decisions,
      seenTimes: await seenWith(manager, plan, sourceIds),
      version: version + 1,
      changedAt: at,
    },
  );
  return { version: version + 1 };
};

export interface SavedDecisions {
  readonly planId: string;
  readonly version: number;
  readonly decisions: Decisions;
  readonly doer: Doer;
  readonly at: string;
}

/** Texts that a person wrote to decide between both sides are made safe before they are kept. */
function withSafeTexts(decisions: Decisions, courseId: string): Decisions {
  if (decisions.answers === undefined) return decisions;
  const answers = Object.entries(decisions.answers).map(([id, answer]) => {
    const { body } = answer;
    return [id, typeof body === 'object' ? { ...answer, body: { text: storable(body.text, courseId).body } } : answer];
  });
  return { ...decisions, answers: Object.fromEntries(answers) as NonNullable<Decisions['answers']> };
}

/** Saves what a person decided; refused when somebody else saved meanwhile. */
export const saveDecisions: Command<SavedDecisions, { version: number }> = async (
  { manager },
  { planId, version, decisions, doer, at },
) => {
  const { destinationId } = await unchangedPlan(manager, planId, version);
  await noteActing(manager, doer, { courseId: destinationId, at, what: DECIDED });
  const safe = withSafeTexts(decisions, destinationId);
  await manager.update(PlanRow, { id: planId }, { decisions: safe, version: version + 1, changedAt: at });
  return { version: version + 1 };
};

/** Notes that a person saw what changed under the plan. */
export const seePlan: Command<{ readonly planId: string }, void> = async ({ manager }, { planId }) => {
  const plan = await manager.findOneBy(PlanRow, { id: planId });
  if (plan === null) throw notFound('This plan is not there any more.');
  const seenTimes = await timesOf(manager, [...sourcesOf(plan), plan.destinationId]);
  await manager.update(PlanRow, { id: planId }, { seenTimes });
};

/** What a parallel section decides when it follows another one's plan. */
export interface FollowingPlan {
  /** Of its plan; a new one when it has none. */
  readonly id: string;
  readonly destinationId: string;
  readonly decisions: Decisions;
}

export interface FollowedPlan {
  readonly planId: string;
  readonly plans: readonly FollowingPlan[];
  readonly doer: Doer;
  readonly at: string;
}

/** Lets parallel sections follow a plan: each gets one of its own from the same courses, with the same choices. */
export const followSections: Command<FollowedPlan, void> = async ({ manager }, { planId, plans, doer, at }) => {
  const followed = await manager.findOneBy(PlanRow, { id: planId });
  if (followed === null) throw notFound('This plan is not there any more.');
  const { sourceId, furtherSources, scope } = followed;
  const personId = doer.forPersonId ?? doer.personId;
  for (const { id, destinationId, decisions } of plans) {
    await noteActing(manager, doer, { courseId: destinationId, at, what: DECIDED });
    const known = await manager.findOneBy(PlanRow, { sourceId, destinationId, scope });
    if (known !== null) {
      const seenTimes = await seenWith(manager, known, furtherSources);
      const version = known.version + 1;
      await manager.update(PlanRow, { id: known.id }, { decisions, furtherSources, seenTimes, version, changedAt: at });
      continue;
    }
    const seenTimes = await timesOf(manager, [...sourcesOf(followed), destinationId]);
    const place = 1 + (await manager.countBy(PlanRow, { destinationId }));
    const plan = { id, sourceId, furtherSources, destinationId, scope, personId, decisions, seenTimes };
    await manager.insert(PlanRow, { ...plan, version: 1, changedAt: at, place });
  }
};
