import { indexCalendar } from '../../calendar/calendarIndex.js';
import { dayWords } from '../../calendar/dateWords.js';
import { parseDay, parseMinute } from '../../calendar/day.js';
import { indexMeetings, type ClassMeeting } from '../../calendar/meetingIndex.js';
import { firstFew } from '../../firstFew.js';
import type { Meeting } from '../../schemas/calendar.js';
import { originOf } from '../sources/joinSources.js';
import type { LooseEnd, PlanCheck } from './looseEnd.js';

/** A course has an event for its classes when it has one for nearly all of them. */
const NEARLY_ALL = 0.9;
const FEWEST = 4;

const TIME_AT = 'YYYY-MM-DDT'.length;
const startKey = (at: string): string => `${parseDay(at)} ${parseMinute(at, TIME_AT)}`;
const keyOf = ({ day, start }: ClassMeeting): string => `${day} ${start}`;

const seriesIn = (pattern: readonly Meeting[]): ReadonlySet<string | undefined> =>
  new Set(pattern.map(({ series }) => series));

/**
 * Classes of the new term for which no event comes, where the old course had one for its every class: the new term has
 * more of them. One line a series.
 *
 * @see docs/rules.md, "Classes without an event"
 */
export const classWithoutEvent: PlanCheck = ({ input: { source, shell, joined }, preview: { dates } }) => {
  const weekStartsOn = shell.calendar.weekStartsOn ?? 1;
  const next = indexMeetings(indexCalendar(shell.calendar, weekStartsOn), shell.meetings);
  return (joined?.sources ?? [source]).flatMap(({ course, calendar, meetings }) => {
    if (meetings.length === 0 || shell.meetings.length === 0) return [];
    const before = indexMeetings(indexCalendar(calendar, weekStartsOn), meetings);
    const starts = dates.filter(
      ({ role, kind, item }) =>
        role === 'starts' &&
        kind === 'event' &&
        (joined === undefined || originOf({ source, joined }, item).course === course.id),
    );
    if (starts.length < FEWEST) return [];
    const was = new Set(starts.map(({ from }) => startKey(from)));
    const is = new Set(starts.flatMap(({ to }) => (to === null ? [] : [startKey(to)])));
    return [...seriesIn(meetings)].flatMap((series): LooseEnd[] => {
      const old = before.counting(series).meetings;
      const covered = old.filter((meeting) => was.has(keyOf(meeting))).length;
      if (covered < FEWEST || covered < old.length * NEARLY_ALL) return [];
      const without = next.counting(series).meetings.filter((meeting) => !is.has(keyOf(meeting)));
      return without.length === 0 ? [] : [endFor(without, series, starts.at(-1)!.item)];
    });
  });
};

function endFor(without: readonly ClassMeeting[], series: string | undefined, item: string): LooseEnd {
  const what = series === undefined ? 'class' : `${series} class`;
  return {
    code: 'classWithoutEvent',
    severity: 'untidy',
    sentence:
      without.length === 1
        ? `The new term has one ${what} more, without an event`
        : `The new term has ${without.length} ${what}es more, without an event`,
    detail: firstFew(without.map(({ day }) => dayWords(day))),
    items: [item],
  };
}
