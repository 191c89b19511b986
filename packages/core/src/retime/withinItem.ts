import { meetingsOn, type ClassMeeting } from '../calendar/meetingIndex.js';
import type { ZoneClock } from '../calendar/skippedHour.js';
import { hourIn } from './classes.js';
import { tableOfDays } from './dayTable.js';
import { FLAG } from '../names/flags.js';
import { landed, landRest } from './landing.js';
import { moveTo, newTotal, oldTotal, ROLE, ROLES, startOf, type ItemGroup, type Moving, type Place } from './moving.js';
import type { Step } from './steps.js';
import type { Terms } from './terms.js';

/** Roles that lead, the first before the others. */
const LEADING: readonly number[] = [ROLE.due, ROLE.starts, ROLE.opens];
/** Roles that keep their distance to a leader that was set by hand. */
const TRAILING: readonly number[] = [ROLE.late, ROLE.closes, ROLE.answers];

/** How a role leads by its number: 0 before 1 before 2, and not at all. */
const LEADS = Uint8Array.from(ROLES, (_, role) => (LEADING.includes(role) ? LEADING.indexOf(role) : LEADING.length));

/** The earliest `due`, else the earliest `starts`, else the earliest `opens`, of those that have a new date; else -1. */
function leaderOf(moving: Moving, { places, from, until }: ItemGroup): Place | -1 {
  const { roles, fates } = moving;
  let leader = -1;
  let leads = LEADING.length;
  for (let index = from; index < until; index++) {
    const at = places[index]!;
    const rank = LEADS[roles[at]!]!;
    if (rank > leads || rank === LEADING.length || fates[at] === 'cleared') continue;
    if (rank === leads && oldTotal(moving, at) >= oldTotal(moving, leader)) continue;
    leader = at;
    leads = rank;
  }
  return leader;
}

/** How many days after it is due a `late` follows its due date wherever that goes. */
const FOLLOWING_LATE_DAYS = 14;

/** Flags of a rule and of landing, which a date loses when it is taken from another. */
const OWN_FLAGS =
  FLAG.closure | FLAG.noClass | FLAG.wasInBreak | FLAG.noSuchWeek | FLAG.otherWeekday | FLAG.noSuchMeeting;

/**
 * Keeps what belongs together in order: whatever stood before, level with or after its leader stays so, and late work
 * follows what it is late for. `ends` that have `starts` are left to `followStarts`.
 *
 * @see docs/rules.md, "Within one item"
 */
export function followLeaders(terms: Terms, moving: Moving, groups: readonly ItemGroup[]): void {
  const { roles, fates, ties } = moving;
  const chains: Chains = new Map();
  for (const group of groups) {
    const leader = leaderOf(moving, group);
    if (leader < 0) continue;
    for (let index = group.from; index < group.until; index++) {
      const at = group.places[index]!;
      if (at === leader || fates[at] !== 'moved') continue;
      if (roles[at] === ROLE.ends && startOf(moving, at, group, true) >= 0) continue;
      if (roles[at] === ROLE.late && roles[leader] === ROLE.due && ties[at] === undefined) {
        const days = moving.oldDays[at]! - moving.oldDays[leader]!;
        if (days >= 0 && days <= FOLLOWING_LATE_DAYS) {
          goWith(moving, at, leader, chains);
          landAgain(terms, moving, at);
          if (!keepsSide(moving, at, leader)) goWith(moving, at, leader, chains);
          keepMinutes(moving, at, leader);
          continue;
        }
      }
      const always = fates[leader] === 'byHand' && TRAILING.includes(roles[at]!);
      if (!always && keepsSide(moving, at, leader)) continue;
      goWith(moving, at, leader, chains);
      keepMinutes(moving, at, leader);
    }
  }
}

/** It stands before, level with or after its leader as it did. */
const keepsSide = (moving: Moving, at: Place, leader: Place): boolean =>
  Math.sign(newTotal(moving, at) - newTotal(moving, leader)) ===
  Math.sign(oldTotal(moving, at) - oldTotal(moving, leader));

/** Chains of what follows a leader and is tied to nothing, one for all that are as far from a leader of one role. */
type Chains = Map<number, readonly Step[]>;

/** As many days from its leader as before, at its old hour. */
function goWith(moving: Moving, at: Place, leader: Place, chains: Chains): void {
  const { roles, oldDays, oldMinutes, days, minutes, steps, flags, follows } = moving;
  const distance = oldDays[at]! - oldDays[leader]!;
  days[at] = days[leader]! + distance;
  minutes[at] = oldMinutes[at]!;
  flags[at]! &= ~OWN_FLAGS;
  follows[at] = 1;
  const way = distance * ROLES.length + roles[leader]!;
  let chain = chains.get(way);
  if (chain === undefined)
    chains.set(way, (chain = [{ step: 'withLeader', role: ROLES[roles[leader]!]!, days: distance }]));
  // What follows another keeps of its own chain only that it is tied to a class, which stands first.
  const first = steps[at]![0];
  steps[at] = first?.step === 'tied' ? [first, ...chain] : chain;
}

