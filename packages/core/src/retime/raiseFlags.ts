import { isWeekend, type CalendarIndex } from '../calendar/calendarIndex.js';
import { MINUTES_PER_DAY, parseDay, parseMinute, weekStartOf, type Day } from '../calendar/day.js';
import type { Calendar } from '../schemas/calendar.js';
import { meetsOn } from './classes.js';
import { tableOfDays } from './dayTable.js';
import { FLAG } from '../names/flags.js';
import { newTotal, ROLE, type Moving, type Place } from './moving.js';
import { raiseOrderChanged } from './orderChanged.js';
import { isOfOtherTerm } from './otherTerm.js';
import type { Terms } from './terms.js';

export interface Limits {
  readonly perDay: number;
  readonly perWeek: number;
}

/**
 * Raises the flags that come from where moments stand now; those that come from how they were moved are there already.
 *
 * @param now  wall-clock moment in the destination's zone, `YYYY-MM-DDTHH:mm`
 * @see docs/rules.md, "Flags"
 */
export function raiseFlags(terms: Terms, moving: Moving, limits: Limits, now: string | undefined): void {
  const { old, new: to } = terms;
  const { moments, roles, oldDays, days, minutes, ties, fates, flags } = moving;
  const was = tableOfDays(oldDays, (day) => placeIn(old, day));
  const is = tableOfDays(days, (day) => placeIn(to, day));
  const nowTotal =
    now === undefined ? -Infinity : parseDay(now) * MINUTES_PER_DAY + parseMinute(now, 'YYYY-MM-DDT'.length);
  const dues: Place[] = [];
  for (let at = 0; at < moments.length; at++) {
    const before = was.values[oldDays[at]! - was.first]!;
    const after = is.values[days[at]! - is.first]!;
    let raised = 0;
    if (roles[at] === ROLE.due && moments[at]!.graded === true) dues.push(at);
    if ((before & FAR) !== 0) raised |= FLAG.otherTerm;
    if (fates[at] !== 'cleared') {
      if ((before & INSIDE) !== 0 && (after & INSIDE) === 0) raised |= FLAG.outsideTerm;
      if (newTotal(moving, at) < nowTotal) raised |= FLAG.past;
      if (fates[at] === 'moved') {
        const tie = ties[at];
        const isMet = tie !== undefined && meetsOn(tie.series.after, days[at]!);
        if ((after & CLOSED) !== 0) {
          const mayStand = isOpening(roles[at]!) && ((after & WEEKEND) !== 0 || minutes[at] === 0);
          if (!mayStand && !wasClosedAlike(terms, oldDays[at]!, days[at]!)) raised |= FLAG.closure;
        }
        if (tie !== undefined && !isMet && ((flags[at]! | raised) & FLAG.closure) === 0) raised |= FLAG.noClass;
        if ((after & WEEKEND) !== 0 && (before & WEEKEND) === 0 && !isMet) raised |= FLAG.weekend;
      }
    }
    flags[at]! |= raised;
  }
  raiseOtherPeriod(terms, moving, dues);
  raiseOrderChanged(moving);
  raiseCrowding(terms, moving, dues, limits);
}

const isOpening = (role: number): boolean => role === ROLE.opens || role === ROLE.posts;

/** A closure of the same kind, of holidays with the same label, closed the old day too. */
function wasClosedAlike({ old, new: to }: Terms, oldDay: Day, day: Day): boolean {
  const closure = to.closureAt(day)!;
  return (
    old.isClosed(oldDay) &&
    old
      .closuresAt(oldDay)
      .some(({ kind, label }) => kind === closure.kind && (kind !== 'holiday' || label === closure.label))
  );
}

const INSIDE = 1;
const CLOSED = 2;
const WEEKEND = 4;
/** Of another term. */
const FAR = 8;

/** Where a day stands in a term, in the bits above. */
const placeIn = (term: CalendarIndex, day: Day): number =>
  (term.isInside(day) ? INSIDE : 0) |
  (term.isClosed(day) ? CLOSED : 0) |
  (isWeekend(term.runsAs(day)) ? WEEKEND : 0) |
  (isOfOtherTerm(day, term) ? FAR : 0);

function periodFinder({ periods = [] }: Calendar): (day: Day) => string | undefined {
  const spans = periods.map(({ name, from, to }) => ({ name, from: parseDay(from), to: parseDay(to) }));
  return (day) => spans.find(({ from, to }) => from <= day && day <= to)?.name;
}

function raiseOtherPeriod(
  { old, new: to }: Terms,
  { fates, oldDays, days, flags }: Moving,
  dues: readonly Place[],
): void {
  if (!old.calendar.periods?.length || !to.calendar.periods?.length) return;
  const before = periodFinder(old.calendar);
  const after = periodFinder(to.calendar);
  for (const at of dues) {
    if (fates[at] === 'cleared') continue;
    const was = before(oldDays[at]!);
    if (was !== undefined && was !== after(days[at]!)) flags[at]! |= FLAG.otherPeriod;
  }
}

interface DayLoad {
  count: number;
  readonly oldDay: Day;
  mixed: boolean;
}

function raiseCrowding(
  { new: to }: Terms,
  { fates, oldDays: wasOn, days: isOn, flags }: Moving,
  dues: readonly Place[],
  { perDay, perWeek }: Limits,
): void {
  const week = (day: Day): Day => weekStartOf(day, to.weekStartsOn);
  const newDays = new Map<Day, DayLoad>();
  const newWeeks = new Map<Day, number>();
  const oldDays = new Map<Day, number>();
  const oldWeeks = new Map<Day, number>();
  const add = (counts: Map<Day, number>, key: Day): void => void counts.set(key, (counts.get(key) ?? 0) + 1);
  for (const at of dues) {
    const oldDay = wasOn[at]!;
    const day = isOn[at]!;
    add(oldDays, oldDay);
    add(oldWeeks, week(oldDay));
    if (fates[at] === 'cleared') continue;
    add(newWeeks, week(day));
    const load = newDays.get(day);
    if (load === undefined) newDays.set(day, { count: 1, oldDay, mixed: false });
    else {
      load.count++;
      if (load.oldDay !== oldDay) load.mixed = true;
    }
  }
  for (const at of dues) {
    if (fates[at] === 'cleared') continue;
    const oldDay = wasOn[at]!;
    const day = isOn[at]!;
    const load = newDays.get(day)!;
    if (load.mixed) flags[at]! |= FLAG.sameDay;
    const inWeek = newWeeks.get(week(day))!;
    const dayCrowded = load.count > perDay && load.count > oldDays.get(oldDay)!;
    const weekCrowded = inWeek > perWeek && inWeek > oldWeeks.get(week(oldDay))!;
    if (dayCrowded || weekCrowded) flags[at]! |= FLAG.crowded;
  }
}
