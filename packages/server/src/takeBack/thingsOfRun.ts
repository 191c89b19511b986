import { mayDo, type RunThing } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { demand } from '../courses/rights.js';
import { RunRow } from '../database/entities/run.js';
import type { Query } from '../database/query.js';
import { notFound } from '../http/httpProblem.js';
import type { Asker } from '../people/asker.js';
import { planFor } from '../plans/planView.js';

export interface AskedRun {
  readonly person: Asker;
  readonly runId: string;
  readonly now: string;
}

/** Refuses a run that whoever asks may not take back. */
export async function demandTakeBack(manager: EntityManager, { person, runId, now }: AskedRun): Promise<void> {
  const run = await manager.findOneBy(RunRow, { id: runId });
  if (run === null) throw notFound('There is no such run.');
  const { destination } = await planFor(manager, person, run.planId, now.slice(0, 10));
  demand(mayDo('takeBack', person, destination, now.slice(0, 10)));
}

/** The things that a run wrote and that stand in the new course, in their order there. */
export const thingsOfRun: Query<AskedRun, readonly RunThing[]> = async ({ manager }, asked) => {
  await demandTakeBack(manager, asked);
  return manager.query<RunThing[]>(
    `SELECT item.key, item.title, item.kind FROM deed CROSS JOIN operation ON operation.deed_id = deed.id
       CROSS JOIN item ON item.course_id = deed.course_id AND item.key = operation.key
      WHERE deed.run_id = ? AND operation.op IN ('added', 'changed') ORDER BY item.position, item.key`,
    [asked.runId],
  );
};
