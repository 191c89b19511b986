import type { Found, FoundDay, FoundRange, Refiner } from '../found/found.js';
import { daysNear, fitsWeekday, swapped, type DayNear } from './daysNear.js';

/** The days that a date can be, or nothing when none of them lies in or near the term. */
function placed(found: FoundDay, dayNear: DayNear): FoundDay | undefined {
  const { written } = found;
  const readings = found.isEither === true ? [written, swapped(written)] : [written];
  const days = [...new Set(readings.flatMap((each) => dayNear(each) ?? []))];
  if (days.length === 0) return undefined;
  const fitting = days.filter((day) => fitsWeekday(day, written));
  if (fitting.length === 0) return { ...found, days, doubt: 'weekday' };
  return fitting.length > 1 ? { ...found, days: fitting, doubt: 'ambiguous' } : { ...found, days: fitting };
}

/** Both ends of a range that lies in or near the term; one that ends before it starts is none. */
function placedRange(found: FoundRange, dayNear: DayNear): Found | undefined {
  const from = placed(found.from, dayNear);
  const to = placed(found.to, dayNear);
  if (from === undefined || to === undefined) return from ?? to;
  return from.days[0]! > to.days[0]! ? from : { ...found, from, to };
}

/**
 * Keeps dates that lie in the term or within 60 days of it, or that have no year and would; each with the days that it can be.
 *
 * @see docs/rules.md, "Stale words"
 */
export const inTerm: Refiner = (found, _prose, { calendar }) => {
  const dayNear = daysNear(calendar);
  return found.flatMap((each): Found[] => {
    if (each.sort !== 'date' && each.sort !== 'range') return [each];
    const kept = each.sort === 'date' ? placed(each, dayNear) : placedRange(each, dayNear);
    return kept === undefined ? [] : [kept];
  });
};
