import { broughtDates, indexPlan, type Redated, type RedatedMoment } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { summariseCourse } from '../courses/courseSummaries.js';
import { PlanRow, RunRow, sourcesOf } from '../database/entities/run.js';
import { courseFor } from '../courses/rights.js';
import { inputOn, orRefuse } from '../plans/workedPlan.js';
import type { AskedCourse } from '../people/asker.js';
import type { PlanQuery } from '../plans/planGrounds.js';

/** Plans whose runs stand in a course, the latest first. */
async function plansInto(manager: EntityManager, courseId: string): Promise<PlanRow[]> {
  const runs = await manager.find(RunRow, { where: { destinationId: courseId }, order: { number: 'DESC' } });
  const ids = [...new Set(runs.filter(({ undoneAt }) => undoneAt === null).map(({ planId }) => planId))];
  const plans = await Promise.all(ids.map((id) => manager.findOneBy(PlanRow, { id })));
  return plans.filter((plan) => plan !== null);
}

/**
 * Where the plans that brought into a course would date its things on the calendar as it is now. A thing counts once, by
 * the latest plan; dates set by hand in the plan stay, and what a person changed since is told.
 */
export const redated: PlanQuery<AskedCourse, Redated> = async ({ manager, grounds }, { person, courseId, now }) => {
  const course = await courseFor(manager, 'change', person, courseId, now.slice(0, 10));
  const dates = new Map<string, RedatedMoment | null>();
  for (const plan of await plansInto(manager, course.id)) {
    const sources = (await Promise.all(sourcesOf(plan).map((id) => summariseCourse(manager, id, person.id)))).filter(
      (source) => source !== undefined,
    );
    const known = await grounds.grounds(sources, course);
    if (known.length === 0) continue;
    const input = inputOn(known, plan.decisions, now, undefined);
    const landed = new Map(input.lineage.map(({ item, landedVersion }) => [item, landedVersion]));
    const moments = new Map(
      input.shell.items.flatMap((item) => (item.moments ?? []).map((moment) => [moment.id, { moment, item }])),
    );
    for (const { id, to, role } of orRefuse(broughtDates(indexPlan(input), input))) {
      const here = moments.get(id);
      if (here === undefined || to === null || dates.has(id)) continue;
      const { moment, item } = here;
      const version = landed.get(item.id);
      const touched = version !== undefined && item.version !== version;
      dates.set(id, moment.at === to ? null : { id, title: item.title, role, is: moment.at, would: to, touched });
    }
  }
  const all = [...dates.values()];
  const elsewhere = all.filter((date) => date !== null).sort((a, b) => a.is.localeCompare(b.is));
  return { brought: all.length, dates: elsewhere };
};
