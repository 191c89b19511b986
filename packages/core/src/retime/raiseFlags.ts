import { isWeekend } from '../calendar/calendarIndex.js';
import { MINUTES_PER_DAY, parseDay, parseMinute, weekStartOf, type Day } from '../calendar/day.js';
import type { Calendar } from '../schemas/calendar.js';
import type { Role } from '../schemas/retimeJob.js';
import { FLAG } from './flags.js';
import { newTotal, oldTotal, type Moving, type Place } from './moving.js';
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
  const { moments, oldDays, days, fates, flags } = moving;
  const nowTotal =
    now === undefined ? -Infinity : parseDay(now) * MINUTES_PER_DAY + parseMinute(now, 'YYYY-MM-DDT'.length);
  const dues: Place[] = [];
  for (let at = 0; at < moments.length; at++) {
    const oldDay = oldDays[at]!;
    const day = days[at]!;
    const { graded, role } = moments[at]!;
    if (graded === true && role === 'due') dues.push(at);
    if (isOfOtherTerm(oldDay, old)) flags[at]! |= FLAG.otherTerm;
    if (fates[at] === 'cleared') continue;
    if (old.isInside(oldDay) && !to.isInside(day)) flags[at]! |= FLAG.outsideTerm;
    if (newTotal(moving, at) < nowTotal) flags[at]! |= FLAG.past;
    if (fates[at] !== 'moved') continue;
    if (to.isClosed(day)) flags[at]! |= FLAG.closure;
    if (isWeekend(to.runsAs(day)) && !isWeekend(old.runsAs(oldDay))) flags[at]! |= FLAG.weekend;
  }
  raiseOrderChanged(moving);
  raiseOtherPeriod(terms, moving, dues);
  raiseCrowding(terms, moving, dues, limits);
}

/** What the comparison of order needs of the moments, by place; in arrays, since every moment is looked at often. */
interface Totals {
  readonly old: Float64Array;
  readonly now: Float64Array;
  /** 1 when a rule moved it, 0 when it was set by hand. */
  readonly isMoved: Uint8Array;
}

/** Compares every moment with all others of its role in one sweep over the old dates. */
function raiseOrderChanged(moving: Moving): void {
  const { moments, fates, flags } = moving;
  const count = moments.length;
  const totals: Totals = {
    old: new Float64Array(count),
    now: new Float64Array(count),
    isMoved: new Uint8Array(count),
  };
  const byRole = new Map<Role, Place[]>();
  for (let at = 0; at < count; at++) {
    const fate = fates[at];
    if ((fate !== 'moved' && fate !== 'byHand') || (flags[at]! & FLAG.otherTerm) !== 0) continue;
    totals.old[at] = oldTotal(moving, at);
    totals.now[at] = newTotal(moving, at);
    totals.isMoved[at] = fate === 'moved' ? 1 : 0;
    const { role } = moments[at]!;
    const places = byRole.get(role);
    if (places === undefined) byRole.set(role, [at]);
    else places.push(at);
  }
  for (const places of byRole.values())
    for (const at of reversedIn(inOldOrder(places, totals), totals)) flags[at]! |= FLAG.orderChanged;
}

/** More moments than one role has in any job; with minutes below 2^32 a sort key stays a whole number. */
const PLACES = 2 ** 21;

/** Places by old date, through one sorted array of numbers. */
function inOldOrder(places: readonly Place[], { old }: Totals): Uint32Array {
  let earliest = Infinity;
  for (const at of places) if (old[at]! < earliest) earliest = old[at]!;
  const keys = new Float64Array(places.length);
  for (let index = 0; index < places.length; index++) {
    const at = places[index]!;
    keys[index] = (old[at]! - earliest) * PLACES + at;
  }
  keys.sort();
  const order = new Uint32Array(keys.length);
  for (let index = 0; index < keys.length; index++) order[index] = keys[index]! % PLACES;
  return order;
}

/**
 * What stood strictly before something in the old term and stands strictly after it now, or the other way round. Dates
 * set by hand are compared with moved ones only, and alone are named.
 *
 * @param order  places by old date
 */
function reversedIn(order: Uint32Array, { old, now, isMoved }: Totals): Place[] {
  const count = order.length;
  const earliestFrom = new Float64Array(count + 1).fill(Infinity);
  for (let index = count - 1; index >= 0; index--) {
    const at = order[index]!;
    const after = earliestFrom[index + 1]!;
    earliestFrom[index] = isMoved[at] === 1 && now[at]! < after ? now[at]! : after;
  }
  const reversed: Place[] = [];
  let latestBefore = -Infinity;
  for (let from = 0; from < count;) {
    const day = old[order[from]!]!;
    let until = from;
    let latest = latestBefore;
    while (until < count && old[order[until]!] === day) until++;
    for (; from < until; from++) {
      const at = order[from]!;
      const total = now[at]!;
      if (latestBefore > total || earliestFrom[until]! < total) reversed.push(at);
      if (isMoved[at] === 1 && total > latest) latest = total;
    }
    latestBefore = latest;
  }
  return reversed;
}

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
