import { isWeekend, type CalendarIndex } from '../calendar/calendarIndex.js';
import type { Day, Minute } from '../calendar/day.js';
import type { ClassMeeting, MeetingList } from '../calendar/meetingIndex.js';
import type { Role } from '../schemas/retimeJob.js';
import { FLAG } from './flags.js';
import { weekdayOfWeek, type Placed, type Terms } from './terms.js';

export interface PlacedByMeeting extends Placed {
  readonly minute: Minute;
}

/**
 * Moves a moment with the class meeting that it belongs to: the k-th meeting goes to the k-th meeting, what lies near
 * one keeps its distance to it.
 *
 * @returns `undefined` where the rule hands over to `week`: exam days, closed days of break weeks, days of weeks
 *          without a meeting that counts, and when either side has no such meeting at all
 * @see     docs/rules.md, rule `meeting`
 */
export function byMeeting(
  terms: Terms,
  day: Day,
  minute: Minute,
  role: Role,
  series: string | undefined,
): PlacedByMeeting | undefined {
  const { old, new: to } = terms;
  const oldList = terms.oldMeetings.counting(series);
  const newList = terms.newMeetings.counting(series);
  if (oldList.meetings.length === 0 || newList.meetings.length === 0 || old.isExam(day)) return undefined;
  const kind = old.weekKind(day).is;
  if (kind === 'break' && old.isClosed(day)) return undefined;

  const belongs = meetingOf(old, oldList, day, minute, role);
  if (belongs === undefined) {
    if (series === undefined || kind !== 'teaching') return undefined;
    const index = oldList.firstAt(day) - 1;
    if (index < 0) return undefined;
    const { meeting, flags, steps } = answering(oldList, newList, index, day);
    return { day: meeting.day + (day - oldList.meetings[index]!.day), minute, flags, steps };
  }
  const before = oldList.meetings[belongs.index]!;
  const { meeting, flags, steps } = answering(oldList, newList, belongs.index, day);
  if (isWeekend(old.runsAs(day)) && before.day !== day) {
    const placed = weekdayOfWeek(to, to.weekStart(meeting.day), old.runsAs(day), old.isInside(day));
    return { day: placed.day, minute, flags: flags | placed.flags, steps: [...steps, ...placed.steps] };
  }
  const target = withinWeek(to, meeting.day, day - before.day, old.isInside(day));
  return { day: target, minute: belongs.contains ? minuteIn(before, meeting, minute) : minute, flags, steps };
}

interface Belonging {
  readonly index: number;
  readonly contains: boolean;
}

function meetingOf(old: CalendarIndex, list: MeetingList, day: Day, minute: Minute, role: Role): Belonging | undefined {
  const from = list.firstAt(day);
  const until = list.firstAt(day + 1);
  if (from < until) {
    let containing = -1;
    for (let index = from; index < until; index++) {
      const { start, end } = list.meetings[index]!;
      if (minute < start || minute > end) continue;
      if (role === 'ends' ? end === minute : start === minute) return { index, contains: true };
      if (containing < 0) containing = index;
    }
    return containing >= 0 ? { index: containing, contains: true } : { index: from, contains: false };
  }
  const week = old.weekStart(day);
  const next = list.meetings[until];
  if (next !== undefined && next.day < week + 7 && next.day >= week) return { index: until, contains: false };
  const last = list.meetings[from - 1];
  if (last !== undefined && last.day >= week && last.day < week + 7) return { index: from - 1, contains: false };
  return undefined;
}

function answering(oldList: MeetingList, newList: MeetingList, index: number, day: Day) {
  const missing = index >= newList.meetings.length;
  const at = missing ? newList.meetings.length - 1 : index;
  return {
    meeting: newList.meetings[at]!,
    flags: missing ? FLAG.noSuchMeeting : 0,
    steps: [
      {
        step: 'meeting' as const,
        number: at + 1,
        of: newList.meetings.length,
        days: day - oldList.meetings[index]!.day,
        ...(missing ? { missing: true as const } : {}),
      },
    ],
  };
}

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

function minuteIn(before: ClassMeeting, after: ClassMeeting, minute: Minute): Minute {
  if (minute === before.end) return after.end;
  return Math.min(after.end, after.start + (minute - before.start));
}
