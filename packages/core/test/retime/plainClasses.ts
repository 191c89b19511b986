import type { Meeting } from '../../src/schemas/calendar.js';
import type { Met, PlainCalendar } from './plainCalendar.js';

/** A class meeting of the old term, with the number that it has in its series, from 0. */
export interface PlainTie {
  readonly met: Met;
  readonly series: PlainSeries;
  readonly number: number;
}

/** A series and what answers to it, read off both patterns. */
export interface PlainSeries {
  readonly name: string | undefined;
  readonly old: readonly Meeting[];
  readonly new: readonly Meeting[];
  readonly before: readonly Met[];
  readonly after: readonly Met[];
}

/** Round, halves up. */
export const share = (index: number, n: number, m: number): number =>
  n === 1 ? 0 : Math.floor((index * (m - 1)) / (n - 1) + 0.5 + 1e-9);

/** The sentences of docs/rules.md, "Classes", done one by one. */
export class PlainClasses {
  constructor(
    readonly from: PlainCalendar,
    readonly to: PlainCalendar,
  ) {}

  series(name: string | undefined): PlainSeries {
    const [old, all] = [this.from.side.meetings ?? [], this.to.side.meetings ?? []];
    const mine = old.filter((meeting) => meeting.series === name);
    const same = all.filter((meeting) => meeting.series === name);
    const theirs =
      same.length > 0 ? same : all.filter((meeting) => old.every((other) => other.series !== meeting.series));
    return { name, old: mine, new: theirs, before: this.from.meetings(mine), after: this.to.meetings(theirs) };
  }

  isAlternate({ old, new: theirs, before, after }: PlainSeries): boolean {
    const numbered = [...old, ...theirs].every(({ weeks }) => weeks !== undefined);
    return before.length > 0 && after.length > 0 && numbered;
  }

  private weekdays(pattern: readonly Meeting[]): number[] {
    const start = this.to.weekStartsOn;
    const order = [0, 1, 2, 3, 4, 5, 6].map((at) => ((start - 1 + at) % 7) + 1);
    return order.filter((weekday) => pattern.some((meeting) => meeting.weekday === weekday));
  }

  classDay(series: PlainSeries, weekday: number): number {
    const mine = this.weekdays(series.old);
    const theirs = this.weekdays(series.new);
    const index = mine.indexOf(weekday);
    if (theirs.length === 0) return weekday;
    if (mine.length === theirs.length) return theirs[index]!;
    return theirs.includes(weekday) ? weekday : theirs[share(index, mine.length, theirs.length)]!;
  }

  /** The weekday that a class of this weekday goes to. */
  mapped(series: PlainSeries, weekday: number, named: Readonly<Record<string, number>>): number {
    const wanted = named[String(weekday)];
    const has = wanted !== undefined && series.new.some((meeting) => meeting.weekday === wanted);
    return has ? wanted : this.classDay(series, weekday);
  }

  tie(day: number, minute: number, role: string, named: string | undefined): PlainTie | undefined {
    const containing = this.from
      .meetings()
      .filter((met) => met.day === day && met.start <= minute && minute <= met.end)
      .filter((met) => named === undefined || met.series === named);
    const edge = role === 'ends' || role === 'closes' ? 'end' : 'start';
    const met = containing.find((each) => each[edge] === minute) ?? containing[0];
    return met === undefined ? undefined : this.tieTo(met);
  }

  tieTo(met: Met): PlainTie {
    const series = this.series(met.series);
    // Of meetings that look the same the one that stands at the same place among its like.
    const like = (other: Met): boolean => other.day === met.day && other.start === met.start && other.end === met.end;
    const among = this.from.meetings().filter((other) => other.series === met.series && like(other));
    const nth = among.indexOf(met);
    const number = series.before.indexOf(series.before.filter(like)[nth]!);
    return { met, series, number };
  }

  /** The meeting of an alternate series that something at its weekday and hours goes weeks on from. */
  alternateBefore(day: number, minute: number, named: string | undefined): PlainTie | undefined {
    const { from } = this;
    if (!from.isOpen(day) || from.isExam(day) || from.numberOf(from.week(day)) === 0) return undefined;
    const clock = (text: string): number => Number(text.slice(0, 2)) * 60 + Number(text.slice(3));
    const entry = (from.side.meetings ?? []).find(
      (meeting) =>
        meeting.weekday === from.runsAs(day) &&
        clock(meeting.start) <= minute &&
        minute <= clock(meeting.end) &&
        (named === undefined || named === meeting.series) &&
        this.isAlternate(this.series(meeting.series)),
    );
    if (entry === undefined) return undefined;
    const last = from
      .meetings()
      .filter((met) => met.series === entry.series && met.day < day)
      .filter((met) => met.start === clock(entry.start) && met.end === clock(entry.end))
      .filter((met) => from.runsAs(met.day) === entry.weekday)
      .at(-1);
    return last === undefined ? undefined : this.tieTo(last);
  }

  answersOn(series: PlainSeries, day: number): Met[] {
    return series.after.filter((met) => met.day === day);
  }
}

/** A time of day in another meeting: its minutes from the start, not past the end; the old end is the new end. */
export const hourIn = (minute: number, before: Met, after: Met): number =>
  minute === before.end ? after.end : Math.min(after.start + minute - before.start, after.end);
