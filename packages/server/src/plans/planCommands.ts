import type { Decisions } from '@yarin/core';
import { CourseRow } from '../database/entities/course.js';
import { PlanRow } from '../database/entities/run.js';
import { conflict, notFound } from '../http/httpProblem.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import type { Command } from '../writer/command.js';
import { decisionsAtFirst } from './workedPlan.js';

export interface NewPlan {
  readonly id: string;
  readonly sourceId: string;
  readonly destinationId: string;
  readonly personId: string;
  readonly at: string;
}

/** Opens the plan of a pair: the one that is there, or a new one. */
export const openPlan: Command<NewPlan, { id: string }> = async ({ manager }, { at, ...plan }) => {
  const { sourceId, destinationId } = plan;
  const known = await manager.findOneBy(PlanRow, { sourceId, destinationId });
  if (known !== null) return { id: known.id };
  const shell = await manager.findOneByOrFail(CourseRow, { id: destinationId });
  const decisions = decisionsAtFirst(await standingRecipe(manager, shell.department));
  const place = 1 + (await manager.countBy(PlanRow, { destinationId }));
  await manager.insert(PlanRow, { ...plan, decisions, version: 1, changedAt: at, place });
  return { id: plan.id };
};

export interface SavedDecisions {
  readonly planId: string;
  readonly version: number;
  readonly decisions: Decisions;
  readonly at: string;
}

/** Saves what a person decided; refused when somebody else saved meanwhile. */
export const saveDecisions: Command<SavedDecisions, { version: number }> = async (
  { manager },
  { planId, version, decisions, at },
) => {
  const plan = await manager.findOneBy(PlanRow, { id: planId });
  if (plan === null) throw notFound('This plan is not there any more.');
  if (plan.version !== version)
    throw conflict('This plan was changed elsewhere meanwhile. It was loaded again; make your last change once more.');
  await manager.update(PlanRow, { id: planId }, { decisions, version: version + 1, changedAt: at });
  return { version: version + 1 };
};
