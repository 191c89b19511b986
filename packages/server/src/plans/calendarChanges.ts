import {
  calendarChange,
  courseTimeDifferences,
  concernedDates,
  indexPlan,
  proposePlanPolicy,
  type CalendarChange,
  type CourseSummary,
  type CourseTime,
  type Decisions,
  type PlanInput,
  type PreviewDate,
  type Snapshot,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import type { PlanRow } from '../database/entities/run.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import { inputOn, orRefuse, type PairGround } from './workedPlan.js';

/** Calendars and class days by course. */
export type Times = Readonly<Record<string, CourseTime>>;

const inTime = (snapshot: Snapshot, times: Times): Snapshot => ({ ...snapshot, ...times[snapshot.course.id] });

/** A ground as it would be with other calendars and class days; the policy is proposed anew for them. */
function groundIn(ground: PairGround, times: Times): PairGround {
  const source = inTime(ground.source, times);
  const shell = inTime(ground.shell, times);
  return { ...ground, source, shell, suggestion: { proposed: { policy: orRefuse(proposePlanPolicy(source, shell)) } } };
}

/** What the calendars of a plan say otherwise, by the term that they are of. */
function differences(grounds: readonly PairGround[], before: Times, after: Times): string[] {
  const sides = [...grounds.map(({ source }) => source), grounds[0]!.shell];
  const sentences = sides.flatMap(({ course }) => {
    const [was, is] = [before[course.id], after[course.id]];
    if (was === undefined || is === undefined) return [];
    return courseTimeDifferences(was, is).map((sentence) => `${course.term}: ${sentence}`);
  });
  return [...new Set(sentences)];
}

/** What a plan is worked out with beside its grounds. */
interface Worked {
  readonly decisions: Decisions;
  readonly now: string;
  readonly department: string | null;
}

/** The input of a plan's computation as it would be with other calendars. */
export async function inputIn(
  manager: EntityManager,
  grounds: readonly PairGround[],
  times: Times,
  { decisions, now, department }: Worked,
): Promise<PlanInput> {
  const inTimes = grounds.map((ground) => groundIn(ground, times));
  return inputOn(inTimes, decisions, now, await standingRecipe(manager, department));
}

const datesIn = async (...given: Parameters<typeof inputIn>): Promise<readonly PreviewDate[]> => {
  const input = await inputIn(...given);
  return orRefuse(concernedDates(indexPlan(input), input));
};

/** What other calendars do to a plan; `null` when they say nothing else. */
export async function changeBetween(
  manager: EntityManager,
  grounds: readonly PairGround[],
  worked: Worked,
  before: Times,
  after: Times,
): Promise<CalendarChange | null> {
  const what = differences(grounds, before, after);
  if (what.length === 0) return null;
  const was = await datesIn(manager, grounds, before, worked);
  const is = await datesIn(manager, grounds, after, worked);
  return calendarChange(what, was, is);
}

/** The times of the courses of a plan, as they hold now. */
export const timesIn = (grounds: readonly PairGround[]): Times =>
  Object.fromEntries(
    [...grounds.map(({ source }) => source), grounds[0]!.shell].map(({ course, calendar, meetings }) => [
      course.id,
      { calendar, meetings },
    ]),
  );

/** What changed under a plan since a person last saw it; `null` when nothing did. */
export async function changeSince(
  manager: EntityManager,
  grounds: readonly PairGround[],
  { plan, destination }: { readonly plan: PlanRow; readonly destination: CourseSummary },
  now: string,
): Promise<CalendarChange | null> {
  if (plan.seenTimes === null) return null;
  const worked = { decisions: plan.decisions, now, department: destination.department };
  return changeBetween(manager, grounds, worked, plan.seenTimes, timesIn(grounds));
}
