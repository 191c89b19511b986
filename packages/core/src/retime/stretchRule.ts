import type { Day, Weekday } from '../calendar/day.js';
import { FLAG } from './flags.js';
import type { Step } from './steps.js';
import { shareOf, type Placed, type Terms } from './terms.js';

/**
 * Moves days to the same share of the teaching days, for terms of unlike length. Reverses no two of them, and prefers
 * the (mapped) weekday within three days where that reverses nothing.
 *
 * @param days  the distinct old days of all moments under one policy, in order
 * @returns     where each goes; a day that is missing there goes by `week`
 * @see         docs/rules.md, rule `stretch`
 */
export function byStretch(terms: Terms, days: readonly Day[], weekdays: readonly Weekday[]): ReadonlyMap<Day, Placed> {
  const { old, new: to } = terms;
  const placed = new Map<Day, Placed>();
  const shared: { readonly day: Day; readonly base: Day; readonly index: number }[] = [];
  for (const day of days) {
    if (old.isExam(day)) continue;
    const kind = old.weekKind(day).is;
    if (kind === 'teaching') {
      const index = hangsOn(terms, day);
      shared.push({ day, index, base: baseOf(terms, index) });
    } else if (kind === 'break' && old.isInside(day)) {
      const moved = inBreak(terms, day);
      if (moved !== undefined) placed.set(day, moved);
    }
  }
  let before = -Infinity;
  shared.forEach(({ day, base, index }, position) => {
    const weekday = weekdays[old.runsAs(day)]!;
    const after = shared[position + 1]?.base ?? Infinity;
    const suits = (candidate: Day): boolean =>
      candidate >= before &&
      candidate <= after &&
      to.runsAs(candidate) === weekday &&
      (to.isInside(candidate) ? to.isOpen(candidate) && !to.isExam(candidate) : !old.isInside(day));
    const distance = [0, -1, 1, -2, 2, -3, 3].find((days) => suits(base + days));
    const other = distance === undefined && to.runsAs(base) !== weekday;
    const steps: Step[] = [{ step: 'share', index, of: to.teachingDays.length }];
    if (other) steps.push({ step: 'otherWeekday', wanted: weekday });
    before = base + (distance ?? 0);
    placed.set(day, { day: before, flags: other ? FLAG.otherWeekday : 0, steps });
  });
  return placed;
}

/** Index of the teaching day that a day of a teaching week hangs on: the last on or before it in its week, else the first after. */
function hangsOn({ old }: Terms, day: Day): number {
  const upTo = old.teachingDaysBefore(day + 1);
  return upTo > old.teachingDaysBefore(old.weekStart(day)) ? upTo - 1 : upTo;
}

const baseOf = ({ old, new: to }: Terms, index: number): Day =>
  to.teachingDays[shareOf(index, old.teachingDays.length, to.teachingDays.length)]!;

function inBreak(terms: Terms, day: Day): Placed | undefined {
  const { old, new: to } = terms;
  const index = old.teachingDaysBefore(day);
  const next = old.teachingDays[index];
  if (next === undefined) return undefined;
  const target = baseOf(terms, index) - (next - day);
  const moved = index > 0 ? Math.max(target, baseOf(terms, index - 1)) : target;
  const again = to.weekKind(moved).is === 'break';
  return {
    day: moved,
    flags: again ? 0 : FLAG.wasInBreak,
    steps: [{ step: 'share', index, of: to.teachingDays.length }],
  };
}
