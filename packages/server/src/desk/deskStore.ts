import { ROWS, VALUES } from '../database/lists.js';
import type { CourseSummary, LatelyRun } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { IS_OF_COURSE } from '../pairing/pairingService.js';
import { DOER_NAME } from '../history/deeds.js';

/** The last run that stands in a shell. */
export interface StandingRun {
  readonly runId: string;
  readonly planId: string;
  readonly at: string;
  readonly by: string;
  readonly things: number;
}

const RUN = `run.id, run.plan_id AS planId, run.source_id AS sourceId, run.destination_id AS destinationId, run.at,
             run.undone_at AS undoneAt, run.counts->>'things' AS things,
             ${DOER_NAME('run.person_id', 'run.for_person_id')} AS "by"`;

interface RunOfDesk extends Omit<LatelyRun, 'source' | 'destination'> {
  readonly sourceId: string;
  readonly destinationId: string;
}

const idsOf = (courses: readonly Pick<CourseSummary, 'id'>[]): string => JSON.stringify(courses.map(({ id }) => id));

/** By shell: the last run that stands there. */
export async function standingRuns(
  manager: EntityManager,
  shells: readonly CourseSummary[],
): Promise<ReadonlyMap<string, StandingRun>> {
  const runs = await manager.query<RunOfDesk[]>(
    `SELECT ${RUN} FROM ${ROWS} AS shell CROSS JOIN run ON run.destination_id = shell.value
      WHERE run.undone_at IS NULL AND ${IS_OF_COURSE} ORDER BY run.number`,
    [idsOf(shells)],
  );
  return new Map(
    runs.map(({ id, destinationId, planId, at, by, things }) => [destinationId, { runId: id, planId, at, by, things }]),
  );
}

/** The last runs into any of some courses, taken back or not, the latest first. */
export async function latestRuns(
  manager: EntityManager,
  courses: readonly CourseSummary[],
  most: number,
): Promise<LatelyRun[]> {
  const runs = await manager.query<RunOfDesk[]>(
    `SELECT ${RUN} FROM run WHERE run.destination_id IN ${VALUES} ORDER BY run.number DESC LIMIT ?`,
    [idsOf(courses), most],
  );
  const byId = new Map(courses.map((course) => [course.id, course]));
  return runs.map(({ sourceId, destinationId, ...run }) => ({
    ...run,
    source: byId.get(sourceId),
    destination: byId.get(destinationId),
  }));
}

/** A plan without what was decided in it. */
export interface PlanOfDesk {
  readonly id: string;
  readonly sourceId: string;
  readonly furtherSources: readonly string[];
  readonly destinationId: string;
  readonly version: number;
}

/** By shell: the plans into it, the one touched last first. */
export async function plansInto(
  manager: EntityManager,
  shells: readonly CourseSummary[],
): Promise<readonly PlanOfDesk[]> {
  const plans = await manager.query<(Omit<PlanOfDesk, 'furtherSources'> & { readonly further: string })[]>(
    `SELECT plan.id, plan.source_id AS sourceId, plan.further_sources AS further, plan.destination_id AS destinationId, plan.version
       FROM plan WHERE plan.destination_id IN ${VALUES} AND plan.scope = 'course' ORDER BY plan.changed_at DESC, plan.version DESC, plan.id`,
    [idsOf(shells)],
  );
  return plans.map(({ further, ...plan }) => ({ ...plan, furtherSources: JSON.parse(further) as string[] }));
}
