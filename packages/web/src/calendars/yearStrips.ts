import { civilDate, dayFrom, indexCalendar, monthWord, parseDay, type Day, type TermCalendar } from '@yarin/core';

export interface StripWeek {
  readonly at: number;
  readonly width: number;
  readonly is: 'teaching' | 'exam' | 'break';
  readonly label: string;
}

export interface TermStrip {
  readonly term: TermCalendar;
  readonly teachingWeeks: number;
  /** In days from the first of the year's strip. */
  readonly from: number;
  readonly until: number;
  readonly weeks: readonly StripWeek[];
  readonly closed: readonly { readonly at: number; readonly days: number; readonly label: string }[];
}

export interface YearStrip {
  readonly year: number;
  readonly days: number;
  readonly months: readonly { readonly at: number; readonly name: string }[];
  /** Day of the year that it is, when it is in this year. */
  readonly today: number | null;
  readonly terms: readonly TermStrip[];
}

/** The terms of each year as strips on one scale, the latest year first; a term stands in the year in which it begins. */
export function yearStrips(terms: readonly TermCalendar[], now: string): YearStrip[] {
  const years = new Map<number, TermCalendar[]>();
  for (const term of terms) {
    const year = Number(term.calendar.firstDay.slice(0, 4));
    years.set(year, [...(years.get(year) ?? []), term]);
  }
  return [...years]
    .sort(([a], [b]) => b - a)
    .map(([year, mine]) => {
      const first = dayFrom(year, 1, 1);
      const last = Math.max(dayFrom(year, 12, 31), ...mine.map(({ calendar }) => parseDay(calendar.lastDay)));
      const today = parseDay(now) - first;
      return {
        year,
        days: last - first + 1,
        months: monthsFrom(first, last),
        today: today >= 0 && today <= last - first ? today : null,
        terms: [...mine].sort(byStart).map((term) => stripOf(term, first)),
      };
    });
}

const byStart = (a: TermCalendar, b: TermCalendar): number =>
  a.calendar.firstDay.localeCompare(b.calendar.firstDay) || b.calendar.lastDay.localeCompare(a.calendar.lastDay);

function monthsFrom(first: Day, last: Day): { at: number; name: string }[] {
  const months: { at: number; name: string }[] = [];
  for (let day = first; day <= last; day++) {
    const { month, date } = civilDate(day);
    if (date === 1) months.push({ at: day - first, name: monthWord(month) });
  }
  return months;
}

function stripOf(term: TermCalendar, first: Day): TermStrip {
  const { calendar } = term;
  const index = indexCalendar(calendar, calendar.weekStartsOn ?? 1);
  const weeks: StripWeek[] = [];
  for (let week = index.weekStart(index.firstDay); week <= index.lastDay; week += 7) {
    const kind = index.weekKind(week);
    const from = Math.max(week, index.firstDay);
    const until = Math.min(week + 6, index.lastDay);
    const is = kind.is === 'exam' ? 'exam' : kind.is === 'teaching' ? 'teaching' : 'break';
    const label = kind.is === 'teaching' ? String(kind.number) : '';
    weeks.push({ at: from - first, width: until - from + 1, is, label });
  }
  const closed = (calendar.closures ?? [])
    .filter(({ kind, from, to }) => kind !== 'exams' && from <= calendar.lastDay && to >= calendar.firstDay)
    .map(({ from, to, label, kind }) => {
      const start = Math.max(parseDay(from), index.firstDay);
      const end = Math.min(parseDay(to), index.lastDay);
      return { at: start - first, days: end - start + 1, label: label ?? kind };
    });
  return {
    term,
    teachingWeeks: index.teachingWeeks.length,
    from: index.firstDay - first,
    until: index.lastDay - first + 1,
    weeks,
    closed,
  };
}
