import type { Day, Minute } from '../calendar/day.js';
import { meetingsOn } from '../calendar/meetingIndex.js';
import type { Role } from '../schemas/retimeJob.js';
import type { Terms } from './terms.js';

/**
 * The time of day that follows the class: what was exactly at a meeting's start (end) goes to the start (end) of the
 * new day's meeting with the same place in the day, the last one if there are fewer.
 *
 * @see docs/rules.md, "Hour"
 */
export function followHour(terms: Terms, from: Day, minute: Minute, to: Day, role: Role): Minute {
  const before = meetingsOn(terms.oldMeetings.all, from);
  if (before.length === 0) return minute;
  const starting = before.findIndex(({ start }) => start === minute);
  const ending = before.findIndex(({ end }) => end === minute);
  const atEnd = ending >= 0 && (role === 'ends' || starting < 0);
  const place = atEnd ? ending : starting;
  if (place < 0) return minute;
  const after = meetingsOn(terms.newMeetings.all, to);
  const meeting = after[Math.min(place, after.length - 1)];
  if (meeting === undefined) return minute;
  return atEnd ? meeting.end : meeting.start;
}
