import {
  civilDate,
  closureName,
  formatDay,
  indexCalendar,
  weekdayWord,
  type Calendar,
  type CalendarIndex,
  type Day,
  monthWord,
} from '@yarin/core';
import { dateWords } from '../shared/readersDates.js';

export interface GridDay {
  /** `YYYY-MM-DD`. */
  readonly date: string;
  readonly number: number;
  readonly is: 'teaching' | 'weekend' | 'closed' | 'exam' | 'outside';
  /** Name of the closure, on its first day and on top of each week that it goes on in. */
  readonly label: string;
  /** The weekday whose timetable runs, when it is another than its own. */
  readonly runsAs: string;
  readonly isClassDay: boolean;
  /** Everything about the day, to be read out. */
  readonly words: string;
}

export interface GridWeek {
  readonly start: number;
  /** “1” to “15”, “break”, “exams”, or nothing. */
  readonly label: string;
  /** Of the first week and wherever a month begins: its name. */
  readonly month: string;
  readonly days: readonly GridDay[];
}

const DAYS = [0, 1, 2, 3, 4, 5, 6];

/**
 * A term as a strip of weeks, one column a week and one row a weekday. The calendar has to be sound.
 *
 * @param classDays  days on which class meets
 */
export function gridOf(calendar: Calendar, classDays: ReadonlySet<Day> = new Set()): GridWeek[] {
  const index = indexCalendar(calendar, calendar.weekStartsOn ?? 1);
  const swaps = new Map((calendar.swaps ?? []).map(({ date, runsAs }) => [date, runsAs]));
  const weeks: GridWeek[] = [];
  for (let start = index.weekStart(index.firstDay); start <= index.lastDay; start += 7) {
    const days = DAYS.map((at) => dayOf(index, start + at, at === 0, swaps, classDays));
    const first = DAYS.map((at) => civilDate(start + at)).find(({ date }) => date === 1);
    const month = first ?? (weeks.length === 0 ? civilDate(index.firstDay) : undefined);
    weeks.push({
      start,
      label: weekWords(index, start),
      month: month === undefined ? '' : monthWord(month.month),
      days,
    });
  }
  return weeks;
}

/** Names of the rows, in their order. */
export const rowNames = ({ weekStartsOn = 1 }: Calendar): string[] =>
  DAYS.map((at) => weekdayWord(((weekStartsOn - 1 + at) % 7) + 1));

function weekWords(index: CalendarIndex, week: number): string {
  const kind = index.weekKind(week);
  if (kind.is === 'teaching') return String(kind.number);
  return kind.is === 'exam' ? 'exams' : kind.is === 'break' ? 'break' : '';
}

function dayOf(
  index: CalendarIndex,
  day: number,
  isTop: boolean,
  swaps: ReadonlyMap<string, number>,
  classDays: ReadonlySet<Day>,
): GridDay {
  const date = formatDay(day);
  const closure = index.isInside(day) ? index.closureAt(day) : undefined;
  const is = !index.isInside(day)
    ? 'outside'
    : index.isClosed(day)
      ? 'closed'
      : index.isExam(day)
        ? 'exam'
        : index.isTeaching(day)
          ? 'teaching'
          : 'weekend';
  const starts = closure !== undefined && (isTop || closure.from === date || day === index.firstDay);
  const swapped = swaps.get(date);
  const runsAs = swapped === undefined ? '' : weekdayWord(swapped);
  const isClassDay = classDays.has(day);
  const { date: number } = civilDate(day);
  return {
    date,
    number,
    is,
    label: starts ? closureName(closure) : '',
    runsAs,
    isClassDay,
    words: [
      dateWords(day),
      closure === undefined ? '' : closureName(closure),
      runsAs === '' ? '' : `runs as ${runsAs}`,
      is === 'outside' ? 'outside the term' : '',
      isClassDay ? 'class' : '',
    ]
      .filter((words) => words !== '')
      .join(', '),
  };
}
