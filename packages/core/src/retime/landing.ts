import { isWeekend, type CalendarIndex } from '../calendar/calendarIndex.js';
import type { Day } from '../calendar/day.js';
import type { MeetingList } from '../calendar/meetingIndex.js';
import type { Landing } from '../schemas/retimeJob.js';
import { isOpenFor, type Terms } from './terms.js';

/**
 * Where a moment lands that came to a closed day, or to an exam day from a teaching day.
 *
 * @param day     where the rule put it
 * @param from    its old day
 * @param series  the series whose class meetings count for it, under landing `meeting`
 * @returns       the day it lands on; `day` itself when it need not or cannot land
 * @see           docs/rules.md, "Landing"
 */
export function land(terms: Terms, from: Day, day: Day, landing: Landing, series: string | undefined): Day {
  const { old, new: to } = terms;
  if (landing === 'stay' || !old.isOpen(from) || isWeekend(old.runsAs(from))) return day;
  const wasExam = old.isExam(from);
  const mustLand = !isOpenFor(to, day, true) || (!wasExam && to.isExam(day));
  if (!mustLand) return day;
  if (landing === 'meeting') {
    const met = nextMeeting(terms.newMeetings.counting(series), day);
    if (met !== undefined) return met;
  }
  const suits = (candidate: Day): boolean =>
    wasExam ? to.isOpen(candidate) && !isWeekend(to.runsAs(candidate)) : to.isTeaching(candidate);
  const after = search(to, day, 1, suits);
  const before = search(to, day, -1, suits);
  if (after === undefined || before === undefined) return after ?? before ?? day;
  if (landing === 'previous') return before;
  if (landing === 'nearest') return day - before <= after - day ? before : after;
  return after;
}

function nextMeeting(list: MeetingList, day: Day): Day | undefined {
  const after = list.meetings[list.firstAt(day + 1)];
  return (after ?? list.meetings[list.firstAt(day) - 1])?.day;
}

function search(term: CalendarIndex, from: Day, direction: 1 | -1, suits: (day: Day) => boolean): Day | undefined {
  const start = direction === 1 ? Math.max(from + 1, term.firstDay) : Math.min(from - 1, term.lastDay);
  for (let day = start; day >= term.firstDay && day <= term.lastDay; day += direction) if (suits(day)) return day;
  return undefined;
}
