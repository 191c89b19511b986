import type { Calendar, Closure } from '../schemas/calendar.js';
import { parseDay, weekdayOf, weekStartOf, type Day, type Weekday } from './day.js';

/** What a calendar week is to the course. `number` counts teaching weeks from 1, `period` exam periods from 0. */
export type WeekKind =
  | { readonly is: 'beforeWeekOne' }
  | { readonly is: 'teaching'; readonly number: number }
  | { readonly is: 'exam'; readonly period: number }
  | { readonly is: 'break' }
  | { readonly is: 'afterTerm' };

export interface ExamPeriod {
  /** Exam days in order; never empty. */
  readonly days: readonly Day[];
  /** First day of the calendar week that the first exam day lies in. */
  readonly firstWeek: Day;
}

/**
 * A term calendar with every day and week of it classified once, so that nothing walks it later.
 *
 * @see docs/rules.md, "Days and weeks"
 */
export interface CalendarIndex {
  readonly calendar: Calendar;
  readonly firstDay: Day;
  readonly lastDay: Day;
  readonly weekStartsOn: Weekday;
  /** First days of the teaching weeks; teaching week k is at k - 1. */
  readonly teachingWeeks: readonly Day[];
  /** The teaching week of a day; of a day in a week that is none the one before, else week 1. */
  teachingWeekBy(day: Day): number;
  /** All teaching days in order. */
  readonly teachingDays: readonly Day[];
  readonly examPeriods: readonly ExamPeriod[];
  runsAs(day: Day): Weekday;
  isInside(day: Day): boolean;
  /** Inside the term and not covered by a holiday, break or reading closure. */
  isOpen(day: Day): boolean;
  isExam(day: Day): boolean;
  isTeaching(day: Day): boolean;
  /** Inside the term and covered by a closure that shuts it. */
  isClosed(day: Day): boolean;
  weekStart(day: Day): Day;
  weekKind(day: Day): WeekKind;
  /** Index into `examPeriods` of the period that this exam day belongs to; -1 when it is no exam day. */
  examPeriodOf(day: Day): number;
  /** How many teaching days lie before `day`. */
  teachingDaysBefore(day: Day): number;
  /** The closures that cover the day, as they are listed. */
  closuresAt(day: Day): readonly Closure[];
  /** The first closure that covers the day, exams last. */
  closureAt(day: Day): Closure | undefined;
}

const OUTSIDE = 0;
const CLOSED = 1;
const EXAM = 2;
const OPEN = 3;

export const isWeekend = (weekday: Weekday): boolean => weekday > 5;

/** How many teaching days a week has that counts by itself. */
const TAUGHT_WEEK_DAYS = 3;

/**
 * Classifies a calendar that `checkCalendar` found sound, cut into weeks that start on `weekStartsOn`.
 *
 * @param taught  first days of the weeks that count as teaching weeks; those with three teaching days when absent
 */
export function indexCalendar(calendar: Calendar, weekStartsOn: Weekday, taught?: ReadonlySet<Day>): CalendarIndex {
  const firstDay = parseDay(calendar.firstDay);
  const lastDay = parseDay(calendar.lastDay);
  const weekStart = (day: Day): Day => weekStartOf(day, weekStartsOn);
  const base = weekStart(firstDay);
  const weekCount = (weekStart(lastDay) - base) / 7 + 1;
  const length = weekCount * 7;

  const status = new Uint8Array(length);
  const weekdays = new Uint8Array(length);
  for (let at = 0; at < length; at++) {
    weekdays[at] = weekdayOf(base + at);
    status[at] = base + at >= firstDay && base + at <= lastDay ? OPEN : OUTSIDE;
  }
  const closures = (calendar.closures ?? []).map((closure) => ({
    closure,
    from: parseDay(closure.from),
    to: parseDay(closure.to),
  }));
  const cover = (exams: boolean, value: number): void => {
    for (const { closure, from, to } of closures) {
      if ((closure.kind === 'exams') !== exams) continue;
      for (let day = Math.max(from, firstDay); day <= Math.min(to, lastDay); day++) status[day - base] = value;
    }
  };
  cover(true, EXAM);
  cover(false, CLOSED);
  for (const swap of calendar.swaps ?? []) weekdays[parseDay(swap.date) - base] = swap.runsAs;

  const within = (day: Day): boolean => day >= base && day < base + length;
  const runsAs = (day: Day): Weekday => (within(day) ? weekdays[day - base]! : weekdayOf(day));
  const statusAt = (day: Day): number => (within(day) ? status[day - base]! : OUTSIDE);
  const isTeaching = (day: Day): boolean => statusAt(day) === OPEN && !isWeekend(runsAs(day));

  const teachingDays: Day[] = [];
  const teachingBefore = new Int32Array(length + 1);
  const periods: Day[][] = [];
  const periodAt = new Int16Array(length).fill(-1);
  let running: Day[] | undefined;
  for (let at = 0; at < length; at++) {
    const day = base + at;
    if (isTeaching(day)) {
      teachingDays.push(day);
      running = undefined;
    } else if (status[at] === EXAM) {
      if (running === undefined) periods.push((running = []));
      running.push(day);
      periodAt[at] = periods.length - 1;
    }
    teachingBefore[at + 1] = teachingDays.length;
  }

  const teachingWeeks: Day[] = [];
  const kinds: WeekKind[] = [];
  for (let week = 0; week < weekCount; week++) {
    const start = base + week * 7;
    const isTaught =
      taught?.has(start) ?? teachingBefore[week * 7 + 7]! - teachingBefore[week * 7]! >= TAUGHT_WEEK_DAYS;
    const period = periodAt.subarray(week * 7, week * 7 + 7).find((value) => value >= 0);
    if (isTaught) {
      teachingWeeks.push(start);
      kinds.push({ is: 'teaching', number: teachingWeeks.length });
    } else if (period !== undefined) kinds.push({ is: 'exam', period });
    else kinds.push({ is: teachingWeeks.length > 0 ? 'break' : 'beforeWeekOne' });
  }

  const closuresAt = (day: Day): readonly Closure[] =>
    closures.filter(({ from, to }) => from <= day && day <= to).map(({ closure }) => closure);

  return {
    calendar,
    firstDay,
    lastDay,
    weekStartsOn,
    teachingWeeks,
    teachingDays,
    examPeriods: periods.map((days) => ({ days, firstWeek: weekStart(days[0]!) })),
    runsAs,
    isInside: (day) => statusAt(day) !== OUTSIDE,
    isOpen: (day) => statusAt(day) >= EXAM,
    isExam: (day) => statusAt(day) === EXAM,
    isTeaching,
    isClosed: (day) => statusAt(day) === CLOSED,
    weekStart,
    weekKind(day) {
      if (day < base) return { is: 'beforeWeekOne' };
      return kinds[Math.floor((day - base) / 7)] ?? { is: 'afterTerm' };
    },
    examPeriodOf: (day) => (within(day) ? periodAt[day - base]! : -1),
    teachingWeekBy: (day) => Math.max(1, teachingWeeks.filter((week) => week <= day).length),
    teachingDaysBefore: (day) => (day <= base ? 0 : teachingBefore[Math.min(day - base, length)]!),
    closuresAt,
    closureAt(day) {
      const covering = closuresAt(day);
      return covering.find(({ kind }) => kind !== 'exams') ?? covering[0];
    },
  };
}
