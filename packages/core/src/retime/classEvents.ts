import { countingPattern, meetingsOn, type ClassMeeting } from '../calendar/meetingIndex.js';
import type { Meeting } from '../schemas/calendar.js';
import { startOf, type ItemGroup, type Moving, type Place } from './moving.js';
import type { Terms } from './terms.js';

/** The class meeting of the old term that begins and ends with these two moments, if there is one. */
export function meetingBetween(terms: Terms, moving: Moving, starts: Place, ends: Place): ClassMeeting | undefined {
  const { oldDays, oldMinutes, moments } = moving;
  if (oldDays[starts] !== oldDays[ends]) return undefined;
  const same = meetingsOn(terms.oldMeetings.all, oldDays[starts]!).filter(
    ({ start, end }) => start === oldMinutes[starts] && end === oldMinutes[ends],
  );
  return same.find(({ series }) => series === moments[starts]!.series) ?? same[0];
}

/** The class meeting that a class event is: an event whose `starts` and `ends` are those of a class meeting. */
export function classMeetingOf(terms: Terms, moving: Moving, group: ItemGroup): ClassMeeting | undefined {
  const { moments } = moving;
  if (moments[group[0]!]!.kind !== 'event') return undefined;
  const ends = group.filter((at) => moments[at]!.role === 'ends');
  if (ends.length === 0) return undefined;
  const starts = group.filter((at) => moments[at]!.role === 'starts');
  if (ends.length !== starts.length) return undefined;
  let first: ClassMeeting | undefined;
  for (const end of ends) {
    const meeting = meetingBetween(terms, moving, startOf(moving, end, starts)!, end);
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