/** As many minutes from its leader as before, where its old hour would be the wrong side of it. */
function keepMinutes(moving: Moving, at: Place, leader: Place): void {
  if (keepsSide(moving, at, leader)) return;
  moveTo(moving, at, newTotal(moving, leader) + oldTotal(moving, at) - oldTotal(moving, leader));
}

/** What took its day from a leader lands where that day is closed. */
function landAgain(terms: Terms, moving: Moving, at: Place): void {
  const { moments, policies, oldDays, days, flags, steps } = moving;
  const named = moments[at]!.series;
  const counting = (named === undefined ? terms.classes.unnamed : terms.classes.named(named)).after;
  const landing = landRest(terms, oldDays[at]!, days[at]!, policies[at]!.policy.landing, counting);
  if (landing === undefined) return;
  const placed = landed(terms, { day: days[at]!, flags: flags[at]!, steps: steps[at]! }, landing);
  days[at] = placed.day;
  flags[at] = placed.flags;
  steps[at] = placed.steps;
}

/** Each `ends` goes with its `starts`: as many days after it as before, and as many minutes later in the day. */
export function followStarts(moving: Moving, groups: readonly ItemGroup[]): void {
  const { roles, fates } = moving;
  const longer: LongerChains = new Map();
  for (const group of groups) {
    for (let index = group.from; index < group.until; index++) {
      const at = group.places[index]!;
      if (roles[at] !== ROLE.ends || fates[at] !== 'moved') continue;
      const start = startOf(moving, at, group, true);
      if (start >= 0) endAfter(moving, at, start, longer);
    }
  }
}

const WITH_START: Step = { step: 'withStart' };
const WITH_START_ALONE: readonly Step[] = [WITH_START];

/** Chains with the link that says so, one for all that had the same chain. */
type LongerChains = Map<readonly Step[], readonly Step[]>;

function endAfter(moving: Moving, ends: Place, start: Place, longer: LongerChains): void {
  const { oldDays, oldMinutes, days, minutes, steps, fates, flags, follows } = moving;
  const meeting = classOfBoth(moving, ends, start);
  if (meeting !== undefined) {
    days[ends] = meeting.day;
    minutes[ends] = hourIn(oldMinutes[ends]!, moving.ties[ends]!.meeting, meeting);
  } else {
    days[ends] = days[start]! + (oldDays[ends]! - oldDays[start]!);
    minutes[ends] = oldMinutes[ends]! + (minutes[start]! - oldMinutes[start]!);
    moveTo(moving, ends, newTotal(moving, ends));
  }
  follows[ends] = 1;
  if (fates[start] === 'byHand') {
    // Where its own rule put it, and how it landed there, says nothing of it any more.
    flags[ends]! &= ~OWN_FLAGS;
    steps[ends] = WITH_START_ALONE;
    return;
  }
  const chain = steps[ends]!;
  let withStart = longer.get(chain);
  if (withStart === undefined) longer.set(chain, (withStart = [...chain, WITH_START]));
  steps[ends] = withStart;
}

/** Where both were tied to one meeting and `starts` stands in one that answers: that one. */
function classOfBoth({ ties, policies, days, minutes }: Moving, ends: Place, start: Place): ClassMeeting | undefined {
  const tie = ties[ends];
  if (tie === undefined || tie !== ties[start] || policies[ends]!.policy.hour === 'keep') return undefined;
  const minute = minutes[start]!;
  const standing = meetingsOn(tie.series.after, days[start]!).filter(
    (each) => each.start <= minute && minute <= each.end,
  );
  return standing.find((each) => each.start === minute) ?? standing[0];
}

/**
 * Times of day that the destination's zone skips on their day move to the first minute that exists; those of `ends` that
 * may go with their start stay.
 *
 * @returns the places of the latter, for `skipHoursOf` when they have followed
 */
export function skipMissingHours(clock: ZoneClock, moving: Moving): readonly Place[] {
  const { moments, roles, fates, days } = moving;
  const skipping = tableOfDays(days, (day) => (clock.skipsOn(day) ? 1 : 0));
  const ends: Place[] = [];
  for (let at = 0; at < days.length; at++) {
    if (fates[at] !== 'moved') continue;
    if (roles[at] === ROLE.ends && moments[at]!.item !== undefined) ends.push(at);
    else if (skipping.values[days[at]! - skipping.first] === 1) skipHour(clock, moving, at);
  }
  return ends;
}

/** The same for these places alone. */
export function skipHoursOf(clock: ZoneClock, moving: Moving, places: readonly Place[]): void {
  for (const at of places) if (clock.skipsOn(moving.days[at]!)) skipHour(clock, moving, at);
}

function skipHour(clock: ZoneClock, moving: Moving, at: Place): void {
  const { days, minutes, flags, steps } = moving;
  const missing = clock.missingFor(days[at]!, minutes[at]!);
  if (missing === 0) return;
  steps[at] = [...steps[at]!, { step: 'skippedHour', from: minutes[at]! }];
  moveTo(moving, at, newTotal(moving, at) + missing);
  flags[at]! |= FLAG.missingHour;
}
