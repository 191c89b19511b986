import type { Problem } from '../problem.js';
import type { Calendar, Meeting } from '../schemas/calendar.js';
import { indexCalendar } from './calendarIndex.js';
import { formatDay, parseDay, parseMinute, type Weekday } from './day.js';
import { isZone } from './skippedHour.js';

const LONGEST_TERM_DAYS = 2 * 366;

interface Span {
  readonly from: string;
  readonly to: string;
}

function checkDate(date: string, where: string): Problem[] {
  if (!Number.isNaN(parseDay(date))) return [];
  return [
    { code: 'noSuchDate', message: `${date} is not on any calendar; give a date that exists, as YYYY-MM-DD.`, where },
  ];
}

function checkSpan({ from, to }: Span, where: string, code: string, what: string): Problem[] {
  const dates = [...checkDate(from, `${where}/from`), ...checkDate(to, `${where}/to`)];
  if (dates.length > 0 || parseDay(from) <= parseDay(to)) return dates;
  return [
    {
      code,
      message: `${what} ends on ${to}, before it starts on ${from}; its last day must not be before its first.`,
      where,
    },
  ];
}

/**
 * Everything that makes a calendar unusable, each with the place and what would mend it. Empty when it is sound.
 *
 * @param where         JSON Pointer of the calendar in the input
 * @param weekStartsOn  the weekday that weeks are cut on (the destination's)
 * @see docs/rules.md, "Problems of a calendar"
 */
export function checkCalendar(calendar: Calendar, where: string, weekStartsOn: Weekday): Problem[] {
  const problems: Problem[] = [];
  const closures = calendar.closures ?? [];
  const periods = calendar.periods ?? [];
  const swaps = calendar.swaps ?? [];
  problems.push(
    ...checkDate(calendar.firstDay, `${where}/firstDay`),
    ...checkDate(calendar.lastDay, `${where}/lastDay`),
  );
  closures.forEach((closure, index) =>
    problems.push(
      ...checkSpan(closure, `${where}/closures/${index}`, 'reversedClosure', `“${closure.label ?? closure.kind}”`),
    ),
  );
  periods.forEach((period, index) =>
    problems.push(...checkSpan(period, `${where}/periods/${index}`, 'reversedPeriod', `“${period.name}”`)),
  );
  swaps.forEach((swap, index) => problems.push(...checkDate(swap.date, `${where}/swaps/${index}/date`)));
  if (!isZone(calendar.timeZone))
    problems.push({
      code: 'unknownZone',
      message: `“${calendar.timeZone}” is no time zone that is known here; give an IANA name such as America/Chicago.`,
      where: `${where}/timeZone`,
    });
  if (problems.length > 0) return problems;

  const firstDay = parseDay(calendar.firstDay);
  const lastDay = parseDay(calendar.lastDay);
  if (lastDay < firstDay)
    return [
      {
        code: 'reversedTerm',
        message: `The term ends on ${calendar.lastDay}, before it starts on ${calendar.firstDay}; its last day must come after its first.`,
        where: `${where}/lastDay`,
      },
    ];
  if (lastDay - firstDay + 1 > LONGEST_TERM_DAYS)
    return [
      {
        code: 'termTooLong',
        message: `From ${calendar.firstDay} to ${calendar.lastDay} is more than two years; a term has at most two.`,
        where: `${where}/lastDay`,
      },
    ];
  closures.forEach((closure, index) => {
    if (closure.kind !== 'exams') return;
    const from = parseDay(closure.from);
    const to = parseDay(closure.to);
    if (from >= firstDay && to <= lastDay) return;
    const mend =
      from < firstDay
        ? `let the term start on ${closure.from} or the exams on ${calendar.firstDay}`
        : `let the term end on ${formatDay(to)}`;
    problems.push({
      code: 'examsOutsideTerm',
      message: `“${closure.label ?? 'Exams'}” (${closure.from} to ${closure.to}) reaches outside the term; ${mend}.`,
      where: `${where}/closures/${index}`,
    });
  });
  const swapped = new Set<string>();
  swaps.forEach((swap, index) => {
    const day = parseDay(swap.date);
    const at = `${where}/swaps/${index}/date`;
    if (day < firstDay || day > lastDay)
      problems.push({
        code: 'swapOutsideTerm',
        message: `${swap.date} lies outside the term; a day that runs another weekday's timetable must lie inside it.`,
        where: at,
      });
    else if (swapped.has(swap.date))
      problems.push({ code: 'swapTwice', message: `${swap.date} is swapped twice; keep one of the two.`, where: at });
    swapped.add(swap.date);
  });
  periods.forEach((period, index) => {
    const other = periods.findIndex(
      (earlier, at) => at < index && earlier.from <= period.to && period.from <= earlier.to,
    );
    if (other >= 0)
      problems.push({
        code: 'overlappingPeriods',
        message: `“${period.name}” overlaps “${periods[other]!.name}”; marking periods must not share a day.`,
        where: `${where}/periods/${index}`,
      });
  });
  if (problems.length === 0 && indexCalendar(calendar, weekStartsOn).teachingWeeks.length === 0)
    problems.push({
      code: 'noTeachingWeek',
      message: 'No week of this term has three teaching days; check its first and last day and its closures.',
      where,
    });
  return problems;
}

/** Meetings that end before they start. */
export function checkMeetings(meetings: readonly Meeting[], where: string): Problem[] {
  return meetings.flatMap(({ start, end }, index) =>
    parseMinute(end) < parseMinute(start)
      ? [
          {
            code: 'reversedMeeting',
            message: `The class ends at ${end}, before it starts at ${start}; its end must come after its start.`,
            where: `${where}/${index}/end`,
          },
        ]
      : [],
  );
}
