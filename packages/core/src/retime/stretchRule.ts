import type { Day } from '../calendar/day.js';
import { FLAG } from '../names/flags.js';
import { shareOf } from './shareOf.js';
import type { Step } from './steps.js';
import type { Placed, Terms } from './terms.js';

/**
 * Moves a day to the same share of the teaching days, for terms of unlike length.
 *
 * @returns `undefined` where the rule hands over to `week`: exam days and everything outside teaching and break weeks
 * @see     docs/rules.md, rule `stretch`
 */
export function byStretch(terms: Terms, day: Day): Placed | undefined {
  const { old } = terms;
  if (old.isExam(day)) return undefined;
  const kind = old.weekKind(day).is;
  if (kind === 'teaching') return inTeachingWeek(terms, day);
  return kind === 'break' && old.isInside(day) ? inBreakWeek(terms, day) : undefined;
}

/** Where the teaching day goes that is the `index`-th of the old term. */
const baseOf = ({ old, new: to }: Terms, index: number): Day =>
  to.teachingDays[shareOf(index, old.teachingDays.length, to.teachingDays.length)]!;

const share = ({ new: to }: Terms, index: number): Step => ({ step: 'share', index, of: to.teachingDays.length });

/** With the last teaching day on or before it in its week, else with the first after it. */
function inTeachingWeek(terms: Terms, day: Day): Placed | undefined {
  const { old } = terms;
  const upTo = old.teachingDaysBefore(day + 1);
  const index = upTo > old.teachingDaysBefore(old.weekStart(day)) ? upTo - 1 : upTo;
  if (old.teachingDays[index] === undefined) return undefined;
  return { day: baseOf(terms, index), flags: 0, steps: [share(terms, index)] };
}

/** As long before the next teaching day as it was, but not before where the last one before it goes. */
function inBreakWeek(terms: Terms, day: Day): Placed | undefined {
  const { old, new: to } = terms;
  const index = old.teachingDaysBefore(day);
  const next = old.teachingDays[index];
  if (next === undefined) return undefined;
  const target = baseOf(terms, index) - (next - day);
  const moved = index > 0 ? Math.max(target, baseOf(terms, index - 1)) : target;
  const again = to.weekKind(moved).is === 'break';
  return { day: moved, flags: again ? 0 : FLAG.wasInBreak, steps: [share(terms, index)] };
}
