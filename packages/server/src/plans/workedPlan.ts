import {
  findFindings,
  joinSources,
  policiesInForce,
  shellWithoutBrought,
  suggestPlanPolicy,
  type Calendar,
  type Decisions,
  type Finding,
  type LineageEntry,
  type PlanInput,
  type PlanPolicy,
  type PolicySuggestion,
  type Result,
  type Snapshot,
  type StandingRecipe,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { termCalendars } from '../calendars/calendarStore.js';
import { readSnapshot, withTexts } from '../courses/courseStore.js';
import { notFound, unusable } from '../http/httpProblem.js';

/** One source of a plan and its shell as they stand, and what earlier runs left. */
export interface PairSides {
  readonly source: Snapshot;
  readonly shell: Snapshot;
  readonly lineage: readonly LineageEntry[];
  /** Calendars of all terms. */
  readonly knownTerms: readonly Calendar[];
}

/** The sides with what follows from them alone: findings and the proposed policy. */
export interface PairGround extends PairSides {
  readonly findings: readonly Finding[];
  readonly suggestion: PolicySuggestion;
}

export async function readSides(manager: EntityManager, sourceId: string, destinationId: string): Promise<PairSides> {
  const source = await readSnapshot(manager, sourceId);
  const shell = await readSnapshot(manager, destinationId);
  if (source === undefined || shell === undefined) throw notFound('One of the two courses is not there any more.');
  const lineage = await manager.query<LineageEntry[]>(
    `SELECT item_key AS item, source_course_id AS sourceCourse, source_key AS sourceItem,
            source_hash AS sourceHash, landed_hash AS landedHash, landed_version AS landedVersion
       FROM lineage WHERE course_id = ? AND source_course_id = ?`,
    [destinationId, sourceId],
  );
  return { source, shell, lineage, knownTerms: await termCalendars(manager) };
}

/** Finds what is outdated in the source; reads the texts of both courses. What the plan brought itself is not the shell's own. */
async function findOn(
  manager: EntityManager,
  { source, shell }: PairSides,
  sourceIds: readonly string[],
): Promise<Finding[]> {
  const courses = await manager.query<{ id: string }[]>('SELECT id FROM course');
  const known = new Set(courses.map(({ id }) => id));
  const brought = await manager.query<{ item: string }[]>(
    `SELECT DISTINCT item_key AS item FROM lineage
      WHERE course_id = ? AND source_course_id IN (SELECT value FROM json_each(?))`,
    [shell.course.id, JSON.stringify(sourceIds)],
  );
  return findFindings(await withTexts(manager, source), shellWithoutBrought(await withTexts(manager, shell), brought), {
    isCourse: (id) => known.has(id),
  });
}

/**
 * Everything that follows from the sides alone; costly, since it reads all texts.
 *
 * @param sourceIds  every source of the plan
 */
export async function groundOn(
  manager: EntityManager,
  sides: PairSides,
  sourceIds: readonly string[],
): Promise<PairGround> {
  const findings = await findOn(manager, sides, sourceIds);
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

/** What a plan is computed from, of one source: its ground, of the proposal no more than the policy. */
export type KnownGround = Omit<PairGround, 'suggestion'> & {
  readonly suggestion: { readonly proposed: { readonly policy: PlanPolicy } };
};

/**
 * The input of a plan's computation: its grounds, what was decided, and the policies in force.
 *
 * @param grounds  one a source, in their order of precedence; the shell is the same in all
 */
export function inputOn(
  grounds: readonly KnownGround[],
  decided: Decisions | undefined,
  now: string,
  standingRecipe: StandingRecipe | undefined,
): PlanInput {
  const decisions = decided ?? decisionsAtFirst(standingRecipe);
  const { shell, knownTerms } = grounds[0]!;
  return {
    ...joinSources(grounds, decisions.choices, true),
    ...policiesInForce(grounds, decisions),
    shell,
    knownTerms,
    decisions,
    now,
    standingRecipe,
  };
}

/** The value, or a refusal that says what is wrong with the calendars. */
export function orRefuse<Value>(result: Result<Value>): Value {
  if (!result.ok) throw unusable(result.problems[0]!.message, result.problems);
  return result.value;
}
