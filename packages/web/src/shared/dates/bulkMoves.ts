import {
  formatDay,
  formatMoment,
  hourIn,
  indexCalendar,
  indexMeetings,
  meetingsOn,
  parseDay,
  parseMinute,
  readTypedDate,
  standsOn,
  weekStartOf,
  type ClassMeeting,
  type MeetingIndex,
  type PreviewDate,
  type Snapshot,
  type TypedReading,
} from '@yarin/core';

/** New moments by id; dates that are cleared or have nowhere to go are not in it. */
export type Moves = Readonly<Record<string, string>>;

type Dated = Pick<PreviewDate, 'id' | 'to'> & Partial<Pick<PreviewDate, 'from'>>;

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

/** Each where a text leads that somebody typed, read from its own date: “+1 week”, “next class”, “Tue of week 6”, “10 Mar”. */
export function toTyped(dates: readonly Dated[], text: string, reading: Omit<TypedReading, 'at'>): Moves {
  const moves: Record<string, string> = {};
  for (const { id, from, to } of dates) {
    // What was cleared stays so; work that never had a date is given the one that is typed.
    if (to === null && from !== '') continue;
    const read = readTypedDate(text, { ...reading, at: to });
    if (read.ok && read.value !== to) moves[id] = read.value;
  }
  return moves;
}

/** All to one day, each at its own time of day. */
export const toDay = (dates: readonly Dated[], day: string): Moves => movedTo(dates, () => parseDay(day));

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

/** Of moved dates those that come to a closed day, a weekend, outside the term or away from their class, as they did not stand before. */
export interface Falling {
  readonly ids: readonly string[];
  /** “2 on Charter Day, 3 on a Saturday, 1 away from class”. */
  readonly words: string;
  /** The same dates on the next teaching day, of what stood in a class in the next of its series; none where there is none. */
  readonly onward: Moves;
  /** Where they would go on to: “the next teaching day or class”. */
  readonly onwardTo: string;
}

const AWAY = 'away from class';

/** The class in which a date stands, its first and last minute included. */
const classAt = (classes: MeetingIndex, at: string): ClassMeeting | undefined =>
  meetingsOn(classes.all, parseDay(at)).find(({ start, end }) => start <= minuteOf(at) && minuteOf(at) <= end);
const minuteOf = (at: string): number => parseMinute(at, 'YYYY-MM-DDT'.length);

export function fallingOf(
  dates: readonly Dated[],
  moves: Moves,
  { calendar, meetings }: Pick<Snapshot, 'calendar' | 'meetings'>,
): Falling {
  const term = indexCalendar(calendar, calendar.weekStartsOn ?? 1);
  const classes = indexMeetings(term, meetings);
  const counts = new Map<string, number>();
  const onward: Record<string, string> = {};
  const ids: string[] = [];
  const kinds = { day: false, class: false };
  for (const { id, to } of dates) {
    const at = moves[id];
    if (at === undefined || to === null) continue;
    const held = classAt(classes, to);
    const day = parseDay(at);
    const ofSeries = held === undefined ? undefined : classes.counting(held.series);
    const isAway = ofSeries !== undefined && meetingsOn(ofSeries, day).length === 0;
    const where = standsOn(term, day) ?? (isAway ? AWAY : undefined);
    if (where === undefined || standsOn(term, parseDay(to)) !== undefined) continue;
    ids.push(id);
    counts.set(where, (counts.get(where) ?? 0) + 1);
    if (held === undefined || ofSeries === undefined) {
      kinds.day = true;
      const next = term.teachingDays[term.teachingDaysBefore(day)];
      if (next !== undefined) onward[id] = `${formatDay(next)}${at.slice(10)}`;
    } else {
      kinds.class = true;
      const next = ofSeries.meetings[ofSeries.firstAt(day)];
      if (next !== undefined) onward[id] = formatMoment(next.day, hourIn(minuteOf(to), held, next));
    }
  }
  const words = [...counts].map(
    ([where, count]) => `${count} ${/^(?:before|after|away|runs)/.test(where) ? '' : 'on '}${where}`,
  );
  const onwardTo = [...(kinds.day ? ['teaching day'] : []), ...(kinds.class ? ['class'] : [])].join(' or ');
  return { ids, words: words.join(', '), onward, onwardTo: `the next ${onwardTo}` };
}

/** The same week, another weekday by the calendar. */
export const toWeekday = (dates: readonly Dated[], weekday: number, weekStartsOn = 1): Moves =>
  movedTo(dates, (day) => weekStartOf(day, weekStartsOn) + ((weekday - weekStartsOn + 7) % 7));

/** Several dates moved together by as many days as one of them was dragged. */
export function along(dates: readonly Dated[], dragged: Dated, day: string): Moves {
  const days = dragged.to === null ? 0 : parseDay(day) - parseDay(dragged.to);
  return byDays(dates, days);
}
