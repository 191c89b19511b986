import type { CourseHead } from '@yarin/core';

/** What a course is, or when it ran. */
const mainLabel = ({ type, term }: CourseHead): string =>
  type === 'development' ? 'the development course' : type === 'template' ? 'the shared template' : term;

/** From short to long: what tells a course from others of a plan. */
const WAYS: readonly ((course: CourseHead) => string)[] = [
  mainLabel,
  (course) => `${course.code} ${course.number}, ${mainLabel(course)}`,
  (course) => `${course.code} ${course.number}-${course.section}, ${mainLabel(course)}`,
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
