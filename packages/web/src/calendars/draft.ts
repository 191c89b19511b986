import { closureName, formatDay, indexCalendar, parseDay, type Calendar, type Closure } from '@yarin/core';
import { spanWords } from '../shared/readersDates.js';

// What a person does to a calendar, each as a function from one calendar to the next.

export interface Span {
  readonly from: string;
  readonly to: string;
}

export const isIn = (day: string, { from, to }: Span): boolean => from <= day && day <= to;
export const overlap = (a: Span, b: Span): boolean => a.from <= b.to && b.from <= a.to;

const inOrder = (closures: readonly Closure[]): Closure[] =>
  [...closures].sort((a, b) => a.from.localeCompare(b.from) || a.to.localeCompare(b.to));

const isSame = (a: Closure, b: Closure): boolean =>
  a.from === b.from && a.to === b.to && a.kind === b.kind && closureName(a) === closureName(b);

/** Those that are not there yet; nothing is doubled by adding it twice. */
export const notThereYet = (calendar: Calendar, closures: readonly Closure[]): Closure[] =>
  closures.filter(
    (closure, index) =>
      !(calendar.closures ?? []).some((known) => isSame(known, closure)) &&
      closures.findIndex((each) => isSame(each, closure)) === index,
  );

export const addClosures = (calendar: Calendar, closures: readonly Closure[]): Calendar => ({
  ...calendar,
  closures: inOrder([...(calendar.closures ?? []), ...notThereYet(calendar, closures)]),
});

export const removeClosure = (calendar: Calendar, closure: Closure): Calendar => ({
  ...calendar,
  closures: (calendar.closures ?? []).filter((each) => each !== closure),
});

export const changeClosure = (calendar: Calendar, closure: Closure, change: Partial<Closure>): Calendar => ({
  ...calendar,
  closures: inOrder((calendar.closures ?? []).map((each) => (each === closure ? { ...each, ...change } : each))),
});

/** Lets a day run the timetable of another weekday; its own again with `null`. */
export function runAs(calendar: Calendar, date: string, runsAs: number | null): Calendar {
  const others = (calendar.swaps ?? []).filter((swap) => swap.date !== date);
  const swaps = runsAs === null ? others : [...others, { date, runsAs }];
  return { ...calendar, swaps: swaps.sort((a, b) => a.date.localeCompare(b.date)) };
}

/** The closures of another term, as many weeks into this one as they were into that. */
export function closuresFrom(other: Calendar, calendar: Calendar): Closure[] {
  const weekStartsOn = calendar.weekStartsOn ?? 1;
  const [theirs, ours] = [indexCalendar(other, weekStartsOn), indexCalendar(calendar, weekStartsOn)];
  const shift = ours.weekStart(ours.firstDay) - theirs.weekStart(theirs.firstDay);
  const moved = (date: string): string => formatDay(parseDay(date) + shift);
  return (other.closures ?? [])
    .map((closure) => ({ ...closure, from: moved(closure.from), to: moved(closure.to) }))
    .filter((closure) => overlap(closure, { from: calendar.firstDay, to: calendar.lastDay }))
    .map((closure) => (closure.kind === 'exams' ? insideTerm(closure, calendar) : closure));
}

/** Exams lie inside their term: what reaches out of it is cut off. */
const insideTerm = (closure: Closure, { firstDay, lastDay }: Calendar): Closure => ({
  ...closure,
  from: closure.from < firstDay ? firstDay : closure.from,
  to: closure.to > lastDay ? lastDay : closure.to,
});

/** “Spring break, 15–21 Mar”. */
export const closureWords = (closure: Closure): string => `${closureName(closure)}, ${spanWords(closure)}`;
