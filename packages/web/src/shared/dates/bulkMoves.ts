import {
  formatDay,
  formatMoment,
  indexCalendar,
  indexMeetings,
  parseDay,
  standsOn,
  weekStartOf,
  type Calendar,
  type PreviewDate,
  type Snapshot,
} from '@yarin/core';

/** New moments by id; dates that are cleared or have nowhere to go are not in it. */
export type Moves = Readonly<Record<string, string>>;

type Dated = Pick<PreviewDate, 'id' | 'to'>;

/** Each date to another day, at its own time of day. */
function movedTo(dates: readonly Dated[], dayFor: (day: number) => number | undefined): Moves {
  const moves: Record<string, string> = {};
  for (const { id, to } of dates) {
    if (to === null) continue;
    const day = dayFor(parseDay(to));
    if (day !== undefined && day !== parseDay(to)) moves[id] = `${formatDay(day)}${to.slice(10)}`;
  }
  return moves;
}

export const byDays = (dates: readonly Dated[], days: number): Moves => movedTo(dates, (day) => day + days);

/** The next class meeting behind each date, at its hour. */
export function toNextClass(
  dates: readonly Dated[],
  { calendar, meetings }: Pick<Snapshot, 'calendar' | 'meetings'>,
): Moves {
  const index = indexCalendar(calendar, calendar.weekStartsOn ?? 1);
  const list = indexMeetings(index, meetings).counting(undefined);
  return Object.fromEntries(
    dates.flatMap(({ id, to }) => {
      const next = to === null ? undefined : list.meetings[list.firstAt(parseDay(to) + 1)];
      return next === undefined ? [] : [[id, formatMoment(next.day, next.start)]];
    }),
  );
}

/** Of moved dates those that come to a closed day, a weekend or outside the term, where they did not stand before. */
export interface Falling {
  readonly ids: readonly string[];
  /** “2 on Charter Day, 3 on a Saturday”. */
  readonly words: string;
  /** The same dates on the next teaching day; of those on which nothing is taught after it none. */
  readonly onward: Moves;
}

export function fallingOf(dates: readonly Dated[], moves: Moves, calendar: Calendar): Falling {
  const term = indexCalendar(calendar, calendar.weekStartsOn ?? 1);
  const were = new Map(dates.map(({ id, to }) => [id, to]));
  const counts = new Map<string, number>();
  const onward: Record<string, string> = {};
  const ids: string[] = [];
  for (const [id, at] of Object.entries(moves)) {
    const where = standsOn(term, parseDay(at));
    const was = were.get(id);
    const stoodSo = was !== null && was !== undefined && standsOn(term, parseDay(was)) !== undefined;
    if (where === undefined || stoodSo) continue;
    ids.push(id);
    counts.set(where, (counts.get(where) ?? 0) + 1);
    const next = term.teachingDays[term.teachingDaysBefore(parseDay(at))];
    if (next !== undefined) onward[id] = `${formatDay(next)}${at.slice(10)}`;
  }
  const words = [...counts].map(
    ([where, count]) => `${count} ${/^(?:before|after|runs)/.test(where) ? '' : 'on '}${where}`,
  );
  return { ids, words: words.join(', '), onward };
}

/** The same week, another weekday by the calendar. */
export const toWeekday = (dates: readonly Dated[], weekday: number, weekStartsOn = 1): Moves =>
  movedTo(dates, (day) => weekStartOf(day, weekStartsOn) + ((weekday - weekStartsOn + 7) % 7));

/** Several dates moved together by as many days as one of them was dragged. */
export function along(dates: readonly Dated[], dragged: Dated, day: string): Moves {
  const days = dragged.to === null ? 0 : parseDay(day) - parseDay(dragged.to);
  return byDays(dates, days);
}
