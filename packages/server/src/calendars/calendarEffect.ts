import { indexPlan, planChosen, type CalendarEffect, type PlanEffect } from '@yarin/core';
import { PlanRow, sourcesOf } from '../database/entities/run.js';
import { HttpProblem } from '../http/httpProblem.js';
import type { Asker } from '../people/asker.js';
import { changeBetween, inputIn, timesIn, type Times } from '../plans/calendarChanges.js';
import { planFor } from '../plans/planView.js';
import type { PlanContext, PlanQuery } from '../plans/planGrounds.js';

/** As long as a person waits for it; plans that were changed last are looked at first. */
const MOST_TIME_MS = 5000;

export interface EffectAsked {
  readonly person: Asker;
  readonly now: string;
  /** Those that courses would have; others keep theirs. */
  readonly times: Times;
}

/** What other calendars would do to the open plans of courses, as far as the person may see them. */
export const calendarEffect: PlanQuery<EffectAsked, CalendarEffect> = async (context, asked) => {
  const { manager } = context;
  const { times } = asked;
  const ids = new Set(Object.keys(times));
  const all = await manager.find(PlanRow, { order: { changedAt: 'DESC' } });
  const touched = all.filter((plan) => [...sourcesOf(plan), plan.destinationId].some((id) => ids.has(id)));
  const plans: CalendarEffect['plans'][number][] = [];
  const until = performance.now() + MOST_TIME_MS;
  let looked = 0;
  let brought = 0;
  let left = touched.length;
  for (const plan of touched) {
    if (performance.now() > until) break;
    left--;
    const effect = await effectOn(context, asked, plan);
    if (effect === 'unseen') continue;
    if (effect === 'brought') brought++;
    else {
      looked++;
      if (effect !== null) plans.push(effect);
    }
  }
  plans.sort((a, b) => b.dates.length - a.dates.length);
  return { plans, looked, brought, left };
};

/** What happens to one plan; `null` when nothing does. */
async function effectOn(
  { manager, grounds }: PlanContext,
  { person, now, times }: EffectAsked,
  plan: PlanRow,
): Promise<PlanEffect | 'unseen' | 'brought' | null> {
  try {
    const { sources, destination } = await planFor(manager, person, plan.id, now.slice(0, 10));
    const known = await grounds.grounds(sources, destination);
    const worked = { decisions: plan.decisions, now, department: destination.department };
    const before = timesIn(known);
    const input = await inputIn(manager, known, before, worked);
    if (planChosen(indexPlan(input), input.decisions).toWrite === 0) return 'brought';
    const change = await changeBetween(manager, known, worked, before, { ...before, ...pick(times, before) });
    if (change === null) return null;
    const { code, number, section, title } = destination;
    return { ...change, planId: plan.id, name: `${code} ${number}-${section} ${title}` };
  } catch (error) {
    // A plan that the person may not see is none of theirs; anything else is a fault.
    if (error instanceof HttpProblem && [403, 404].includes(error.details.status)) return 'unseen';
    throw error;
  }
}

const pick = (times: Times, known: Times): Times =>
  Object.fromEntries(Object.entries(times).filter(([id]) => id in known));
