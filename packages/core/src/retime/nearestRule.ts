import type { Day, Weekday } from '../calendar/day.js';
import type { Step } from './steps.js';
import type { Placed, Terms } from './terms.js';

/** Moves a day to the same distance from the first day. @see docs/rules.md, rule `offset` */
export function byOffset({ old, new: to }: Terms, day: Day): Placed {
  const days = day - old.firstDay;
  return { day: to.firstDay + days, flags: 0, steps: [{ step: 'fromFirstDay', days }] };
}

/**
 * Moves a day to the date nearest to the same distance from the first day that runs as the (mapped) weekday.
 *
 * @see docs/rules.md, rule `nearest`
 */
export function byNearest(terms: Terms, day: Day, weekdays: readonly Weekday[]): Placed {
  const { old, new: to } = terms;
  const from = old.runsAs(day);
  const weekday = old.isExam(day) || old.isClosed(day) ? from : weekdays[from]!;
  const base = byOffset(terms, day);
  for (const days of [0, -1, 1, -2, 2, -3, 3]) {
    if (to.runsAs(base.day + days) !== weekday) continue;
    const moved: Step[] = weekday === from ? [] : [{ step: 'weekday', from, to: weekday }];
    return { day: base.day + days, flags: 0, steps: [...base.steps, ...moved, { step: 'nearest', days }] };
  }
  return base;
}
