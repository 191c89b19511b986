import type { CalendarEffect } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { PlanRow, sourcesOf } from '../database/entities/run.js';
import { HttpProblem } from '../http/httpProblem.js';
import type { Asker } from '../people/asker.js';
import { changeBetween, timesIn, type Times } from '../plans/calendarChanges.js';
import type { PlanGrounds } from '../plans/planGrounds.js';
import { planFor } from '../plans/planView.js';

const MOST_PLANS = 300;

/**
 * What other calendars would do to the open plans of courses, as far as the person may see them.
 *
 * @param times  the times that courses would have; others keep theirs
 */
export async function effectOf(
  { manager, grounds }: { readonly manager: EntityManager; readonly grounds: PlanGrounds },
  person: Asker,
  now: string,
  times: Times,
): Promise<CalendarEffect> {
  const ids = new Set(Object.keys(times));
  const all = await manager.find(PlanRow, { order: { changedAt: 'DESC' } });
  const touched = all.filter((plan) => [...sourcesOf(plan), plan.destinationId].some((id) => ids.has(id)));
  const plans: CalendarEffect['plans'][number][] = [];
  let looked = 0;
  let brought = 0;
  for (const plan of touched.slice(0, MOST_PLANS)) {
    try {
      const { sources, destination } = await planFor(manager, person, plan.id, now.slice(0, 10));
      const known = await grounds.grounds(sources, destination);
      const worked = { decisions: plan.decisions, now, department: destination.department };
      const { toWrite } = await grounds.workOut(sources, destination, plan.decisions, now);
      if (toWrite === 0) {
        brought++;
        continue;
      }
      looked++;
      const before = timesIn(known);
      const change = await changeBetween(manager, known, worked, before, { ...before, ...pick(times, before) });
      const { code, number, section, title } = destination;
      if (change !== null) plans.push({ ...change, planId: plan.id, name: `${code} ${number}-${section} ${title}` });
    } catch (error) {
      // A plan that the person may not see is none of theirs; anything else is a fault.
      if (!(error instanceof HttpProblem) || ![403, 404].includes(error.details.status)) throw error;
    }
  }
  plans.sort((a, b) => b.dates.length - a.dates.length);
  return { plans, looked, brought };
}

const pick = (times: Times, known: Times): Times =>
  Object.fromEntries(Object.entries(times).filter(([id]) => id in known));
