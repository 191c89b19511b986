import { dueNameOf, isUndated } from '../dates/undated.js';
import { FINDING_NAMES } from '../../names/findings.js';
import { checkCourse } from '../../course/checkCourse.js';
import { KINDS } from '../../names/kinds.js';
import { pointerPart, type Problem } from '../../problem.js';
import { parseDay } from '../../calendar/day.js';
import type { PlanJob } from '../../schemas/planJob.js';

/** Units that are missing are no hindrance: the item stands at the top of its course. */
const HARMLESS = new Set(['noSuchParent']);

/**
 * What the schema of a plan job can't see: courses that make no sense, choices that speak of nothing in them, days that
 * are on no calendar.
 */
export function planJobProblems({ sources, destination, choices = {}, byHand = {} }: PlanJob): Problem[] {
  const cutOn = destination.calendar.weekStartsOn ?? 1;
  const problems = [
    ...sources.flatMap((course, index) => checkCourse(course, `/sources/${index}`, cutOn)),
    ...checkCourse(destination, '/destination'),
  ].filter(({ code }) => !HARMLESS.has(code));
  const courses = [...sources, destination];
  const courseIds = courses.map(({ course }) => course.id);
  courseIds.forEach((id, index) => {
    if (courseIds.indexOf(id) < index)
      problems.push({
        code: 'sameCourse',
        message: `“${id}” stands twice; every source and the shell are courses of their own.`,
        where: index < sources.length ? `/sources/${index}` : '/destination',
      });
  });

  const ids = new Set(sources.flatMap(({ items }) => items.map(({ id }) => id)));
  const names = (
    field: 'kinds' | 'findings' | 'items' | 'units' | 'places',
    known: ReadonlySet<string>,
    code: string,
    what: string,
  ): void => {
    for (const name of Object.keys(choices[field] ?? {}))
      if (!known.has(name))
        problems.push({ code, message: `“${name}” is ${what}.`, where: `/choices/${field}/${pointerPart(name)}` });
  };
  names('kinds', new Set(KINDS), 'noSuchKind', `no kind of item; the kinds are ${KINDS.join(', ')}`);
  names(
    'findings',
    new Set(FINDING_NAMES),
    'noSuchFinding',
    `no finding; the findings are ${FINDING_NAMES.join(', ')}`,
  );
  for (const field of ['items', 'units', 'places'] as const)
    names(field, ids, 'noSuchItem', 'in none of the sources; use the id of one of their items');

  const momentIds = new Set(
    sources.flatMap(({ items }) =>
      items.flatMap((item) => (isUndated(item) ? [dueNameOf(item.id)] : (item.moments ?? []).map(({ id }) => id))),
    ),
  );
  for (const [id, at] of Object.entries(byHand)) {
    const where = `/byHand/${pointerPart(id)}`;
    if (!momentIds.has(id))
      problems.push({ code: 'noSuchMoment', message: `“${id}” is a date of none of the sources.`, where });
    else if (Number.isNaN(parseDay(at)))
      problems.push({ code: 'noSuchDate', message: `${at} is not on any calendar; give a date that exists.`, where });
  }
  return problems;
}
