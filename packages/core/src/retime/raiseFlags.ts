import { isWeekend } from '../calendar/calendarIndex.js';
import { MINUTES_PER_DAY, parseDay, parseMinute, weekStartOf, type Day } from '../calendar/day.js';
import type { Calendar } from '../schemas/calendar.js';
import type { Role } from '../schemas/retimeJob.js';
import { FLAG } from './flags.js';
import { newTotal, oldTotal, type Moving } from './moving.js';
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
export function raiseFlags(terms: Terms, moving: readonly Moving[], limits: Limits, now: string | undefined): void {
  const { old, new: to } = terms;
  const nowTotal =
    now === undefined ? -Infinity : parseDay(now) * MINUTES_PER_DAY + parseMinute(now, 'YYYY-MM-DDT'.length);
  for (const each of moving) {
    const { oldDay, day, state } = each;
    if (isOfOtherTerm(oldDay, old)) each.flags |= FLAG.otherTerm;
    if (state === 'cleared') continue;
    if (old.isInside(oldDay) && !to.isInside(day)) each.flags |= FLAG.outsideTerm;
    if (newTotal(each) < nowTotal) each.flags |= FLAG.past;
    if (state !== 'moved') continue;
    if (to.isClosed(day)) each.flags |= FLAG.closure;
    if (isWeekend(to.runsAs(day)) && !isWeekend(old.runsAs(oldDay))) each.flags |= FLAG.weekend;
  }
  raiseOrderChanged(moving);
  const dues = moving.filter(({ moment }) => moment.graded === true && moment.role === 'due');
  raiseOtherPeriod(terms, dues);
  raiseCrowding(terms, dues, limits);
}

/** What the comparison of order needs of the moments, by place; in arrays, since every moment is looked at often. */
interface Totals {
  readonly old: Float64Array;
  readonly now: Float64Array;
  /** 1 when a rule moved it, 0 when it was set by hand. */
  readonly isMoved: Uint8Array;
}

/** Compares every moment with all others of its role in one sweep over the old dates. */
function raiseOrderChanged(moving: readonly Moving[]): void {
  const count = moving.length;
  const totals: Totals = {
    old: new Float64Array(count),
    now: new Float64Array(count),
    isMoved: new Uint8Array(count),
  };
  const byRole = new Map<Role, number[]>();
  for (let at = 0; at < count; at++) {
    const each = moving[at]!;
    if ((each.state !== 'moved' && each.state !== 'byHand') || (each.flags & FLAG.otherTerm) !== 0) continue;
    totals.old[at] = oldTotal(each);
    totals.now[at] = newTotal(each);
    totals.isMoved[at] = each.state === 'moved' ? 1 : 0;
    const places = byRole.get(each.moment.role);
    if (places === undefined) byRole.set(each.moment.role, [at]);
    else places.push(at);
  }
  for (const places of byRole.values())
    for (const at of reversedIn(inOldOrder(places, totals), totals)) moving[at]!.flags |= FLAG.orderChanged;
}

/** More moments than one role has in any job; with minutes below 2^32 a sort key stays a whole number. */
const PLACES = 2 ** 21;

/** Places by old date, through one sorted array of numbers. */
function inOldOrder(places: readonly number[], { old }: Totals): Uint32Array {
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
function reversedIn(order: Uint32Array, { old, now, isMoved }: Totals): number[] {
  const count = order.length;
  const earliestFrom = new Float64Array(count + 1).fill(Infinity);
  for (let index = count - 1; index >= 0; index--) {
    const at = order[index]!;
    const after = earliestFrom[index + 1]!;
    earliestFrom[index] = isMoved[at] === 1 && now[at]! < after ? now[at]! : after;
  }
  const reversed: number[] = [];
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

function raiseOtherPeriod({ old, new: to }: Terms, dues: readonly Moving[]): void {
  if (!old.calendar.periods?.length || !to.calendar.periods?.length) return;
  const before = periodFinder(old.calendar);
  const after = periodFinder(to.calendar);
  for (const each of dues) {
    if (each.state === 'cleared') continue;
    const was = before(each.oldDay);
    if (was !== undefined && was !== after(each.day)) each.flags |= FLAG.otherPeriod;
  }
}

interface DayLoad {
  count: number;
  readonly oldDay: Day;
  mixed: boolean;
}

function raiseCrowding({ new: to }: Terms, dues: readonly Moving[], { perDay, perWeek }: Limits): void {
  const week = (day: Day): Day => weekStartOf(day, to.weekStartsOn);
  const newDays = new Map<Day, DayLoad>();
  const newWeeks = new Map<Day, number>();
  const oldDays = new Map<Day, number>();
  const oldWeeks = new Map<Day, number>();
  const add = (counts: Map<Day, number>, key: Day): void => void counts.set(key, (counts.get(key) ?? 0) + 1);
  for (const { state, oldDay, day } of dues) {
    add(oldDays, oldDay);
    add(oldWeeks, week(oldDay));
    if (state === 'cleared') continue;
    add(newWeeks, week(day));
    const load = newDays.get(day);
    if (load === undefined) newDays.set(day, { count: 1, oldDay, mixed: false });
    else {
      load.count++;
      if (load.oldDay !== oldDay) load.mixed = true;
    }
  }
  for (const each of dues) {
    if (each.state === 'cleared') continue;
    const load = newDays.get(each.day)!;
    if (load.mixed) each.flags |= FLAG.sameDay;
    const inWeek = newWeeks.get(week(each.day))!;
    const dayCrowded = load.count > perDay && load.count > oldDays.get(each.oldDay)!;
    const weekCrowded = inWeek > perWeek && inWeek > oldWeeks.get(week(each.oldDay))!;
    if (dayCrowded || weekCrowded) each.flags |= FLAG.crowded;
  }
}
