import { VALUES } from '../database/lists.js';
import {
  decisionsAtFirst,
  findInSource,
  joinSources,
  policiesInForce,
  proposePlanPolicy,
  shellWithoutBrought,
  viewCourse,
  viewSource,
  type Calendar,
  type Decisions,
  type Finding,
  type LineageEntry,
  type PlanInput,
  type PlanPolicy,
  type Result,
  type Snapshot,
  type StandingRecipe,
  type ViewedSource,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { termCalendars } from '../terms/termStore.js';
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
  readonly suggestion: { readonly proposed: { readonly policy: PlanPolicy } };
}

export async function readCourse(manager: EntityManager, id: string): Promise<Snapshot> {
  const course = await readSnapshot(manager, id);
  if (course === undefined) throw notFound('One of the two courses is not there any more.');
  return course;
}

export async function readSides(manager: EntityManager, source: Snapshot, destinationId: string): Promise<PairSides> {
  const shell = await readCourse(manager, destinationId);
  const lineage = await manager.query<LineageEntry[]>(
    `SELECT item_key AS item, source_course_id AS sourceCourse, source_key AS sourceItem,
            source_hash AS sourceHash, landed_hash AS landedHash, landed_version AS landedVersion
       FROM lineage WHERE course_id = ? AND source_course_id = ?`,
    [destinationId, source.course.id],
  );
  return { source, shell, lineage, knownTerms: await termCalendars(manager) };
}

/** A source viewed with its texts. */
export const viewedSource = async (
  manager: EntityManager,
  source: Snapshot,
  weekStartsOn: number | undefined,
): Promise<ViewedSource> => viewSource(await withTexts(manager, source), weekStartsOn, {}, source.items);

/** Finds what is outdated in the source; reads the texts of the shell. What the plan brought itself is not the shell's own. */
async function findOn(
  manager: EntityManager,
  viewed: ViewedSource,
  shell: Snapshot,
  sourceIds: readonly string[],
): Promise<Finding[]> {
  const courses = await manager.query<{ id: string }[]>('SELECT id FROM course');
  const known = new Set(courses.map(({ id }) => id));
  const brought = await manager.query<{ item: string }[]>(
    `SELECT DISTINCT item_key AS item FROM lineage
      WHERE course_id = ? AND source_course_id IN ${VALUES}`,
    [shell.course.id, JSON.stringify(sourceIds)],
  );
  const itself = shellWithoutBrought(shell, brought);
  const view = viewCourse(await withTexts(manager, itself), itself.items);
  return findInSource(viewed, view, { isCourse: (id) => known.has(id) });
}

/**
 * Everything that follows from the sides alone; costly, since it reads all texts.
 *
 * @param sourceIds  every source of the plan
 * @param viewed     the source, where it was viewed before
 */
export async function groundOn(
  manager: EntityManager,
  sides: PairSides,
  sourceIds: readonly string[],
  viewed?: ViewedSource,
): Promise<PairGround> {
  const { source, shell } = sides;
  const policy = orRefuse(proposePlanPolicy(source, shell));
  const known = viewed ?? (await viewedSource(manager, source, shell.calendar.weekStartsOn));
  return { ...sides, findings: await findOn(manager, known, shell, sourceIds), suggestion: { proposed: { policy } } };
}

/**
 * The input of a plan's computation: its grounds, what was decided, and the policies in force.
 *
 * @param grounds  one a source, in their order of precedence; the shell is the same in all
 */
export function inputOn(
  grounds: readonly PairGround[],
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
