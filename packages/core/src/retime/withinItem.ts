import { meetingsOn } from '../calendar/meetingIndex.js';
import type { ZoneClock } from '../calendar/skippedHour.js';
import { meetingBetween } from './classEvents.js';
import { tableOfDays } from './dayTable.js';
import { FLAG } from './flags.js';
import { moveTo, newTotal, oldTotal, ROLE, ROLES, startOf, type ItemGroup, type Moving, type Place } from './moving.js';
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

/**
 * Keeps what belongs together in order: whatever stood before, level with or after its leader stays so.
 * `ends` that have `starts` are left to `followStarts`.
 *
 * @see docs/rules.md, "Within one item"
 */
export function followLeaders(moving: Moving, groups: readonly ItemGroup[]): void {
  const { roles, fates } = moving;
  for (const group of groups) {
    const leader = leaderOf(moving, group);
    if (leader < 0) continue;
    const leaderWas = oldTotal(moving, leader);
    const leaderIs = newTotal(moving, leader);
    for (let index = group.from; index < group.until; index++) {
      const at = group.places[index]!;
      if (at === leader || fates[at] !== 'moved') continue;
      if (roles[at] === ROLE.ends && startOf(moving, at, group, true) >= 0) continue;
      const always = fates[leader] === 'byHand' && TRAILING.includes(roles[at]!);
      const side = Math.sign(oldTotal(moving, at) - leaderWas);
      if (always || Math.sign(newTotal(moving, at) - leaderIs) !== side) goWith(moving, at, leader);
    }
  }
}

/** As many days from its leader as before, at its old hour; as many minutes where that would be the wrong side of it. */
function goWith(moving: Moving, at: Place, leader: Place): void {
  const { roles, oldDays, oldMinutes, days, minutes, steps } = moving;
  const apart = oldTotal(moving, at) - oldTotal(moving, leader);
  const leaderIs = newTotal(moving, leader);
  const distance = oldDays[at]! - oldDays[leader]!;
  days[at] = days[leader]! + distance;
  minutes[at] = oldMinutes[at]!;
  if (Math.sign(newTotal(moving, at) - leaderIs) !== Math.sign(apart)) moveTo(moving, at, leaderIs + apart);
  steps[at] = [...steps[at]!, { step: 'withLeader', role: ROLES[roles[leader]!]!, days: distance }];
}

/** Each `ends` goes with its `starts`: as many days after it as before, and as many minutes later in the day. */
export function followStarts(terms: Terms, moving: Moving, groups: readonly ItemGroup[]): void {
  const { roles, fates } = moving;
  for (const group of groups) {
    for (let index = group.from; index < group.until; index++) {
      const at = group.places[index]!;
      if (roles[at] !== ROLE.ends || fates[at] !== 'moved') continue;
      const start = startOf(moving, at, group, true);
      if (start >= 0) endAfter(terms, moving, at, start);
    }
  }
}

function endAfter(terms: Terms, moving: Moving, ends: Place, start: Place): void {
  const { oldDays, oldMinutes, days, minutes, steps } = moving;
  const before = meetingBetween(terms, moving, start, ends);
  const going =
    before === undefined
      ? []
      : meetingsOn(terms.newMeetings.all, days[start]!).filter((meeting) => meeting.start === minutes[start]);
  const meeting = going.find(({ series }) => series === before?.series) ?? going[0];
  if (meeting !== undefined) {
    days[ends] = meeting.day;
    minutes[ends] = meeting.end;
  } else {
    days[ends] = days[start]! + (oldDays[ends]! - oldDays[start]!);
    minutes[ends] = oldMinutes[ends]! + (minutes[start]! - oldMinutes[start]!);
    moveTo(moving, ends, newTotal(moving, ends));
  }
  steps[ends] = [...steps[ends]!, { step: 'withStart' }];
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
