import { isWeekend, type CalendarIndex } from '../calendar/calendarIndex.js';
import type { Day, Minute } from '../calendar/day.js';
import type { ClassMeeting, MeetingList } from '../calendar/meetingIndex.js';
import type { Role } from '../schemas/retimeJob.js';
import { FLAG } from './flags.js';
import type { Step } from './steps.js';
import { weekdayOfWeek, type Placed, type Terms } from './terms.js';

/** The class meeting that a moment belongs to. */
export interface Belonging {
  /** Of the old term's meetings that count. */
  readonly index: number;
  readonly contains: boolean;
}

/**
 * Finds the class meeting that a moment belongs to: one that contains it, the first of its day, the next in its week,
 * the last before it in its week; for a moment with a series, the last before it at all.
 *
 * @returns `undefined` where the rule hands over to `week`: exam days, closed days of break weeks, days of weeks
 *          without a meeting that counts, and when either side has no such meeting at all
 * @see     docs/rules.md, rule `meeting`
 */
export function meetingOf(
  { old, oldMeetings, newMeetings }: Terms,
  day: Day,
  minute: Minute,
  role: Role,
  series: string | undefined,
): Belonging | undefined {
  const list = oldMeetings.counting(series);
  if (list.meetings.length === 0 || newMeetings.counting(series).meetings.length === 0) return undefined;
  const from = list.firstAt(day);
  const until = list.firstAt(day + 1);
  if (from < until) return meetingOfDay(list, from, until, minute, role);
  if (old.isExam(day)) return undefined;
  const kind = old.weekKind(day).is;
  if (kind === 'break' && old.isClosed(day)) return undefined;
  const week = old.weekStart(day);
  const next = list.meetings[until];
  if (next !== undefined && next.day < week + 7 && next.day >= week) return { index: until, contains: false };
  const last = list.meetings[from - 1];
  const isOfWeek = last !== undefined && last.day >= week && last.day < week + 7;
  if (isOfWeek || (last !== undefined && series !== undefined && kind === 'teaching'))
    return { index: from - 1, contains: false };
  return undefined;
}

/** @param from,until  where the meetings of the day stand in the list */
function meetingOfDay(list: MeetingList, from: number, until: number, minute: Minute, role: Role): Belonging {
  let containing = -1;
  for (let index = from; index < until; index++) {
    const { start, end } = list.meetings[index]!;
    if (minute < start || minute > end) continue;
    if (role === 'ends' ? end === minute : start === minute) return { index, contains: true };
    if (containing < 0) containing = index;
  }
  return containing >= 0 ? { index: containing, contains: true } : { index: from, contains: false };
}

/**
 * Moves a day with the class meeting that it belongs to: the k-th meeting goes to the k-th meeting, what lies near one
 * keeps its distance to it, within its week.
 *
 * @param index  the meeting that `meetingOf` found
 * @see          docs/rules.md, rule `meeting`
 */
export function byMeeting(terms: Terms, day: Day, index: number, series: string | undefined): Placed {
  const { old, new: to } = terms;
  const oldList = terms.oldMeetings.counting(series);
  const newList = terms.newMeetings.counting(series);
  const before = oldList.meetings[index]!;
  const distance = day - before.day;
  const missing = index >= newList.meetings.length;
  const answer = answering(newList, index);
  const flags = missing ? FLAG.noSuchMeeting : 0;
  const step: Step = {
    step: 'meeting',
    number: missing ? newList.meetings.length : index + 1,
    of: newList.meetings.length,
    days: distance,
    ...(missing ? { missing } : {}),
  };
  const isOfWeek = old.weekStart(before.day) === old.weekStart(day);
  if (!isOfWeek) return { day: answer.day + distance, flags, steps: [step] };
  if (isWeekend(old.runsAs(day)) && distance !== 0) {
    const placed = weekdayOfWeek(to, to.weekStart(answer.day), old.runsAs(day), old.isInside(day));
    return { day: placed.day, flags: flags | placed.flags, steps: [step, ...placed.steps] };
  }
  return { day: withinWeek(to, answer.day, distance, old.isInside(day)), flags, steps: [step] };
}

/** The time of day in the new meeting of what a meeting contained: its minutes from the start, but not past the end. */
export function minuteByMeeting(
  { oldMeetings, newMeetings }: Terms,
  index: number,
  minute: Minute,
  series: string | undefined,
): Minute {
  const before = oldMeetings.counting(series).meetings[index]!;
  const after = answering(newMeetings.counting(series), index);
  if (minute === before.end) return after.end;
  return Math.min(after.end, after.start + (minute - before.start));
}

/** The meeting with the same number, or the last. */
const answering = ({ meetings }: MeetingList, index: number): ClassMeeting =>
  meetings[Math.min(index, meetings.length - 1)]!;

function withinWeek(to: CalendarIndex, meetingDay: Day, distance: number, wasInside: boolean): Day {
  const week = to.weekStart(meetingDay);
  let earliest = week;
  let latest = week + 6;
  if (wasInside) {
    const first = to.teachingDaysBefore(week);
    const after = to.teachingDaysBefore(week + 7);
    earliest = first < after ? Math.min(meetingDay, to.teachingDays[first]!) : meetingDay;
    latest = first < after ? Math.max(meetingDay, to.teachingDays[after - 1]!) : meetingDay;
  }
  return Math.min(latest, Math.max(earliest, meetingDay + distance));
}
