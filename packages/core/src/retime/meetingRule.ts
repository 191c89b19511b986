import { isWeekend, type CalendarIndex } from '../calendar/calendarIndex.js';
import type { Day } from '../calendar/day.js';
import type { ClassMeeting, MeetingList } from '../calendar/meetingIndex.js';
import type { Counting, Tie } from './classes.js';
import { FLAG, type FlagBits } from '../names/flags.js';
import type { MappedWeekday } from './mapped.js';
import { shareOf } from './shareOf.js';
import type { Step } from './steps.js';
import { weekdayOfWeek, type Placed, type Terms } from './terms.js';

/** A class meeting of the new term, and how it was found. */
export interface Answer {
  readonly meeting: ClassMeeting;
  readonly flags: FlagBits;
  readonly step: Step;
}

/** The meeting that answers by number: the k-th to the k-th, past the last the last. */
export function byNumber({ meetings }: MeetingList, index: number, days = 0): Answer {
  const missing = index >= meetings.length;
  const number = missing ? meetings.length : index + 1;
  return {
    meeting: meetings[number - 1]!,
    flags: missing ? FLAG.noSuchMeeting : 0,
    step: { step: 'meeting', number, of: meetings.length, days, ...(missing ? { missing } : {}) },
  };
}

/** The meeting that answers by share of the meetings of both terms. */
export function byClassShare({ series: { before, after }, index }: Tie): Answer {
  const share = shareOf(index, before.meetings.length, after.meetings.length);
  return {
    meeting: after.meetings[share]!,
    flags: 0,
    step: { step: 'meetingShare', number: share + 1, of: after.meetings.length },
  };
}

/**
 * Moves a day weeks on from a class meeting: as many teaching weeks after the week of the one that answers by number as it
 * is after the old one's.
 *
 * @see docs/rules.md, "Classes"
 */
export function weeksOn(
  terms: Terms,
  day: Day,
  { before, after }: Counting,
  index: number,
  weekday: MappedWeekday,
): Placed {
  const { old, new: to } = terms;
  const answer = byNumber(after, index);
  const weeks = old.teachingWeekBy(day) - old.teachingWeekBy(before.meetings[index]!.day);
  const wanted = to.teachingWeekBy(answer.meeting.day) + weeks;
  const last = to.teachingWeeks.length;
  const missing = wanted > last;
  const placed = weekdayOfWeek(to, to.teachingWeeks[(missing ? last : wanted) - 1]!, weekday.to, old.isInside(day));
  return {
    day: placed.day,
    flags: answer.flags | placed.flags | (missing ? FLAG.noSuchWeek : 0),
    steps: [
      answer.step,
      { step: 'weeksOn', weeks, ...(missing ? { missing } : {}) },
      ...weekday.steps,
      ...placed.steps,
    ],
  };
}

/**
 * Moves a day with the class meeting that it belongs to: the first of its day, the next in its week, or the last before
 * it in its week. It keeps its distance to that, within the week; in a teaching week without a meeting it goes weeks on.
 *
 * @returns `undefined` where the rule hands over to `week`: exam days, closed days of break weeks, other days without
 *          such a meeting, and when either side has none that counts
 * @see     docs/rules.md, rule `meeting`
 */
export function byMeeting(terms: Terms, day: Day, counting: Counting, weekday: MappedWeekday): Placed | undefined {
  const { old } = terms;
  const { before, after } = counting;
  if (before.meetings.length === 0 || after.meetings.length === 0 || old.isExam(day)) return undefined;
  const kind = old.weekKind(day).is;
  if (kind === 'break' && old.isClosed(day)) return undefined;
  const from = before.firstAt(day);
  const week = old.weekStart(day);
  const isOfWeek = (index: number): boolean => {
    const meeting = before.meetings[index];
    return meeting !== undefined && meeting.day >= week && meeting.day < week + 7;
  };
  // The first on or after the day is that of the day, if it has one.
  if (isOfWeek(from)) return nearMeeting(terms, day, counting, from);
  if (isOfWeek(from - 1)) return nearMeeting(terms, day, counting, from - 1);
  if (kind === 'teaching' && from > 0) return weeksOn(terms, day, counting, from - 1, weekday);
  return undefined;
}

function nearMeeting({ old, new: to }: Terms, day: Day, { before, after }: Counting, index: number): Placed {
  const distance = day - before.meetings[index]!.day;
  const { meeting, flags, step } = byNumber(after, index, distance);
  const wasInside = old.isInside(day);
  if (distance !== 0 && isWeekend(old.runsAs(day))) {
    const placed = weekdayOfWeek(to, to.weekStart(meeting.day), old.runsAs(day), wasInside);
    return { day: placed.day, flags: flags | placed.flags, steps: [step, ...placed.steps] };
  }
  return { day: withinWeek(to, meeting.day, distance, wasInside), flags, steps: [step] };
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
