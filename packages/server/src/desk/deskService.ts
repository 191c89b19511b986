import { mayDo, standingsOf, type CourseSummary, type DeskShell, type DeskView, type LatelyRun } from '@yarin/core';
import { IsNull, type EntityManager } from 'typeorm';
import { readAccess } from '../access/accessStore.js';
import { readableCourses } from '../courses/courseSummaries.js';
import { PlanRow, RunRow } from '../database/entities/run.js';
import { TermRow } from '../database/entities/term.js';
import { HttpProblem } from '../http/httpProblem.js';
import type { Logger } from 'pino';
import { nameOf } from '../people/names.js';
import { predecessorsOf, proposeGround } from '../pairing/pairingService.js';
import type { Asker } from '../people/asker.js';
import type { PlanGrounds } from '../plans/planGrounds.js';
import { noticesOf } from '../roster/notices.js';
import { coursesWithNotes } from './notes.js';

/** The first term that has not ended, preferring one that is yet to start. */
async function comingTerm(manager: EntityManager, today: string): Promise<TermRow | undefined> {
  const terms = await manager.find(TermRow, { where: { parentId: IsNull() }, order: { firstDay: 'ASC' } });
  return terms.find(({ firstDay }) => firstDay >= today) ?? terms.findLast(({ lastDay }) => lastDay >= today);
}

/** Courses that a person has to do with: a course that is open to everybody is not at everybody's Desk. */
const isAtDesk = (person: Asker, course: CourseSummary): boolean =>
  standingsOf(person, course).some((standing) => standing !== 'anyone' && standing !== 'guest');

/** What the Desk of a person shows: the shells of the coming term, each with its predecessor and its plan worked out. */
export async function readDesk(
  manager: EntityManager,
  { grounds, log }: { readonly grounds: PlanGrounds; readonly log: Logger },
  person: Asker,
  now: string,
): Promise<DeskView> {
  const today = now.slice(0, 10);
  const term = await comingTerm(manager, today);
  const courses = await readableCourses(manager, person);
  const sources = courses.filter((course) => mayDo('use', person, course, today).may);
  const runs = await manager.find(RunRow, { order: { number: 'DESC' } });
  const standing = runs.filter(({ undoneAt }) => undoneAt === null);
  const ground = await proposeGround(manager);
  const plans = await manager.find(PlanRow);

  const shells = courses.filter(
    (course) => course.term === term?.name && course.type === 'course' && !course.archived && isAtDesk(person, course),
  );
  const rows = await Promise.all(
    shells.map(async (shell): Promise<DeskShell> => {
      const { verdict, candidates } = predecessorsOf(shell, sources, ground);
      const done = standing.find(({ destinationId }) => destinationId === shell.id);
      const plan = plans.find(
        ({ destinationId, sourceId }) =>
          destinationId === shell.id && sourceId === (done?.sourceId ?? candidates[0]?.course.id),
      );
      const first = candidates.find(({ course }) => course.id === (done?.sourceId ?? candidates[0]?.course.id));
      return {
        shell,
        verdict,
        candidates,
        right: mayDo('run', person, shell, today),
        plan: plan === undefined ? null : { id: plan.id, touched: plan.version > 1 },
        ...(first === undefined
          ? { sentence: null, why: null }
          : await sentenceOf({ grounds, log }, [first.course, ...furtherOf(plan, sources)], shell, plan, now)),
        done:
          done === undefined
            ? null
            : { runId: done.id, at: done.at, by: await nameOf(manager, done), things: done.counts.things },
      };
    }),
  );
  return {
    now,
    term: term === undefined ? null : { name: term.name, firstDay: term.firstDay },
    shells: rows,
    notes: await coursesWithNotes(
      manager,
      sources.filter((course) => isAtDesk(person, course)),
    ),
    notices: await noticesOf(manager, shells),
    asked: (await readAccess(manager, person)).askedOfMe.filter(({ answer }) => answer === null),
    lately: await latelyOf(manager, runs, new Map(courses.map((course) => [course.id, course]))),
  };
}

const furtherOf = (plan: PlanRow | undefined, usable: readonly CourseSummary[]): CourseSummary[] =>
  (plan?.furtherSources ?? []).flatMap((id) => usable.find((course) => course.id === id) ?? []);

/** A course that can't be planned keeps its row and says why; it never takes the others with it. */
async function sentenceOf(
  { grounds, log }: { readonly grounds: PlanGrounds; readonly log: Logger },
  sources: readonly CourseSummary[],
  shell: CourseSummary,
  plan: PlanRow | undefined,
  now: string,
): Promise<Pick<DeskShell, 'sentence' | 'why'>> {
  try {
    const worked = await grounds.workOut(
      sources,
      shell,
      plan !== undefined && plan.version > 1 ? plan.decisions : undefined,
      now,
    );
    const counts = Object.values(worked.counts);
    const sentence = {
      come: counts.reduce((sum, { bring }) => sum + bring, 0),
      of: counts.reduce((sum, each) => sum + each.source, 0),
      dates: worked.dates.length,
      doubts: worked.causes.length,
      leftOver: worked.looseEnds.length,
      toWrite: worked.toWrite,
    };
    return { sentence, why: null };
  } catch (error) {
    if (error instanceof HttpProblem) return { sentence: null, why: error.message };
    log.error({ err: error, shell: shell.id }, 'a plan could not be worked out');
    return { sentence: null, why: FAILED };
  }
}

const FAILED = 'its plan can’t be worked out: something in one of the two courses is broken; tell your administrator';

const MOST_LATELY = 6;

async function latelyOf(
  manager: EntityManager,
  runs: readonly RunRow[],
  readable: ReadonlyMap<string, CourseSummary>,
): Promise<LatelyRun[]> {
  const mine = runs.filter(({ destinationId }) => readable.has(destinationId)).slice(0, MOST_LATELY);
  return Promise.all(
    mine.map(async (run) => ({
      id: run.id,
      planId: run.planId,
      at: run.at,
      by: await nameOf(manager, run),
      things: run.counts.things,
      source: readable.get(run.sourceId),
      destination: readable.get(run.destinationId),
      undoneAt: run.undoneAt,
    })),
  );
}
