import { looseEndsOf, mayDo, type CourseLeftOver, type LooseEnd, type Preview } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { readSnapshot } from '../courses/courseStore.js';
import { courseFor } from '../courses/rights.js';
import { PlanRow, RunRow } from '../database/entities/run.js';
import { HttpProblem } from '../http/httpProblem.js';
import type { AskedCourse } from '../people/asker.js';
import { planFor, type PlanPair } from './planView.js';
import type { PlanQuery } from './planGrounds.js';

/**
 * What is left over in a course as it stands: the list of the plan that filled it, while that is done and the person may see
 * it; else what can be seen of the course alone.
 *
 * @see docs/rules.md, "Loose ends"
 */
export const courseLeftOver: PlanQuery<AskedCourse, CourseLeftOver> = async (context, { person, courseId, now }) => {
  const { manager, grounds } = context;
  const today = now.slice(0, 10);
  const course = await courseFor(manager, 'read', person, courseId, today);
  const mayChange = mayDo('change', person, course, today).may;
  const isToldTo = ({ code }: LooseEnd): boolean => code !== 'notOpen' || mayChange;
  const alone = async (planId: string | null): Promise<CourseLeftOver> => ({
    planId,
    doubts: 0,
    looseEnds: looseEndsOf((await readSnapshot(manager, course.id))!).filter(isToldTo),
  });

  const pair = await planThatFilled(manager, course.id, (planId) => planFor(manager, person, planId, today));
  if (pair === null) return alone(null);
  const { plan, sources, destination } = pair;
  const worked = await grounds.workOut(sources, destination, plan.decisions, now);
  if (worked.toWrite > 0) return alone(plan.id);
  return {
    planId: plan.id,
    doubts: worked.causes.length,
    looseEnds: worked.looseEnds.filter(isToldTo).map((end) => ({ ...end, items: inCourse(end.items, worked) })),
  };
};

/** The plan of the latest run into a course that stands, when the person may see it. */
async function planThatFilled(
  manager: EntityManager,
  destinationId: string,
  find: (planId: string) => Promise<PlanPair>,
): Promise<PlanPair | null> {
  const runs = await manager.find(RunRow, { where: { destinationId }, order: { number: 'DESC' } });
  const last = runs.find(({ undoneAt }) => undoneAt === null);
  if (last === undefined || !(await manager.existsBy(PlanRow, { id: last.planId, scope: 'course' }))) return null;
  try {
    return await find(last.planId);
  } catch (error) {
    if (error instanceof HttpProblem) return null;
    throw error;
  }
}

/** Things of a plan by their keys in the course. */
function inCourse(items: readonly string[], { lines }: Pick<Preview, 'lines'>): string[] {
  const toOf = new Map(lines.map(({ item, to }) => [item, to]));
  return items.map((id) => toOf.get(id) ?? id);
}
