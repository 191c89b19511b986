import {
  formatDay,
  indexCalendar,
  indexMeetings,
  parseDay,
  weekStartOf,
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

/** The day of the next class meeting behind each date. */
export function toNextClass(
  dates: readonly Dated[],
  { calendar, meetings }: Pick<Snapshot, 'calendar' | 'meetings'>,
): Moves {
  const index = indexCalendar(calendar, calendar.weekStartsOn ?? 1);
  const list = indexMeetings(index, meetings).counting(undefined);
  return movedTo(dates, (day) => list.meetings[list.firstAt(day + 1)]?.day);
}

/** The same week, another weekday by the calendar. */
export const toWeekday = (dates: readonly Dated[], weekday: number, weekStartsOn = 1): Moves =>
  movedTo(dates, (day) => weekStartOf(day, weekStartsOn) + ((weekday - weekStartsOn + 7) % 7));

/** Several dates moved together by as many days as one of them was dragged. */
export function along(dates: readonly Dated[], dragged: Dated, day: string): Moves {
  const days = dragged.to === null ? 0 : parseDay(day) - parseDay(dragged.to);
  return byDays(dates, days);
}
