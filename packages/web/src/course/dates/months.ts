import type { Load } from '../../shared/dates/termSheet.js';
import {
  civilDate,
  dayFrom,
  isGraded,
  parseDay,
  weekStartOf,
  type Calendar,
  type Day,
  type Moment,
  type SnapshotItem,
} from '@yarin/core';

/** A date of a course: which thing, in which role. */
export interface CourseDate {
  readonly id: string;
  readonly key: string;
  readonly title: string;
  readonly role: Moment['role'];
  readonly at: string;
  readonly whom: string | undefined;
  readonly kind: SnapshotItem['kind'];
}

/** Every date of a course, the earliest first. */
export const datesOf = (items: readonly SnapshotItem[]): CourseDate[] =>
  items
    .flatMap(({ id: key, title, kind, moments = [] }) =>
      moments.map(({ id, role, at, for: whom }) => ({ id, key, title, role, at, whom, kind })),
    )
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));

/** The dates of a course as something that has its load: what is due and graded. */
export const loadsOf = (items: readonly SnapshotItem[]): Load[] =>
  items.flatMap((item) =>
    (item.moments ?? []).map(({ id, role, at }) => ({ id, role, graded: isGraded(item), to: at })),
  );

export interface MonthDay {
  readonly day: Day;
  readonly date: number;
  /** Belongs to the month that is shown, not to the end of the one before or the start of the next. */
  readonly isInMonth: boolean;
  readonly isInTerm: boolean;
  /** What closes it: “Spring break”; empty on an open day. */
  readonly closure: string;
  readonly isExam: boolean;
  readonly dates: readonly CourseDate[];
}

export interface MonthView {
  readonly year: number;
  /** 1 to 12 */
  readonly month: number;
  readonly weeks: readonly (readonly MonthDay[])[];
}

const DAYS = 7;

/** A month cut into weeks, each day with what is on it. */
export function monthOf(
  year: number,
  month: number,
  dates: readonly CourseDate[],
  { firstDay, lastDay, closures = [], weekStartsOn = 1 }: Calendar,
): MonthView {
  const byDay = new Map<Day, CourseDate[]>();
  const starts = new Set(
    dates.flatMap(({ role, key, at }) => (role === 'starts' ? [`${key} ${at.slice(0, 10)}`] : [])),
  );
  for (const date of dates) {
    // What ends on the day it starts is one line there.
    if (date.role === 'ends' && starts.has(`${date.key} ${date.at.slice(0, 10)}`)) continue;
    const day = parseDay(date.at);
    const list = byDay.get(day);
    if (list === undefined) byDay.set(day, [date]);
    else list.push(date);
  }
  const first = dayFrom(year, month, 1);
  const last = (month === 12 ? dayFrom(year + 1, 1, 1) : dayFrom(year, month + 1, 1)) - 1;
  const start = weekStartOf(first, weekStartsOn);
  const weeks: MonthDay[][] = [];
  for (let monday = start; monday <= last; monday += DAYS)
    weeks.push(
      Array.from({ length: DAYS }, (_, offset): MonthDay => {
        const day = monday + offset;
        const covering = closures.filter(({ from, to }) => parseDay(from) <= day && day <= parseDay(to));
        const closing = covering.find(({ kind }) => kind !== 'exams');
        return {
          day,
          date: civilDate(day).date,
          isInMonth: day >= first && day <= last,
          isInTerm: day >= parseDay(firstDay) && day <= parseDay(lastDay),
          closure: closing === undefined ? '' : (closing.label ?? closing.kind),
          isExam: closing === undefined && covering.length > 0,
          dates: byDay.get(day) ?? [],
        };
      }),
    );
  return { year, month, weeks };
}

/** The months from the first to the last of a term, and those of dates that lie outside it. */
export function monthsOf(
  dates: readonly CourseDate[],
  { firstDay, lastDay }: Calendar,
): { year: number; month: number }[] {
  const days = [firstDay, lastDay, ...dates.map(({ at }) => at)].map((at) => at.slice(0, 'YYYY-MM'.length)).sort();
  const months: { year: number; month: number }[] = [];
  const end = days.at(-1)!;
  for (let at = days[0]!; at <= end && months.length < MOST_MONTHS;) {
    const [year, month] = [Number(at.slice(0, 4)), Number(at.slice(5))];
    months.push({ year, month });
    at = month === 12 ? `${year + 1}-01` : `${year}-${String(month + 1).padStart(2, '0')}`;
  }
  return months;
}
const MOST_MONTHS = 60;
