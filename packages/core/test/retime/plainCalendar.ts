import { formatDay, parseDay, parseMinute, weekdayOf, weekStartOf } from '../../src/calendar/day.js';
import type { Meeting } from '../../src/schemas/calendar.js';
import type { TermSide } from '../../src/schemas/retimeJob.js';

/** One class meeting of a term. */
export interface Met {
  readonly day: number;
  readonly start: number;
  readonly end: number;
  readonly series: string | undefined;
}

/** A list that is made when it is first asked for. */
const once = <List>(make: () => List): (() => List) => {
  let list: List | undefined;
  return () => (list ??= make());
};

/**
 * A term as somebody reads it off a wall calendar: lists of days, filtered by what is asked. It is what the indexed
 * calendar is compared with.
 */
export class PlainCalendar {
  readonly first: number;
  readonly last: number;
  /** First days of the weeks that count as teaching weeks beside those with three teaching days. */
  counted: readonly number[] = [];
  private readonly listed = new Map<string, Met[]>();

  constructor(
    readonly side: TermSide,
    readonly weekStartsOn: number,
  ) {
    this.first = parseDay(side.calendar.firstDay);
    this.last = parseDay(side.calendar.lastDay);
  }

  private covered(day: number, exams: boolean): boolean {
    const date = formatDay(day);
    return (this.side.calendar.closures ?? []).some(
      ({ from, to, kind }) => (kind === 'exams') === exams && from <= date && date <= to,
    );
  }
  runsAs(day: number): number {
    const date = formatDay(day);
    return (this.side.calendar.swaps ?? []).find((swap) => swap.date === date)?.runsAs ?? weekdayOf(day);
  }
  isWeekend = (day: number): boolean => this.runsAs(day) >= 6;
  isInside = (day: number): boolean => day >= this.first && day <= this.last;
  isClosed = (day: number): boolean => this.isInside(day) && this.covered(day, false);
  isOpen = (day: number): boolean => this.isInside(day) && !this.covered(day, false);
  isExam = (day: number): boolean => this.isOpen(day) && this.covered(day, true);
  isTeaching = (day: number): boolean => this.isOpen(day) && !this.isWeekend(day) && !this.isExam(day);
  /** Open for a moment that was, or was not, inside the old term. */
  isOpenFor = (day: number, wasInside: boolean): boolean => (this.isInside(day) ? this.isOpen(day) : !wasInside);

  week = (day: number): number => weekStartOf(day, this.weekStartsOn);
  daysOf = (week: number): number[] => [0, 1, 2, 3, 4, 5, 6].map((at) => week + at);
  days(): number[] {
    return Array.from({ length: this.last - this.first + 1 }, (_, at) => this.first + at);
  }
  teachingDays = once((): number[] => this.days().filter(this.isTeaching));
  weeks = once((): number[] => [...new Set(this.days().map(this.week))]);
  /** Weeks with three teaching days, of which `weeks` of a pattern are numbers. */
  taughtWeeks = once((): number[] =>
    this.weeks().filter((week) => this.daysOf(week).filter(this.isTeaching).length >= 3),
  );
  teachingWeeks = once((): number[] =>
    this.weeks().filter((week) => this.taughtWeeks().includes(week) || this.counted.includes(week)),
  );
  /** Weeks in which the class meets, or without a pattern anything is taught. */
  weeksWithClass(): number[] {
    const days = (this.side.meetings ?? []).length === 0 ? this.teachingDays() : this.meetings().map(({ day }) => day);
    return [...new Set(days.map(this.week))];
  }
  /** The week itself if it is a teaching week, else the one before, else week 1; as a number. */
  numberBy = (day: number): number =>
    Math.max(
      1,
      this.numberOf(
        this.teachingWeeks()
          .filter((week) => week <= day)
          .at(-1) ?? this.teachingWeeks()[0]!,
      ),
    );
  /** The number of a teaching week, from 1; 0 when it is none. */
  numberOf = (week: number): number => this.teachingWeeks().indexOf(week) + 1;
  isExamWeek = (week: number): boolean => this.numberOf(week) === 0 && this.daysOf(week).some(this.isExam);
  isBreakWeek = (week: number): boolean =>
    this.numberOf(week) === 0 &&
    !this.isExamWeek(week) &&
    week >= this.teachingWeeks()[0]! &&
    week <= this.week(this.last);

  /** Runs of exam days with no teaching day between them. */
  periods = once((): number[][] => {
    const periods: number[][] = [];
    let isRunning = false;
    for (const day of this.days()) {
      if (this.isTeaching(day)) isRunning = false;
      if (!this.isExam(day)) continue;
      if (isRunning) periods.at(-1)!.push(day);
      else periods.push([day]);
      isRunning = true;
    }
    return periods;
  });

  patternFor(series: string | undefined): readonly Meeting[] {
    const pattern = this.side.meetings ?? [];
    if (series !== undefined) return pattern.filter((meeting) => meeting.series === series);
    const plain = pattern.filter((meeting) => meeting.series === undefined);
    return plain.length > 0 ? plain : pattern;
  }
  meetings = (pattern: readonly Meeting[] = this.side.meetings ?? []): Met[] => {
    const key = JSON.stringify(pattern);
    const known = this.listed.get(key);
    if (known !== undefined) return known;
    const meetings = this.days()
      .filter((day) => this.isOpen(day) && !this.isExam(day))
      .flatMap((day) =>
        pattern
          .filter(({ weekday }) => weekday === this.runsAs(day))
          .filter(({ weeks }) => weeks === undefined || weeks.includes(this.taughtWeeks().indexOf(this.week(day)) + 1))
          .map(({ start, end, series }) => ({ day, start: parseMinute(start), end: parseMinute(end), series }))
          .sort((a, b) => a.start - b.start || a.end - b.end),
      );
    this.listed.set(key, meetings);
    return meetings;
  };
}
