import { listWith, valuesOf } from '../database/lists.js';
import {
  mayDo,
  propose,
  rightsOf,
  type BroughtBefore,
  type CourseSummary,
  type Kind,
  type PairCandidate,
  type PairView,
  type ProposeCandidate,
  type Proposal,
  type ShellStanding,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { allOf, EVERY, isAllowed, isTaughtBy, summariesWhere } from '../courses/courseSummaries.js';
import { PlanRow, sourcesOf } from '../database/entities/run.js';
import { FormerCodeRow } from '../database/entities/roster.js';
import { DOER_NAME } from '../history/deeds.js';
import type { Asker } from '../people/asker.js';
import { courseFor } from '../courses/rights.js';
import type { Query } from '../database/query.js';
import type { AskedCourse } from '../people/asker.js';

const asCandidate = (course: CourseSummary): ProposeCandidate => ({
  ...course,
  campus: course.campus ?? undefined,
  mode: course.mode ?? undefined,
  editedAt: course.editedAt ?? undefined,
  instructors: [...course.instructorIds],
});

/** What a proposal needs beside the courses: runs that stand, with the term they went into, and earlier codes. */
export interface ProposeGround {
  readonly runs: readonly {
    readonly source: string;
    readonly destination: string;
    readonly term: string;
    readonly into: string;
  }[];
  readonly formerly: readonly { code: string; number: string; was: { code: string; number: string } }[];
}

export async function proposeGround(manager: EntityManager): Promise<ProposeGround> {
  const runs = await manager.query<ProposeGround['runs'][number][]>(
    `SELECT source.value AS source, run.destination_id AS destination, term.name AS term,
            course.code || ' ' || course.number || '-' || course.section AS "into"
       FROM run CROSS JOIN ${valuesOf(listWith('run.further_sources', 'run.source_id'))} AS source
            JOIN course ON course.id = run.destination_id JOIN term ON term.id = course.term_id WHERE run.undone_at IS NULL AND ${IS_OF_COURSE}`,
  );
  const formerly = (await manager.find(FormerCodeRow)).map(({ code, number, wasCode, wasNumber }) => ({
    code,
    number,
    was: { code: wasCode, number: wasNumber },
  }));
  return { runs, formerly };
}

/** A run brought a course, not its gradebook set-up by itself; that says nothing of whether a shell is filled. */
export const IS_OF_COURSE = `NOT EXISTS (SELECT 1 FROM plan WHERE plan.id = run.plan_id AND plan.scope <> 'course')`;

/** What could come before a shell, in the order in which it is proposed. */
export interface Predecessors {
  readonly verdict: Proposal['verdict'];
  readonly candidates: Omit<PairCandidate, 'use' | 'usedInto' | 'isRunning'>[];
}

const codeOf = ({ code, number }: { readonly code: string; readonly number: string }): string => `${code} ${number}`;

/**
 * Finds the likely predecessors of shells among the courses that the person may use, which are looked through once: of
 * a shell only those with its code, or an earlier one, are compared.
 */
export function predecessorFinder(
  sources: readonly CourseSummary[],
  { runs, formerly }: ProposeGround,
): (shell: CourseSummary) => Predecessors {
  const byCode = new Map<string, CourseSummary[]>();
  for (const source of sources) {
    const alike = byCode.get(codeOf(source));
    if (alike === undefined) byCode.set(codeOf(source), [source]);
    else alike.push(source);
  }
  return (shell) => {
    const codes = [
      codeOf(shell),
      ...formerly.filter((each) => codeOf(each) === codeOf(shell)).map(({ was }) => codeOf(was)),
    ];
    const alike = [...new Set(codes)].flatMap((code) => byCode.get(code) ?? []);
    const proposal = propose({
      shell: asCandidate(shell),
      courses: alike.map(asCandidate),
      runs: [...runs],
      formerly: [...formerly],
    });
    const byId = new Map(alike.map((course) => [course.id, course]));
    return {
      verdict: proposal.verdict,
      candidates: proposal.candidates.map(({ course, ...reasons }) => ({ ...reasons, course: byId.get(course)! })),
    };
  };
}

/** One side of a pair as it stands, with what could be the other side. */
export const pairView: Query<AskedCourse & { readonly side: 'shell' | 'source' }, PairView> = async (
  { manager },
  { person: asker, courseId, now, side },
) => {
  const today = now.slice(0, 10);
  const course = await courseFor(manager, 'read', asker, courseId, today);
  const kinds = await manager.query<{ kind: Kind; count: number }[]>(
    'SELECT kind, count(*) AS count FROM item WHERE course_id = ? GROUP BY kind ORDER BY count(*) DESC, kind',
    [course.id],
  );
  const plans = await manager
    .createQueryBuilder(PlanRow, 'plan')
    .where(
      side === 'shell'
        ? 'plan.destination_id = :id'
        : `(plan.source_id = :id OR EXISTS (SELECT 1 FROM ${valuesOf('plan.further_sources')} WHERE value = :id))`,
      { id: course.id },
    )
    .andWhere(`plan.scope = 'course'`)
    .orderBy({ 'plan.place': 'ASC', 'plan.changed_at': 'ASC' })
    .getMany();
  const { verdict, candidates, askable } =
    side === 'shell'
      ? await sourcesFor(manager, asker, course, today)
      : { verdict: 'several' as const, candidates: await shellsFor(manager, asker, course, today), askable: [] };
  return {
    course,
    rights: rightsOf(asker, course, today),
    kinds,
    ...(await standingOf(manager, course.id)),
    verdict,
    candidates,
    askable,
    plans: plans.map((plan) => ({ id: plan.id, sourceIds: sourcesOf(plan), destinationId: plan.destinationId })),
  };
};

async function sourcesFor(manager: EntityManager, asker: Asker, shell: CourseSummary, today: string) {
  const ground = await proposeGround(manager);
  const codes = [
    { code: shell.code, number: shell.number },
    ...ground.formerly
      .filter(({ code, number }) => code === shell.code && number === shell.number)
      .map(({ was }) => was),
  ];
  const ofCode = await summariesWhere(manager, asker.id, {
    sql: codes.map(() => '(course.code = ? AND course.number = ?)').join(' OR '),
    values: codes.flatMap(({ code, number }) => [code, number]),
  });
  const judged = ofCode.map((course) => ({ course, use: mayDo('use', asker, course, today) }));
  const sources = judged.filter(({ use }) => use.may).map(({ course }) => course);
  const askable = judged.flatMap(({ course, use }) =>
    use.may || course.things === course.stockThings || course.firstDay >= shell.firstDay
      ? []
      : [{ course, why: use.why }],
  );
  const { verdict, candidates } = predecessorFinder(sources, ground)(shell);
  return {
    verdict,
    candidates: candidates.map((each) => ({
      ...each,
      usedInto: usedInto(ground, each.course.id, shell),
      use: mayDo('use', asker, each.course, today),
      isRunning: isRunning(each.course, today),
    })),
    askable,
  };
}

/** Where a course could be carried forward to: not yet ended, the person's own; shells first, of those the same course. */
export async function shellsFor(
  manager: EntityManager,
  asker: Asker,
  source: CourseSummary,
  today: string,
): Promise<PairCandidate[]> {
  const shells = await summariesWhere(
    manager,
    asker.id,
    allOf(
      asker.role === 'administrator' ? isAllowed('read', asker) : isTaughtBy(asker.id),
      { sql: `course.type = 'course' AND course.id <> ? AND course.cancelled = 0`, values: [source.id] },
      { sql: 'term.last_day >= ?', values: [today] },
      asker.role === 'administrator'
        ? { sql: 'course.code = ? AND course.number = ?', values: [source.code, source.number] }
        : EVERY,
    ),
    'term.first_day, course.code, course.number, course.section',
  );
  const ground = await proposeGround(manager);
  const isSame = ({ code, number }: CourseSummary): boolean => code === source.code && number === source.number;
  return shells
    .filter((shell) => mayDo('run', asker, shell, today).may && shell.firstDay >= source.firstDay)
    .map((course): PairCandidate => {
      const [first] = propose({
        shell: asCandidate(course),
        courses: [asCandidate(source)],
        runs: [...ground.runs],
        formerly: [...ground.formerly],
      }).candidates;
      return {
        course,
        for: first?.for ?? [],
        against: first?.against ?? [],
        usedInto: usedInto(ground, source.id, course),
        use: { may: true },
        isRunning: isRunning(course, today),
      };
    })
    .sort((a, b) => Number(a.isRunning) - Number(b.isRunning) || Number(isSame(b.course)) - Number(isSame(a.course)));
}

/** Whether a course has begun and holds more than its stock: people work in it. */
export const isRunning = ({ type, firstDay, lastDay, things, stockThings }: CourseSummary, today: string): boolean =>
  type === 'course' && firstDay <= today && today <= lastDay && things > stockThings;

const usedInto = ({ runs }: ProposeGround, sourceId: string, shell: CourseSummary): string[] =>
  runs
    .filter(({ source, destination, term }) => source === sourceId && destination !== shell.id && term === shell.term)
    .map(({ into }) => into);

/** What a shell holds beside its stock, and how it came there. */
export async function standingOf(manager: EntityManager, courseId: string): Promise<ShellStanding> {
  const [{ byHand }] = (await manager.query<{ byHand: number }[]>(
    `SELECT count(*) AS byHand FROM item WHERE course_id = ? AND edited_at IS NOT NULL
        AND key NOT IN (SELECT item_key FROM lineage WHERE course_id = ?)`,
    [courseId, courseId],
  )) as [{ byHand: number }];
  return { brought: await broughtInto(manager, courseId), byHand };
}

const broughtInto = (manager: EntityManager, courseId: string): Promise<BroughtBefore[]> =>
  manager.query(
    `SELECT run.id AS runId, run.plan_id AS planId, run.at, ${DOER_NAME('run.person_id', 'run.for_person_id')} AS "by",
            run.counts->>'things' AS things,
            coalesce((SELECT code || ' ' || number || '-' || section || ', ' || term.name FROM course JOIN term ON term.id = course.term_id
                       WHERE course.id = run.source_id), 'a course that was removed')
            || CASE json_array_length(run.further_sources) WHEN 0 THEN '' WHEN 1 THEN ' and one more course'
                    ELSE ' and ' || json_array_length(run.further_sources) || ' more courses' END AS "from"
       FROM run WHERE run.destination_id = ? AND run.undone_at IS NULL ORDER BY run.number DESC`,
    [courseId],
  );
