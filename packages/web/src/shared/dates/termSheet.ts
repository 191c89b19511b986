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
  /** What is unusual about a day, with what is due on it. */
  wordsFor(day: Day): string;
}

/** A date as far as it makes work. */
export type Load = Pick<PreviewDate, 'id' | 'role' | 'graded' | 'to'>;

export type Time = Pick<Snapshot, 'calendar' | 'meetings'>;

const WEEK = 7;
/** Weeks shown before the first day and after the last. */
const BEYOND = 1;
const ORDINALS = ['', 'the first', 'the second', 'the third', 'the fourth', 'the fifth'];

/**
 * @param dates    what is dated in the term; graded work counts
 * @param without  the date that is being set, which counts nowhere
 */
export function termSheet({ calendar, meetings }: Time, dates: readonly Load[], without?: string): TermSheet {
  const term = indexCalendar(calendar, calendar.weekStartsOn ?? 1);
  const meets = classDaysIn(term, meetings);
  const loads = new Map<Day, number>();
  for (const { id, role, graded, to } of dates) {
    if (role !== 'due' || !graded || to === null || id === without) continue;
    loads.set(parseDay(to), (loads.get(parseDay(to)) ?? 0) + 1);
  }
  const first = term.weekStart(term.firstDay) - BEYOND * WEEK;
  const last = term.weekStart(term.lastDay) + BEYOND * WEEK;
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
        isOutside: !term.isInside(day),
        load: loads.get(day) ?? 0,
      };
    });
    const kind = term.weekKind(start);
    const isOutside = days.every((day) => day.isOutside);
    const begins = days.find(({ date }) => date === 1);
    weeks.push({
      start,
      label: isOutside ? '' : kind.is === 'teaching' ? String(kind.number) : kind.is === 'exam' ? 'ex' : '·',
      month: begins !== undefined ? monthWord(civilDate(begins.day).month) : '',
      days,
      load: days.reduce((sum, { load }) => sum + load, 0),
    });
  }
  const weekLoad = (day: Day): number => weeks.find(({ start }) => start <= day && day < start + WEEK)?.load ?? 0;
  return {
    weekStartsOn: term.weekStartsOn,
    weeks,
    wordsFor(day) {
      const stands = standsOn(term, day);
      const load = loads.get(day) ?? 0;
      const ofWeek = weekLoad(day);
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
