import type { CalendarIndex } from '../calendar/calendarIndex.js';
import { parseMinute, type Day, type Minute, type Weekday } from '../calendar/day.js';
import { countingPattern, listMeetings, type ClassMeeting, type MeetingList } from '../calendar/meetingIndex.js';
import type { Meeting } from '../schemas/calendar.js';
import type { Role } from '../schemas/retimeJob.js';
import { classDayMap, classDaysIn, seriesPattern } from './classDayMap.js';
import type { Step } from './steps.js';

type TiedAt = Extract<Step, { readonly step: 'tied' }>['at'];

/** The class meetings of one name, and those of the new term that answer to them. */
export interface Series {
  /** Without one they are those that have no name. */
  readonly name: string | undefined;
  readonly before: MeetingList;
  readonly after: MeetingList;
  readonly oldPattern: readonly Meeting[];
  readonly newPattern: readonly Meeting[];
  /** Old weekdays of its classes, in the order of the week, and the new ones. */
  readonly oldWeekdays: readonly Weekday[];
  readonly newWeekdays: readonly Weekday[];
  /** The class-day map: new weekday by old; every class stays on its weekday where none answers. */
  readonly dayMap: ReadonlyMap<Weekday, Weekday>;
  /** Both sides meet in numbered weeks only, so that its classes are counted instead of weeks. */
  readonly isAlternate: boolean;
  /** The link of a chain that says how something is tied to its meetings. */
  readonly tied: Readonly<Record<TiedAt, Step>>;
}

/** The class meeting that a moment is tied to. */
export interface Tie {
  readonly series: Series;
  /** Of the series' meetings in the old term. */
  readonly index: number;
  readonly meeting: ClassMeeting;
}

/** Meetings that count for what is tied to none: their number in the old term leads to the same number in the new. */
export interface Counting {
  readonly before: MeetingList;
  readonly after: MeetingList;
}

/**
 * The class meetings of both terms, series by series.
 *
 * @see docs/rules.md, "Classes"
 */
export interface Classes {
  /** In the order in which the old pattern names them. */
  readonly series: readonly Series[];
  /** The series of a name, also one that the old pattern lacks; of `undefined` the one without a name. */
  named(name: string | undefined): Series;
  /** What counts for a moment that names no series. */
  readonly unnamed: Counting;
  /** The meetings of an old day, in order of hour. */
  onDay(day: Day): readonly Tie[];
  /** The meeting of the old term that a moment is tied to. */
  tieOf(day: Day, minute: Minute, role: Role, series: string | undefined): Tie | undefined;
  /** For a moment of a teaching week at the weekday and hours of an alternate series: the last such meeting before it. */
  alternateBefore(day: Day, minute: Minute, series: string | undefined): Tie | undefined;
}

/**
 * @param base  the calendars with weeks of three teaching days as teaching weeks: `weeks` of a pattern are numbers of those
 * @param old   the old calendar with the weeks that count as teaching weeks
 */
export function indexClasses(
  base: { readonly old: CalendarIndex; readonly new: CalendarIndex },
  old: CalendarIndex,
  oldPattern: readonly Meeting[],
  newPattern: readonly Meeting[],
): Classes {
  const known = new Map<string | undefined, Series>();
  const seriesOf = (name: string | undefined): Series => {
    let series = known.get(name);
    if (series === undefined) known.set(name, (series = makeSeries(name, base.old, base.new, oldPattern, newPattern)));
    return series;
  };
  const series = [...new Set(oldPattern.map((meeting) => meeting.series))].map(seriesOf);
  const ties = new Map<Day, Tie[]>();
  const counted = new Map<string | undefined, number>();
  for (const meeting of listMeetings(base.old, oldPattern).meetings) {
    const index = counted.get(meeting.series) ?? 0;
    counted.set(meeting.series, index + 1);
    const tie = { series: seriesOf(meeting.series), index, meeting };
    const ofDay = ties.get(meeting.day);
    if (ofDay === undefined) ties.set(meeting.day, [tie]);
    else ofDay.push(tie);
  }
  const alternating = oldPattern
    .filter((meeting) => seriesOf(meeting.series).isAlternate)
    .map(({ weekday, start, end, series: name }) => ({
      weekday,
      start: parseMinute(start),
      end: parseMinute(end),
      of: seriesOf(name),
    }));
  return {
    series,
    named: seriesOf,
    unnamed: {
      before: listMeetings(base.old, countingPattern(oldPattern, undefined)),
      after: listMeetings(base.new, countingPattern(newPattern, undefined)),
    },
    onDay: (day) => ties.get(day) ?? [],
    tieOf(day, minute, role, name) {
      const ofDay = ties.get(day);
      if (ofDay === undefined) return undefined;
      let first: Tie | undefined;
      for (const tie of ofDay) {
        const { start, end } = tie.meeting;
        if (minute < start || minute > end || (name !== undefined && tie.series.name !== name)) continue;
        if (minute === (role === 'ends' || role === 'closes' ? end : start)) return tie;
        first ??= tie;
      }
      return first;
    },
    alternateBefore(day, minute, name) {
      if (alternating.length === 0) return undefined;
      const isTaught = old.isOpen(day) && !old.isExam(day) && old.weekKind(day).is === 'teaching';
      if (!isTaught) return undefined;
      const weekday = old.runsAs(day);
      const entry = alternating.find(
        ({ weekday: on, start, end, of }) =>
          on === weekday && start <= minute && minute <= end && (name === undefined || of.name === name),
      );
      if (entry === undefined) return undefined;
      const { of, start, end } = entry;
      for (let index = of.before.firstAt(day) - 1; index >= 0; index--) {
        const meeting = of.before.meetings[index]!;
        const isSame = meeting.start === start && meeting.end === end && old.runsAs(meeting.day) === weekday;
        if (isSame) return { series: of, index, meeting };
      }
      return undefined;
    },
  };
}

function makeSeries(
  name: string | undefined,
  old: CalendarIndex,
  to: CalendarIndex,
  allOld: readonly Meeting[],
  allNew: readonly Meeting[],
): Series {
  const { before: oldPattern, after: newPattern } = seriesPattern(name, allOld, allNew);
  const before = listMeetings(old, oldPattern);
  const after = listMeetings(to, newPattern);
  const oldWeekdays = classDaysIn(oldPattern, to.weekStartsOn);
  const newWeekdays = classDaysIn(newPattern, to.weekStartsOn);
  const tiedAt = (at: TiedAt): Step => ({ step: 'tied', at, ...(name === undefined ? {} : { series: name }) });
  const haveWeeks = [...oldPattern, ...newPattern].every(({ weeks }) => weeks !== undefined);
  return {
    name,
    before,
    after,
    oldPattern,
    newPattern,
    oldWeekdays,
    newWeekdays,
    dayMap: classDayMap(oldWeekdays, newWeekdays),
    isAlternate: haveWeeks && before.meetings.length > 0 && after.meetings.length > 0,
    tied: { start: tiedAt('start'), end: tiedAt('end'), during: tiedAt('during') },
  };
}

/** Whether a class meets on a day of the term of this list. */
export const meetsOn = (list: MeetingList, day: Day): boolean => list.firstAt(day) < list.firstAt(day + 1);

/** The hour of what was in one class meeting, in another: its minutes from the start, not past the end; the end is the end. */
export const hourIn = (minute: Minute, before: ClassMeeting, after: ClassMeeting): Minute =>
  minute === before.end ? after.end : Math.min(after.end, after.start + (minute - before.start));
