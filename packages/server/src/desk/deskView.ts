import {
  groupBy,
  mayDo,
  standingsOf,
  type CourseSummary,
  type DeskShell,
  type DeskView,
  type ShellSentence,
} from '@yarin/core';
import { IsNull, type EntityManager } from 'typeorm';
import { readAccess } from '../access/accessStore.js';
import { readableCourses } from '../courses/courseSummaries.js';
import { TermRow } from '../database/entities/term.js';
import { isRunning, predecessorFinder, proposeGround } from '../pairing/pairingService.js';
import type { Asker } from '../people/asker.js';
import { termsVersion } from '../terms/termStore.js';
import { standingName } from '../plans/planGrounds.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import type { Query } from '../database/query.js';
import { noticesOf } from '../history/notices.js';
import { latestRuns, plansInto, standingRuns, type PlanOfDesk, type StandingRun } from './deskStore.js';
import { coursesWithNotes } from './notes.js';
import { pendingOf, type PendingSentence } from './sentences.js';

/** The first term that has not ended, preferring one that is yet to start. */
async function comingTerm(manager: EntityManager, today: string): Promise<TermRow | undefined> {
  const terms = await manager.find(TermRow, { where: { parentId: IsNull() }, order: { firstDay: 'ASC' } });
  return terms.find(({ firstDay }) => firstDay >= today) ?? terms.findLast(({ lastDay }) => lastDay >= today);
}

/** Courses that a person has to do with: a course that is open to everybody is not at everybody's Desk. */
const isAtDesk = (person: Asker, course: CourseSummary): boolean =>
  standingsOf(person, course).some((standing) => standing !== 'anyone' && standing !== 'guest');

const MOST_LATELY = 6;

/** Of a shell without a predecessor there is no plan to say anything of. */
const NOTHING_SAID: ShellSentence = { sentence: null, why: null };

/** The Desk without what is worked out for each shell by itself. */
export interface DeskFrame {
  readonly view: DeskView;
  readonly pending: readonly PendingSentence[];
}

/** What the Desk of a person shows: the shells of the coming term, each with its predecessor; their plans are worked out one by one. */
export const deskView: Query<{ readonly person: Asker; readonly now: string }, DeskFrame> = async (
  { manager },
  { person, now },
) => {
  const today = now.slice(0, 10);
  const term = await comingTerm(manager, today);
  const courses = await readableCourses(manager, person);
  const sources = courses.filter((course) => mayDo('use', person, course, today).may);
  const predecessorsOf = predecessorFinder(sources, await proposeGround(manager));
  const ofTerm = courses.filter(
    (course) => course.term === term?.name && course.type === 'course' && !course.archived && isAtDesk(person, course),
  );
  const standing = await standingRuns(manager, ofTerm);
  const plans = groupBy(await plansInto(manager, ofTerm), ({ destinationId }) => destinationId);
  const shells = ofTerm.filter(
    (course) => !isRunning(course, today) || standing.has(course.id) || plans.get(course.id)?.some(isTouched) === true,
  );
  const pending: PendingSentence[] = [];
  const terms = await termsVersion(manager);
  const recipes = new Map<string | null, ReturnType<typeof standingRecipe>>();
  const recipeFor = (department: string | null): ReturnType<typeof standingRecipe> => {
    let recipe = recipes.get(department);
    if (recipe === undefined) recipes.set(department, (recipe = standingRecipe(manager, department)));
    return recipe;
  };
  const rows = await Promise.all(
    shells.map(async (shell): Promise<DeskShell> => {
      const { verdict, candidates } = predecessorsOf(shell);
      const done = standing.get(shell.id) ?? null;
      const { plan, source, others } = planShown(plans.get(shell.id) ?? [], done, candidates[0]?.course, sources);
      if (source !== null) {
        const from = [source, ...furtherOf(plan, sources)];
        const stands = standingName(from, shell, terms, await recipeFor(shell.department));
        pending.push(pendingOf(from, shell, plan, stands, now));
      }
      return {
        shell,
        verdict,
        candidates,
        right: mayDo('run', person, shell, today),
        source,
        plan: plan === undefined ? null : { id: plan.id, touched: isTouched(plan) },
        otherPlans: others,
        said: source === null ? NOTHING_SAID : 'underWay',
        done: done === null ? null : { runId: done.runId, at: done.at, by: done.by, things: done.things },
      };
    }),
  );
  const view: DeskView = {
    now,
    term: term === undefined ? null : { name: term.name, firstDay: term.firstDay },
    shells: rows,
    notes: await coursesWithNotes(
      manager,
      sources.filter((course) => isAtDesk(person, course)),
    ),
    notices: await noticesOf(manager, shells),
    asked: (await readAccess(manager, person)).askedOfMe.filter(({ answer }) => answer === null),
    lately: await latestRuns(manager, courses, MOST_LATELY),
  };
  return { view, pending };
};

const isTouched = ({ version }: PlanOfDesk): boolean => version > 1;

interface PlanShown {
  readonly plan: PlanOfDesk | undefined;
  readonly source: CourseSummary | null;
  readonly others: DeskShell['otherPlans'];
}

/**
 * Which plan of a shell its row is about: that by which something was brought, else the one that was touched last, from
 * whatever course, else that of the predecessor; the others that were touched stand behind it.
 *
 * @param plans   the plans into the shell, the one touched last first
 * @param usable  courses that the person may use as a source
 */
function planShown(
  plans: readonly PlanOfDesk[],
  done: StandingRun | null,
  predecessor: CourseSummary | undefined,
  usable: readonly CourseSummary[],
): PlanShown {
  const courseOf = ({ sourceId }: PlanOfDesk): CourseSummary | undefined => usable.find(({ id }) => id === sourceId);
  const touched = plans.filter((plan) => isTouched(plan) && courseOf(plan) !== undefined);
  const plan =
    plans.find(({ id }) => id === done?.planId) ??
    touched[0] ??
    plans.find(({ sourceId }) => sourceId === predecessor?.id);
  const source = plan === undefined ? predecessor : courseOf(plan);
  const others = touched.filter(({ id }) => id !== plan?.id).map((each) => ({ id: each.id, source: courseOf(each)! }));
  return { plan, source: source ?? null, others };
}

const furtherOf = (plan: PlanOfDesk | undefined, usable: readonly CourseSummary[]): CourseSummary[] =>
  (plan?.furtherSources ?? []).flatMap((id) => usable.find((course) => course.id === id) ?? []);
