import {
  civilDate,
  classDaysIn,
  indexCalendar,
  monthWord,
  parseDay,
  standsOn,
  type Day,
  type PreviewDate,
  type Snapshot,
} from '@yarin/core';

/** One day of a term as the sheet shows it. */
export interface SheetDay {
  readonly day: Day;
  /** Day of the month. */
  readonly date: number;
  readonly isClass: boolean;
  readonly isClosed: boolean;
  readonly isExam: boolean;
  readonly isOutside: boolean;
  /** Graded work due on it. */
  readonly load: number;
}

export interface SheetWeek {
  readonly start: Day;
  /** “6”, “break”, “exams”; empty outside the term. */
  readonly label: string;
  /** Named where a month begins. */
  readonly month: string;
  readonly days: readonly SheetDay[];
  readonly load: number;
}

/** A term as a small sheet: weeks side by side, weekdays from above, as the strips are numbered. */
export interface TermSheet {
  readonly weekStartsOn: number;
  readonly weeks: readonly SheetWeek[];
  /** Whether a day is unusual: closed, a weekend, outside the term. */
  isUnusual(day: Day): boolean;
  /** What is unusual about a day, with what is due on it. */
  wordsFor(day: Day): string;
  /** Graded work due on a day, and in its week. */
  loadOn(day: Day): { readonly day: number; readonly week: number };
}

/** What a sheet leaves out or adds. */
export interface SheetChoices {
  /** Ids of dates that count nowhere: those that are being set. */
  readonly without?: readonly string[];
  /** Weeks shown before the first day and after the last; 1 if nothing is said. */
  readonly weeksBeyond?: number;
  /** Its first or last day is picked: no day outside is unusual. */
  readonly isOfEnds?: boolean;
  /** Nobody has said yet when it begins: no day is outside, no week has a number. */
  readonly isUnsaid?: boolean;
}

/** A date as far as it makes work. */
export type Load = Pick<PreviewDate, 'id' | 'role' | 'graded' | 'to'>;

export type Time = Pick<Snapshot, 'calendar' | 'meetings'>;

const WEEK = 7;
const ORDINALS = ['', 'the first', 'the second', 'the third', 'the fourth', 'the fifth'];

/**
 * @param dates  what is dated in the term; graded work counts
 */
export function termSheet(
  { calendar, meetings }: Time,
  dates: readonly Load[],
  { without = [], weeksBeyond = 1, isOfEnds = false, isUnsaid = false }: SheetChoices = {},
): TermSheet {
  const term = indexCalendar(calendar, calendar.weekStartsOn ?? 1);
  const meets = classDaysIn(term, meetings);
  const loads = new Map<Day, number>();
  const uncounted = new Set(without);
  for (const { id, role, graded, to } of dates) {
    if (role !== 'due' || !graded || to === null || uncounted.has(id)) continue;
    loads.set(parseDay(to), (loads.get(parseDay(to)) ?? 0) + 1);
  }
  const first = term.weekStart(term.firstDay) - weeksBeyond * WEEK;
  const last = term.weekStart(term.lastDay) + weeksBeyond * WEEK;
  const weeks: SheetWeek[] = [];
  for (let start = first; start <= last; start += WEEK) {
    const days = Array.from({ length: WEEK }, (_, at): SheetDay => {
      const day = start + at;
      return {
        day,
        date: civilDate(day).date,
        isClass: meets.has(day),
        isClosed: term.isClosed(day),
        isExam: term.isExam(day),
        isOutside: !isUnsaid && !term.isInside(day),
        load: loads.get(day) ?? 0,
      };
    });
    const kind = term.weekKind(start);
    const isOutside = days.every((day) => day.isOutside);
    const begins = days.find(({ date }) => date === 1);
    weeks.push({
      start,
      label:
        isOutside || isUnsaid ? '' : kind.is === 'teaching' ? String(kind.number) : kind.is === 'exam' ? 'ex' : '·',
      month: begins !== undefined ? monthWord(civilDate(begins.day).month) : '',
      days,
      load: days.reduce((sum, { load }) => sum + load, 0),
    });
  }
  const loadOn = (day: Day) => ({
    day: loads.get(day) ?? 0,
    week: weeks.find(({ start }) => start <= day && day < start + WEEK)?.load ?? 0,
  });
  const unusual = (day: Day): string | undefined => (isOfEnds && !term.isInside(day) ? undefined : standsOn(term, day));
  return {
    weekStartsOn: term.weekStartsOn,
    weeks,
    loadOn,
    isUnusual: (day) => unusual(day) !== undefined,
    wordsFor(day) {
      const stands = unusual(day);
      const { day: load, week: ofWeek } = loadOn(day);
      const due = load === 0 ? '' : `${ORDINALS[load + 1] ?? `number ${load + 1}`} deadline that day`;
      const week = ofWeek > load ? `${ofWeek} more graded that week` : '';
      const isClass = meets.has(day) ? 'class' : '';
      return [stands ?? isClass, due, week].filter((words) => words !== '').join(' · ');
    },
  };
}

/** Weekdays in the order of the week. */
export const weekdaysFrom = (weekStartsOn: number): number[] =>
  Array.from({ length: WEEK }, (_, at) => ((weekStartsOn - 1 + at) % WEEK) + 1);

/** The day that an arrow leads to; weeks lie side by side. */
export function dayByKey(key: string, day: Day): Day | undefined {
  const steps: Readonly<Record<string, number>> = { ArrowLeft: -WEEK, ArrowRight: WEEK, ArrowUp: -1, ArrowDown: 1 };
  return steps[key] === undefined ? undefined : day + steps[key];
}
