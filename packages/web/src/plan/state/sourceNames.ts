import type { CourseHead } from '@yarin/core';
import { termInSentence } from '../../shared/courseLine.js';

/** From short to long: what tells a course from others of a plan. */
const WAYS: readonly ((course: CourseHead) => string)[] = [
  termInSentence,
  (course) => `${course.code} ${course.number}, ${termInSentence(course)}`,
  (course) => `${course.code} ${course.number}-${course.section}, ${termInSentence(course)}`,
];

/** Names of the courses that a plan brings from, each the shortest that no other of them has; by id. */
export function sourceNames(courses: readonly CourseHead[]): ReadonlyMap<string, string> {
  return new Map(
    courses.map((course) => {
      const way = WAYS.find((name) => courses.every((other) => other === course || name(other) !== name(course)));
      return [course.id, way?.(course) ?? course.id];
    }),
  );
}
