import type { Day, Minute } from '../calendar/day.js';
import type { Role } from '../schemas/retimeJob.js';
import type { Terms } from './terms.js';

/**
 * The time of day that follows the class: what was exactly at a meeting's start (end) goes to the start (end) of the
 * new day's meeting with the same place in the day, the last one if there are fewer.
 *
 * @see docs/rules.md, "Hour"
 */
export function followHour(
  { oldMeetings, newMeetings }: Terms,
  from: Day,
  minute: Minute,
  to: Day,
  role: Role,
): Minute {
  const before = oldMeetings.all;
  const first = before.firstAt(from);
  const until = before.firstAt(from + 1);
  let starting = -1;
  let ending = -1;
  for (let index = until - 1; index >= first; index--) {
    const { start, end } = before.meetings[index]!;
    if (start === minute) starting = index;
    if (end === minute) ending = index;
  }
  const atEnd = ending >= 0 && (role === 'ends' || starting < 0);
  const place = (atEnd ? ending : starting) - first;
  if (place < 0) return minute;
  const after = newMeetings.all;
  const firstAfter = after.firstAt(to);
  const lastAfter = after.firstAt(to + 1) - 1;
  if (lastAfter < firstAfter) return minute;
  const meeting = after.meetings[Math.min(firstAfter + place, lastAfter)]!;
  return atEnd ? meeting.end : meeting.start;
}
