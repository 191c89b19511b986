import {
  categoriesOf,
  decisionsOfSetUp,
  mayDo,
  setUpEffect,
  setUpOf,
  type SetUpInto,
  type SetUpView,
} from '@yarin/core';
import { courseFor } from '../courses/rights.js';
import { readSnapshot } from '../courses/courseStore.js';
import { PlanRow } from '../database/entities/run.js';
import { HttpProblem } from '../http/httpProblem.js';
import { shellsFor } from '../pairing/pairingService.js';
import type { AskedCourse } from '../people/asker.js';
import type { PlanQuery } from './planGrounds.js';

const MOST_COURSES = 40;

/** The gradebook set-up of a course by itself, with what bringing it would do in each course that the person may fill. */
export const setUpView: PlanQuery<AskedCourse, SetUpView> = async ({ manager, grounds }, { person, courseId, now }) => {
  const today = now.slice(0, 10);
  const course = await courseFor(manager, 'read', person, courseId, today);
  const right = mayDo('use', person, course, today);
  const others = right.may ? (await shellsFor(manager, person, course, today)).slice(0, MOST_COURSES) : [];
  const plans = await manager.findBy(PlanRow, { sourceId: course.id, scope: 'gradebook' });
  const into: SetUpInto[] = [];
  for (const { course: other, isRunning } of others) {
    const plan = plans.find(({ destinationId }) => destinationId === other.id);
    const told = { course: other, isRunning, planId: plan?.id ?? null };
    try {
      const worked = await grounds.workOut([course], other, plan?.decisions ?? decisionsOfSetUp(), now);
      const standing = (await grounds.grounds([course], other))[0]!.shell.items;
      into.push({ ...told, effect: setUpEffect(standing, worked), toWrite: worked.toWrite });
    } catch (error) {
      if (!(error instanceof HttpProblem)) throw error;
      into.push({ ...told, effect: error.message, toWrite: 0 });
    }
  }
  const items = (await readSnapshot(manager, course.id))?.items ?? [];
  return { course, setUp: setUpOf(items), categories: categoriesOf(items), right, into };
};
