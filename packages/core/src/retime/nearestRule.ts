import type { Day } from '../calendar/day.js';
import { meetsOn, type Tie } from './classes.js';
import type { MappedWeekday } from './mapped.js';
import type { Step } from './steps.js';
import type { Placed, Terms } from './terms.js';

/** Within three days, the nearer before the farther and the earlier before the later. */
const AROUND = [0, -1, 1, -2, 2, -3, 3];

/** Moves a day to the same distance from the first day. @see docs/rules.md, rule `offset` */
export function byOffset({ old, new: to }: Terms, day: Day): Placed {
  const days = day - old.firstDay;
  return { day: to.firstDay + days, flags: 0, steps: [{ step: 'fromFirstDay', days }] };
}

function nearest(base: Placed, before: readonly Step[], suits: (day: Day) => boolean): Placed {
  const days = AROUND.find((each) => suits(base.day + each));
  if (days === undefined) return base;
  return { day: base.day + days, flags: 0, steps: [...base.steps, ...before, { step: 'nearest', days }] };
}

/**
 * Moves a day to the date nearest to the same distance from the first day that runs as the mapped weekday.
 *
 * @param weekday  its own on exam days and closed days
 * @see docs/rules.md, rule `nearest`
 */
export const byNearest = (terms: Terms, day: Day, weekday: MappedWeekday): Placed =>
  nearest(
    byOffset(terms, day),
    weekday.steps.filter(({ step }) => step === 'weekday'),
    (each) => terms.new.runsAs(each) === weekday.to,
  );

/** Moves the day of a class to the date nearest to the same distance from the first day on which one meets that answers. */
export const byNearestClass = (terms: Terms, { meeting, series }: Tie): Placed =>
  nearest(byOffset(terms, meeting.day), [], (each) => meetsOn(series.after, each));
