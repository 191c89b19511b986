import type { Series } from './classes.js';
import { FLAG, isDoubt } from '../names/flags.js';
import { newTotal, oldTotal, ROLES, type Moving } from './moving.js';

/**
 * What is compared, in the order of the old dates: moments of one role, rule and series; dates set by hand with every moved
 * one of their role. Each list by rank in that order, since 100,000 are gone through twice.
 */
interface Compared {
  readonly places: Int32Array;
  /** Wall-clock minutes since 1970-01-01. */
  readonly from: Float64Array;
  readonly to: Float64Array;
  readonly roles: Uint8Array;
  /** A number for role, rule and series. */
  readonly groups: Int32Array;
  readonly groupCount: number;
  /** 1 where a person set the date. */
  readonly byHand: Uint8Array;
  /** 1 where another flag makes it a doubt. */
  readonly doubtful: Uint8Array;
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
  findPassed(moving, compared, 1);
  findPassed(moving, compared, -1);
}

function comparedOf(moving: Moving): Compared {
  const { fates, flags, roles, rules, series, oldDays, oldMinutes } = moving;
  const places = inOrderOf(oldDays, inOrderOf(oldMinutes, comparedPlaces(moving)));
  const count = places.length;
  const compared = {
    places,
    from: new Float64Array(count),
    to: new Float64Array(count),
    roles: new Uint8Array(count),
    groups: new Int32Array(count),
    byHand: new Uint8Array(count),
    doubtful: new Uint8Array(count),
  };
  const known = new Map<string, Map<Series | undefined, number>>();
  let groupCount = 0;
  let lastRule: string | undefined;
  let ofRule = new Map<Series | undefined, number>();
  for (let rank = 0; rank < count; rank++) {
    const at = places[rank]!;
    const rule = rules[at]!;
    if (rule !== lastRule) {
      lastRule = rule;
      ofRule = known.get(rule) ?? new Map<Series | undefined, number>();
      known.set(rule, ofRule);
    }
    let group = ofRule.get(series[at]);
    if (group === undefined) ofRule.set(series[at], (group = groupCount++));
    compared.from[rank] = oldTotal(moving, at);
    compared.to[rank] = newTotal(moving, at);
    compared.roles[rank] = roles[at]!;
    compared.groups[rank] = group * ROLES.length + roles[at]!;
    compared.byHand[rank] = fates[at] === 'byHand' ? 1 : 0;
    compared.doubtful[rank] = isDoubt(flags[at]!) ? 1 : 0;
  }
  return { ...compared, groupCount: groupCount * ROLES.length };
}

/** What neither was cleared or kept, nor is left over from another term, nor follows another of its item. */
function comparedPlaces({ fates, flags, follows, days }: Moving): Int32Array {
  const places = new Int32Array(days.length);
  let count = 0;
  for (let at = 0; at < days.length; at++) {
    const isDated = fates[at] === 'moved' || fates[at] === 'byHand';
    if (isDated && (flags[at]! & FLAG.otherTerm) === 0 && follows[at] === 0) places[count++] = at;
  }
  return places.subarray(0, count);
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
 * @param direction  1 forward through the old dates, -1 backward
 */
function findPassed({ flags }: Moving, compared: Compared, direction: 1 | -1): void {
  const { places, from, to, roles, groups, groupCount, byHand, doubtful } = compared;
  /** The furthest that a moved one with an earlier (later) old date has come: by group, by group without doubts, by role. */
  const furthest = new Float64Array(groupCount).fill(-Infinity);
  const surest = new Float64Array(groupCount).fill(-Infinity);
  const ofRole = new Float64Array(ROLES.length).fill(-Infinity);
  const end = direction === 1 ? places.length : -1;
  for (let rank = direction === 1 ? 0 : places.length - 1; rank !== end;) {
    const first = rank;
    for (; rank !== end && from[rank] === from[first]; rank += direction) {
      const group = groups[rank]!;
      const before =
        byHand[rank] === 1 ? ofRole[roles[rank]!]! : doubtful[rank] === 1 ? furthest[group]! : surest[group]!;
      if (before > direction * to[rank]!) flags[places[rank]!]! |= FLAG.orderChanged;
    }
    for (let level = first; level !== rank; level += direction) {
      if (byHand[level] === 1) continue;
      const total = direction * to[level]!;
      const group = groups[level]!;
      const role = roles[level]!;
      if (total > furthest[group]!) furthest[group] = total;
      if (doubtful[level] === 0 && total > surest[group]!) surest[group] = total;
      if (total > ofRole[role]!) ofRole[role] = total;
    }
  }
}
