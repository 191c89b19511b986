import { mayDo, type Act, type CourseSummary, type Right } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { summariseCourse } from './courseSummaries.js';
import { forbidden, notFound } from '../http/httpProblem.js';
import type { Asker } from '../people/asker.js';

export function demand(right: Right): void {
  if (!right.may) throw forbidden(right.why);
}

/** The course that a request is about, when whoever asks may do this with it; else the refusal that says why. */
export async function courseFor(
  manager: EntityManager,
  act: Act,
  asker: Asker,
  courseId: string,
  today: string,
): Promise<CourseSummary> {
  const course = await summariseCourse(manager, courseId, asker.id);
  if (course === undefined)
    throw notFound(`There is no course with the id “${courseId}”. It may have been removed meanwhile.`);
  demand(mayDo(act, asker, course, today));
  return course;
}
