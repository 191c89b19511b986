import {
  findFindings,
  shellWithoutBrought,
  suggestPlanPolicy,
  type Decisions,
  type Finding,
  type LineageEntry,
  type PlanInput,
  type Policy,
  type PolicySuggestion,
  type Result,
  type Snapshot,
  type StandingRecipe,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { readSnapshot, withTexts } from '../courses/courseStore.js';
import { notFound, unusable } from '../http/httpProblem.js';

/** Both courses of a plan as they stand, and what earlier runs left. */
export interface PlanSides {
  readonly source: Snapshot;
  readonly shell: Snapshot;
  readonly lineage: readonly LineageEntry[];
}

/** The sides of a plan with what follows from them alone: findings and the proposed policy. */
export interface PlanGround extends PlanSides {
  readonly findings: readonly Finding[];
  readonly suggestion: PolicySuggestion;
}

export async function readSides(manager: EntityManager, sourceId: string, destinationId: string): Promise<PlanSides> {
  const source = await readSnapshot(manager, sourceId);
  const shell = await readSnapshot(manager, destinationId);
  if (source === undefined || shell === undefined) throw notFound('One of the two courses is not there any more.');
  const lineage = await manager.query<LineageEntry[]>(
    `SELECT item_key AS item, source_course_id AS sourceCourse, source_key AS sourceItem,
            source_hash AS sourceHash, landed_hash AS landedHash, landed_version AS landedVersion
       FROM lineage WHERE course_id = ? AND source_course_id = ?`,
    [destinationId, sourceId],
  );
  return { source, shell, lineage };
}

/** Finds what is outdated in the source; reads the texts of both courses. */
async function findOn(manager: EntityManager, { source, shell, lineage }: PlanSides): Promise<Finding[]> {
  const courses = await manager.query<{ id: string }[]>('SELECT id FROM course');
  const known = new Set(courses.map(({ id }) => id));
  return findFindings(await withTexts(manager, source), shellWithoutBrought(await withTexts(manager, shell), lineage), {
    isCourse: (id) => known.has(id),
  });
}

/** Everything that follows from the sides alone; costly, since it reads all texts. */
export async function groundOn(manager: EntityManager, sides: PlanSides): Promise<PlanGround> {
  const findings = await findOn(manager, sides);
  const suggestion = orRefuse(suggestPlanPolicy(sides.source, sides.shell, findings));
  return { ...sides, findings, suggestion };
}

/** What a plan begins with: the recipe that stands for its shell, or nothing. */
export const decisionsAtFirst = (standing: StandingRecipe | undefined): Decisions => ({
  choices: standing?.choices ?? {},
  byHand: {},
  settled: {},
  ...(standing === undefined ? {} : { recipe: { id: standing.id, name: standing.name } }),
});

/** The input of a plan's computation: its ground, what was decided, and the policy in force. */
export function inputOn(
  {
    suggestion,
    ...ground
  }: Omit<PlanGround, 'suggestion'> & { readonly suggestion: { readonly proposed: { readonly policy: Policy } } },
  decided: Decisions | undefined,
  now: string,
  standingRecipe: StandingRecipe | undefined,
): PlanInput {
  const decisions = decided ?? decisionsAtFirst(standingRecipe);
  return { ...ground, decisions, policy: decisions.policy ?? suggestion.proposed.policy, now, standingRecipe };
}

/** The value, or a refusal that says what is wrong with the calendars. */
export function orRefuse<Value>(result: Result<Value>): Value {
  if (!result.ok) throw unusable(result.problems[0]!.message, result.problems);
  return result.value;
}
