import type { Day, Weekday } from '../calendar/day.js';
import type { Tie } from './classes.js';
import type { ResolvedPolicy } from './policy.js';
import type { Step } from './steps.js';
import type { Terms } from './terms.js';

/** The weekday that an old day goes to, and the link of the chain that says so. */
export interface MappedWeekday {
  readonly to: Weekday;
  readonly steps: readonly Step[];
}

const move = (from: Weekday, to: Weekday): MappedWeekday => ({
  to,
  steps: to === from ? [{ step: 'sameWeekday', weekday: from }] : [{ step: 'weekday', from, to }],
});

/** The day keeps its weekday, whatever is mapped. */
export const ownWeekday = ({ old }: Terms, day: Day): MappedWeekday => move(old.runsAs(day), old.runsAs(day));

/**
 * The weekday that what is tied to no class goes to: what the policy names for it, inside the old term.
 *
 * @see docs/rules.md, "Classes"
 */
export function restWeekday({ old }: Terms, day: Day, { weekdays }: ResolvedPolicy): MappedWeekday {
  const from = old.runsAs(day);
  return move(from, (old.isInside(day) ? weekdays[from] : undefined) ?? from);
}

/**
 * The weekday that a class goes to: what the policy names for it, if the classes that answer have that, else what the
 * class-day map of its series says.
 *
 * @see docs/rules.md, "Classes"
 */
export function classWeekday({ old }: Terms, { meeting, series }: Tie, { weekdays }: ResolvedPolicy): MappedWeekday {
  const from = old.runsAs(meeting.day);
  const named = weekdays[from];
  return move(from, named !== undefined && series.newWeekdays.includes(named) ? named : series.dayMap.get(from)!);
}
