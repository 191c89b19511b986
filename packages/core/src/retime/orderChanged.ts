import type { Series } from './classes.js';
import { FLAG, isDoubt } from './flags.js';
import { newTotal, oldTotal, ROLES, type Moving } from './moving.js';

/** What is compared: moments of one role, rule and series; dates set by hand with every moved one of their role. */
interface Compared {
  /** Places of all that is compared. */
  readonly places: Int32Array;
  /** By place: a number for role, rule and series. */
  readonly groups: Int32Array;
  readonly groupCount: number;
}

/**
 * What stood strictly before something of its role, rule and series in the old term and stands strictly after it now, or
 * the other way round; of two of which one is in doubt otherwise only that one. Dates set by hand are compared with moved
 * ones only, and alone are named. All are compared with all in one sweep over the old dates, and one back.
 *
 * @see docs/rules.md, "Flags"
 */
export function raiseOrderChanged(moving: Moving): void {
  const compared = comparedOf(moving);
  const byHour = inOrderOf(moving.oldMinutes, compared.places);
  const order = inOrderOf(moving.oldDays, byHour);
  // Found first and flagged then: a flag of the first sweep is no other doubt in the second.
  const passed = new Uint8Array(moving.days.length);
  findPassed(moving, compared, order, 1, passed);
  findPassed(moving, compared, order.reverse(), -1, passed);
  for (const at of order) if (passed[at] === 1) moving.flags[at]! |= FLAG.orderChanged;
}

function comparedOf({ fates, flags, follows, roles, rules, series, days }: Moving): Compared {
  const places = new Int32Array(days.length);
  const groups = new Int32Array(days.length);
  const known = new Map<string, Map<Series | undefined, number>>();
  let groupCount = 0;
  let count = 0;
  let lastRule: string | undefined;
  let ofRule = new Map<Series | undefined, number>();
  for (let at = 0; at < days.length; at++) {
    const fate = fates[at];
    if ((fate !== 'moved' && fate !== 'byHand') || (flags[at]! & FLAG.otherTerm) !== 0 || follows[at] === 1) continue;
    places[count++] = at;
    const rule = rules[at]!;
    if (rule !== lastRule) {
      lastRule = rule;
      ofRule = known.get(rule) ?? new Map<Series | undefined, number>();
      known.set(rule, ofRule);
    }
    let group = ofRule.get(series[at]);
    if (group === undefined) ofRule.set(series[at], (group = groupCount++));
    groups[at] = group * ROLES.length + roles[at]!;
  }
  return { places: places.subarray(0, count), groups, groupCount: groupCount * ROLES.length };
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
 * Marks what the ones before it have passed.
 *
 * @param order      places by old date, forward or backward
 * @param direction  1 forward, -1 backward
 */
function findPassed(
  moving: Moving,
  { groups, groupCount }: Compared,
  order: Int32Array,
  direction: 1 | -1,
  passed: Uint8Array,
): void {
  const { roles, fates, flags } = moving;
  /** The furthest that a moved one with an earlier (later) old date has come: by group, by group without doubts, by role. */
  const furthest = new Float64Array(groupCount).fill(-Infinity);
  const surest = new Float64Array(groupCount).fill(-Infinity);
  const ofRole = new Float64Array(ROLES.length).fill(-Infinity);
  for (let from = 0; from < order.length;) {
    const level = oldTotal(moving, order[from]!);
    let until = from;
    for (; until < order.length && oldTotal(moving, order[until]!) === level; until++) {
      const at = order[until]!;
      const total = direction * newTotal(moving, at);
      const before =
        fates[at] === 'byHand'
          ? ofRole[roles[at]!]!
          : isDoubt(flags[at]!)
            ? furthest[groups[at]!]!
            : surest[groups[at]!]!;
      if (before > total) passed[at] = 1;
    }
    for (; from < until; from++) {
      const at = order[from]!;
      if (fates[at] !== 'moved') continue;
      const total = direction * newTotal(moving, at);
      const group = groups[at]!;
      if (total > furthest[group]!) furthest[group] = total;
      if (total > surest[group]! && !isDoubt(flags[at]!)) surest[group] = total;
      if (total > ofRole[roles[at]!]!) ofRole[roles[at]!] = total;
    }
  }
}
