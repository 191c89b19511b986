import { FLAG } from './flags.js';
import { newTotal, oldTotal, ROLES, type Moving } from './moving.js';

/**
 * What stood strictly before something of its role in the old term and stands strictly after it now, or the other way
 * round. Dates set by hand are compared with moved ones only, and alone are named. All are compared with all in one
 * sweep over the old dates, and one back.
 *
 * @see docs/rules.md, "Flags"
 */
export function raiseOrderChanged(moving: Moving): void {
  const { fates, flags, days } = moving;
  const places = new Int32Array(days.length);
  let count = 0;
  for (let at = 0; at < days.length; at++) {
    const fate = fates[at];
    if ((fate === 'moved' || fate === 'byHand') && (flags[at]! & FLAG.otherTerm) === 0) places[count++] = at;
  }
  const byHour = inOrderOf(moving.oldMinutes, places.subarray(0, count));
  const order = inOrderOf(moving.oldDays, byHour);
  flagPassed(moving, order, 1);
  flagPassed(moving, order.reverse(), -1);
}

/** Places in the order of their whole numbers, level ones as they stood: counted instead of compared. */
function inOrderOf(values: Int32Array, places: Int32Array): Int32Array {
  let least = values[places[0] ?? 0] ?? 0;
  let most = least;
  for (let index = 0; index < places.length; index++) {
    const value = values[places[index]!]!;
    if (value < least) least = value;
    else if (value > most) most = value;
  }
  /** Where the next place with a value goes. */
  const next = new Int32Array(most - least + 2);
  for (let index = 0; index < places.length; index++) next[values[places[index]!]! - least + 1]!++;
  for (let value = 1; value < next.length; value++) next[value]! += next[value - 1]!;
  const order = new Int32Array(places.length);
  for (let index = 0; index < places.length; index++) {
    const at = places[index]!;
    order[next[values[at]! - least]!++] = at;
  }
  return order;
}

/**
 * Flags what the ones before it have passed.
 *
 * @param order      places by old date, forward or backward
 * @param direction  1 forward, -1 backward
 */
function flagPassed(moving: Moving, order: Int32Array, direction: 1 | -1): void {
  const { roles, fates, flags } = moving;
  /** By role: the furthest that a moved one with an earlier (later) old date has come. */
  const furthest = new Float64Array(ROLES.length).fill(-Infinity);
  for (let from = 0; from < order.length;) {
    const level = oldTotal(moving, order[from]!);
    let until = from;
    for (; until < order.length && oldTotal(moving, order[until]!) === level; until++) {
      const at = order[until]!;
      if (furthest[roles[at]!]! > direction * newTotal(moving, at)) flags[at]! |= FLAG.orderChanged;
    }
    for (; from < until; from++) {
      const at = order[from]!;
      const role = roles[at]!;
      const total = direction * newTotal(moving, at);
      if (fates[at] === 'moved' && total > furthest[role]!) furthest[role] = total;
    }
  }
}
