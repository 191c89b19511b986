import {
  policiesInForce,
  retimeForSections,
  retimeJobOf,
  type CourseSummary,
  type Redated,
  type RedatedMoment,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { summariseCourse } from '../courses/courseSummaries.js';
import { PlanRow, RunRow, sourcesOf } from '../database/entities/run.js';
import type { PlanGrounds } from '../plans/planGrounds.js';
import { orRefuse } from '../plans/workedPlan.js';

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
export async function redatedIn(
  { manager, grounds }: { readonly manager: EntityManager; readonly grounds: PlanGrounds },
  course: CourseSummary,
  personId: string,
): Promise<Redated> {
  const dates = new Map<string, RedatedMoment | null>();
  for (const plan of await plansInto(manager, course.id)) {
    const sources = (await Promise.all(sourcesOf(plan).map((id) => summariseCourse(manager, id, personId)))).filter(
      (source) => source !== undefined,
    );
    const known = await grounds.grounds(sources, course);
    if (known.length === 0) continue;
    const { policies } = policiesInForce(known, plan.decisions);
    for (const { source, shell, lineage, knownTerms } of known) {
      const landed = new Map(lineage.map(({ sourceItem, item }) => [sourceItem, item]));
      const landedVersions = new Map(lineage.map(({ item, landedVersion }) => [item, landedVersion]));
      const standing = new Map(shell.items.map((item) => [item.id, item]));
      const moments = new Map(
        shell.items.flatMap((item) => (item.moments ?? []).map((moment) => [moment.id, { moment, item }])),
      );
      const comes = (at: number): boolean => standing.has(landed.get(source.items[at]!.id) ?? '');
      const job = retimeJobOf(source, shell, comes, {
        policy: policies[source.course.id]!,
        byHand: plan.decisions.byHand,
        now: undefined,
      });
      for (const { id, to, role } of orRefuse(retimeForSections(job, knownTerms))) {
        const here = moments.get(id);
        if (here === undefined || to === null || dates.has(id)) continue;
        const { moment, item } = here;
        const version = landedVersions.get(item.id);
        const touched = version !== undefined && item.version !== version;
        dates.set(id, moment.at === to ? null : { id, title: item.title, role, is: moment.at, would: to, touched });
      }
    }
  }
  const all = [...dates.values()];
  const elsewhere = all.filter((date) => date !== null).sort((a, b) => a.is.localeCompare(b.is));
  return { brought: all.length, dates: elsewhere };
}
