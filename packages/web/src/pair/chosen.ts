import type { CourseSummary } from '@yarin/core';

/** One old course, several shells, or more courses for a plan that stands. */
export type How = 'one' | 'several' | 'more';

/** What a press on a course of the other side does: it alone, it too, or not it. */
export type Press = 'only' | 'also' | 'not';

/** What is chosen for the other side after a press, in order. */
export function chosenAfter(
  chosen: readonly CourseSummary[],
  course: CourseSummary,
  press: Press,
): readonly CourseSummary[] {
  if (press === 'only') return [course];
  const others = chosen.filter(({ id }) => id !== course.id);
  return press === 'not' ? others : [...others, course];
}
