import {
  followPlan,
  followsPlan,
  isDoubtful,
  mayDo,
  standingDates,
  type CourseSummary,
  type PlanSection,
  type PreviewDate,
  type SectionDate,
  type SectionsView,
} from '@yarin/core';
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { readSnapshot } from '../courses/courseStore.js';
import { summariesWhere } from '../courses/courseSummaries.js';
import { PlanRow, sourcesOf } from '../database/entities/run.js';
import type { Asker } from '../people/asker.js';
import type { FollowingPlan } from './planCommands.js';
import type { PlanGrounds, PlanQuery } from './planGrounds.js';
import { PARALLEL, planFor, type AskedPlan, type PlanPair } from './planView.js';
import type { PairGround } from './workedPlan.js';

const MOST_SECTIONS = 40;

/** The shells of the same course in the same term, in the order of their sections, as far as the person may bring into them. */
async function parallelTo(
  manager: EntityManager,
  person: Asker,
  { id, code, number, term }: CourseSummary,
  today: string,
): Promise<CourseSummary[]> {
  const shells = await summariesWhere(
    manager,
    person.id,
    { sql: PARALLEL, values: [code, number, term] },
    'course.section',
  );
  return shells.filter((shell) => shell.id === id || mayDo('run', person, shell, today).may).slice(0, MOST_SECTIONS);
}

interface Section {
  readonly shell: CourseSummary;
  readonly plan: PlanRow | undefined;
  readonly following: FollowingPlan;
  readonly follows: boolean;
}

/** Every section with its own plan, and what it would decide if it followed the one that was asked about. */
async function sectionsOf(
  manager: EntityManager,
  grounds: PlanGrounds,
  person: Asker,
  { plan, sources, destination }: PlanPair,
  today: string,
): Promise<Section[]> {
  const shells = await parallelTo(manager, person, destination, today);
  const plans = await manager.findBy(PlanRow, { sourceId: plan.sourceId, scope: plan.scope });
  return Promise.all(
    shells.map(async (shell): Promise<Section> => {
      const own = shell.id === plan.destinationId ? plan : plans.find((each) => each.destinationId === shell.id);
      const known = await grounds.grounds(sources, shell);
      const { policy } = known[0]!.suggestion.proposed;
      const decisions =
        shell.id === plan.destinationId ? plan.decisions : followPlan(plan.decisions, own?.decisions, policy);
      return {
        shell,
        plan: own,
        following: { id: own?.id ?? randomUUID(), destinationId: shell.id, decisions },
        follows:
          own?.id === plan.id ||
          (own !== undefined &&
            sourcesOf(own).join(' ') === sourcesOf(plan).join(' ') &&
            followsPlan(plan.decisions, own.decisions, policy)),
      };
    }),
  );
}

/** The sections beside each other: each by its own plan, or as it would be if it followed this one. */
export const sectionsView: PlanQuery<AskedPlan, SectionsView> = async (
  { manager, grounds },
  { person, planId, now },
) => {
  const pair = await planFor(manager, person, planId, now.slice(0, 10));
  const today = now.slice(0, 10);
  const sections = await sectionsOf(manager, grounds, person, pair, today);
  const known = await grounds.grounds(pair.sources, pair.destination);
  const moments = new Map<string, SectionsView['moments'][number]>();
  const views: PlanSection[] = [];
  for (const { shell, plan, following, follows } of sections) {
    const decisions = plan?.decisions ?? following.decisions;
    const worked = await grounds.workOut(pair.sources, shell, decisions, now);
    // What was brought stands in the shell; what is to come is in the plan.
    const standing = worked.toWrite === 0 ? await standingIn(manager, known, shell.id) : worked.dates;
    for (const { id, title, role, from } of standing) moments.set(id, { id, title, role, from });
    views.push({
      shell,
      right: mayDo('run', person, shell, today),
      planId: plan?.id ?? null,
      follows,
      toWrite: worked.toWrite,
      doubts: worked.causes.reduce((sum, cause) => sum + cause.moments.length, 0),
      dates: Object.fromEntries(
        standing.map(({ id, to, flags }): [string, SectionDate] => [id, { to, doubtful: isDoubtful(flags) }]),
      ),
    });
  }
  const inOrder = [...moments.values()].sort((a, b) => a.from.localeCompare(b.from) || a.title.localeCompare(b.title));
  return { sections: views, moments: inOrder };
};

/** The dates of a section into which was brought, as they stand there. */
async function standingIn(
  manager: EntityManager,
  known: readonly PairGround[],
  courseId: string,
): Promise<readonly PreviewDate[]> {
  const shell = await readSnapshot(manager, courseId);
  return shell === undefined ? [] : known.flatMap(({ source }) => standingDates(source, shell));
}

/** What sections decide when they follow the plan; of those that are asked for. */
export const followingPlans: PlanQuery<
  AskedPlan & { readonly destinations: readonly string[] },
  FollowingPlan[]
> = async ({ manager, grounds }, { person, planId, destinations, now }) => {
  const pair = await planFor(manager, person, planId, now.slice(0, 10));
  const sections = await sectionsOf(manager, grounds, person, pair, now.slice(0, 10));
  return sections
    .filter(({ shell }) => shell.id !== pair.destination.id && destinations.includes(shell.id))
    .map(({ following }) => following);
};
