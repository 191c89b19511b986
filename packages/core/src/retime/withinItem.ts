import { meetingsOn } from '../calendar/meetingIndex.js';
import type { ZoneClock } from '../calendar/skippedHour.js';
import type { RetimeMoment, Role } from '../schemas/retimeJob.js';
import { meetingBetween } from './classEvents.js';
import { FLAG } from './flags.js';
import { moveTo, newTotal, oldTotal, startOf, type ItemGroup, type Moving, type Place } from './moving.js';
import type { Terms } from './terms.js';

const LEADING: readonly Role[] = ['due', 'starts', 'opens'];
const TRAILING: readonly Role[] = ['late', 'closes', 'answers'];

const hasNewDate = ({ fates }: Moving, at: Place): boolean => fates[at] !== 'cleared';

/** The earliest `due`, else the earliest `starts`, else the earliest `opens`, of those that have a new date. */
function leaderOf(moving: Moving, group: ItemGroup): Place | undefined {
  const { moments } = moving;
  for (const role of LEADING) {
    let leader: Place | undefined;
    for (const at of group) {
      if (moments[at]!.role !== role || !hasNewDate(moving, at)) continue;
      if (leader === undefined || oldTotal(moving, at) < oldTotal(moving, leader)) leader = at;
    }
    if (leader !== undefined) return leader;
  }
  return undefined;
}

/**
 * Keeps what belongs together in order: whatever stood before, level with or after its leader stays so.
 * `ends` are left to `followStarts`.
 *
 * @see docs/rules.md, "Within one item"
 */
export function followLeader(moving: Moving, group: ItemGroup): void {
  const leader = leaderOf(moving, group);
  if (leader === undefined) return;
  const { moments, fates, oldDays, oldMinutes, days, minutes, steps } = moving;
  const hasStarts = group.some((at) => moments[at]!.role === 'starts' && hasNewDate(moving, at));
  const leaderWas = oldTotal(moving, leader);
  const leaderIs = newTotal(moving, leader);
  for (const at of group) {
    const { role } = moments[at]!;
    if (at === leader || fates[at] !== 'moved' || (role === 'ends' && hasStarts)) continue;
    const side = Math.sign(oldTotal(moving, at) - leaderWas);
    const always = fates[leader] === 'byHand' && TRAILING.includes(role);
    if (!always && Math.sign(newTotal(moving, at) - leaderIs) === side) continue;
    const distance = oldDays[at]! - oldDays[leader]!;
    days[at] = days[leader]! + distance;
    minutes[at] = oldMinutes[at]!;
    if (Math.sign(newTotal(moving, at) - leaderIs) !== side)
      moveTo(moving, at, leaderIs + oldTotal(moving, at) - leaderWas);
    steps[at] = [...steps[at]!, { step: 'withLeader', role: moments[leader]!.role, days: distance }];
  }
}

/** Each `ends` goes with its `starts`: as many days after it as before, and as many minutes later in the day. */
export function followStarts(terms: Terms, moving: Moving, group: ItemGroup): void {
  const { moments, fates, oldDays, oldMinutes, days, minutes, steps } = moving;
  if (!group.some((at) => moments[at]!.role === 'ends')) return;
  const starts = group.filter((at) => moments[at]!.role === 'starts' && hasNewDate(moving, at));
  if (starts.length === 0) return;
  for (const ends of group) {
    if (moments[ends]!.role !== 'ends' || fates[ends] !== 'moved') continue;
    const start = startOf(moving, ends, starts)!;
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
}

/** Times of day that the destination's zone skips on their day move to the first minute that exists. */
export function skipMissingHours(clock: ZoneClock, moving: Moving, concerns: (moment: RetimeMoment) => boolean): void {
  const { moments, fates, days, minutes, flags, steps } = moving;
  for (let at = 0; at < moments.length; at++) {
    if (fates[at] !== 'moved' || !concerns(moments[at]!)) continue;
    const missing = clock.missingFor(days[at]!, minutes[at]!);
    if (missing === 0) continue;
    steps[at] = [...steps[at]!, { step: 'skippedHour', from: minutes[at]! }];
    moveTo(moving, at, newTotal(moving, at) + missing);
    flags[at]! |= FLAG.missingHour;
  }
}
