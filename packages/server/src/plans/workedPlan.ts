import { findFindings, snapshotOf, workOut, type Course, type Decisions, type Finding, type LineageEntry, type WorkedOut } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { LineageRow } from '../database/entities/run.js';
import { notFound, unusable } from '../http/httpProblem.js';
import { readWholeCourse } from '../courses/courseStore.js';

/** Both courses of a plan with what was found in them: all that the computation needs but the decisions. */
export interface PlanGround {
  readonly source: Course;
  readonly shell: Course;
  readonly findings: readonly Finding[];
  readonly lineage: readonly LineageEntry[];
}

export async function lineageOf(manager: EntityManager, courseId: string): Promise<LineageEntry[]> {
  const rows = await manager.findBy(LineageRow, { courseId });
  return rows.map(({ itemKey, sourceCourseId, sourceKey, sourceHash, landedHash }) => ({
    item: itemKey,
    sourceCourse: sourceCourseId,
    sourceItem: sourceKey,
    sourceHash,
    landedHash,
  }));
}

export async function readGround(manager: EntityManager, sourceId: string, destinationId: string): Promise<PlanGround> {
  const source = await readWholeCourse(manager, sourceId);
  const shell = await readWholeCourse(manager, destinationId);
  if (source === undefined || shell === undefined) throw notFound('One of the two courses is not there any more.');
  return { source, shell, findings: findFindings(source, shell), lineage: await lineageOf(manager, destinationId) };
}

/** Works a plan out on its ground, or refuses with what is wrong with the calendars. */
export function workOutOn(ground: PlanGround, decisions: Decisions, now: string): WorkedOut {
  const result = workOut({
    source: snapshotOf(ground.source),
    shell: snapshotOf(ground.shell),
    findings: ground.findings,
    lineage: ground.lineage,
    decisions,
    now,
  });
  if (!result.ok) throw unusable(result.problems[0]!.message, result.problems);
  return result.value;
}
