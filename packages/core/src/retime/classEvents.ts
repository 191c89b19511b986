import { meetingsOn, countingPattern, type ClassMeeting } from '../calendar/meetingIndex.js';
import type { Meeting } from '../schemas/calendar.js';
import { startOf, type Moving } from './moving.js';
import type { Terms } from './terms.js';

/** The class meeting of the old term that begins and ends with these two moments, if there is one. */
export function meetingBetween(terms: Terms, starts: Moving, ends: Moving): ClassMeeting | undefined {
  if (starts.oldDay !== ends.oldDay) return undefined;
  const same = meetingsOn(terms.oldMeetings.all, starts.oldDay).filter(
    ({ start, end }) => start === starts.oldMinute && end === ends.oldMinute,
  );
  return same.find(({ series }) => series === starts.moment.series) ?? same[0];
}

/**
 * The class meeting that a class event is: an event whose `starts` and `ends` are those of a class meeting.
 *
 * @param group  the moments of one item for the same people
 */
export function classMeetingOf(terms: Terms, group: readonly Moving[]): ClassMeeting | undefined {
  if (group[0]!.moment.kind !== 'event') return undefined;
  const starts = group.filter(({ moment }) => moment.role === 'starts');
  const ends = group.filter(({ moment }) => moment.role === 'ends');
  if (starts.length === 0 || ends.length !== starts.length) return undefined;
  let first: ClassMeeting | undefined;
  for (const end of ends) {
    const meeting = meetingBetween(terms, startOf(end, starts)!, end);
    if (meeting === undefined) return undefined;
    first ??= meeting;
  }
  return first;
}

const everyHowMany = (pattern: readonly Meeting[]): string =>
  pattern
    .map(({ weeks }) => weeks?.length ?? Infinity)
    .sort((a, b) => a - b)
    .join();

/** Both patterns have equally many meetings a week that count for the series. */
export function meetsAsOften(terms: Terms, series: string | undefined): boolean {
  const before = countingPattern(terms.oldMeetings.pattern, series);
  const after = countingPattern(terms.newMeetings.pattern, series);
  return before.length > 0 && everyHowMany(before) === everyHowMany(after);
}
