import { meetingsOn } from '../calendar/meetingIndex.js';
import type { ZoneClock } from '../calendar/skippedHour.js';
import type { Role } from '../schemas/retimeJob.js';
import { meetingBetween } from './classEvents.js';
import { FLAG } from './flags.js';
import { moveTo, newTotal, oldTotal, startOf, type Moving } from './moving.js';
import type { Terms } from './terms.js';

const LEADING: readonly Role[] = ['due', 'starts', 'opens'];
const TRAILING: readonly Role[] = ['late', 'closes', 'answers'];

const hasNewDate = ({ state }: Moving): boolean => state !== 'cleared';

/** The earliest `due`, else the earliest `starts`, else the earliest `opens`, of those that have a new date. */
function leaderOf(group: readonly Moving[]): Moving | undefined {
  for (const role of LEADING) {
    let leader: Moving | undefined;
    for (const each of group)
      if (each.moment.role === role && hasNewDate(each) && (leader === undefined || oldTotal(each) < oldTotal(leader)))
        leader = each;
    if (leader !== undefined) return leader;
  }
  return undefined;
}

/**
 * Keeps what belongs together in order: whatever stood before, level with or after its leader stays so.
 * `ends` are left to `followStarts`.
 *
 * @param group  the moments of one item for the same people
 * @see docs/rules.md, "Within one item"
 */
export function followLeader(group: readonly Moving[]): void {
  const leader = leaderOf(group);
  if (leader === undefined) return;
  const hasStarts = group.some((each) => each.moment.role === 'starts' && hasNewDate(each));
  for (const each of group) {
    if (each === leader || each.state !== 'moved' || (each.moment.role === 'ends' && hasStarts)) continue;
    const side = Math.sign(oldTotal(each) - oldTotal(leader));
    const always = leader.state === 'byHand' && TRAILING.includes(each.moment.role);
    if (!always && Math.sign(newTotal(each) - newTotal(leader)) === side) continue;
    const days = each.oldDay - leader.oldDay;
    each.day = leader.day + days;
    each.minute = each.oldMinute;
    if (Math.sign(newTotal(each) - newTotal(leader)) !== side)
      moveTo(each, newTotal(leader) + oldTotal(each) - oldTotal(leader));
    each.steps = [...each.steps, { step: 'withLeader', role: leader.moment.role, days }];
  }
}

/** Each `ends` goes with its `starts`: as many days after it as before, and as many minutes later in the day. */
export function followStarts(terms: Terms, group: readonly Moving[]): void {
  if (!group.some(({ moment }) => moment.role === 'ends')) return;
  const starts = group.filter((each) => each.moment.role === 'starts' && hasNewDate(each));
  if (starts.length === 0) return;
  for (const ends of group) {
    if (ends.moment.role !== 'ends' || ends.state !== 'moved') continue;
    const start = startOf(ends, starts)!;
    const before = meetingBetween(terms, start, ends);
    const going =
      before === undefined
        ? []
        : meetingsOn(terms.newMeetings.all, start.day).filter((meeting) => meeting.start === start.minute);
    const meeting = going.find(({ series }) => series === before?.series) ?? going[0];
    if (meeting !== undefined) {
      ends.day = meeting.day;
      ends.minute = meeting.end;
    } else {
      ends.day = start.day + (ends.oldDay - start.oldDay);
      ends.minute = ends.oldMinute + (start.minute - start.oldMinute);
      moveTo(ends, newTotal(ends));
    }
    ends.steps = [...ends.steps, { step: 'withStart' }];
  }
}

/** A time of day that the destination's zone skips on that day moves to the first minute that exists. */
export function skipMissingHour(clock: ZoneClock, moving: Moving): void {
  const missing = clock.missingFor(moving.day, moving.minute);
  if (missing === 0) return;
  moving.steps = [...moving.steps, { step: 'skippedHour', from: moving.minute }];
  moveTo(moving, newTotal(moving) + missing);
  moving.flags |= FLAG.missingHour;
}
