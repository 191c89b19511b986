import {
  findFindings,
  snapshotOf,
  workOut,
  type Course,
  type Decisions,
  type Finding,
  type LineageEntry,
  type WorkedOut,
} from '@yarin/core';
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

async function lineageOf(manager: EntityManager, courseId: string): Promise<LineageEntry[]> {
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
  const lineage = await lineageOf(manager, destinationId);
  return { source, shell, findings: findFindings(source, withoutBrought(shell, sourceId, lineage)), lineage };
}

/** The shell as it would stand without what this source brought: what came from it says nothing about it. */
function withoutBrought(shell: Course, sourceId: string, lineage: readonly LineageEntry[]): Course {
  const brought = new Set(lineage.filter(({ sourceCourse }) => sourceCourse === sourceId).map(({ item }) => item));
  return { ...shell, items: shell.items.filter(({ id }) => !brought.has(id)) };
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
