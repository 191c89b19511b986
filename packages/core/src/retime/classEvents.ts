import { countingPattern, meetingsOn, type ClassMeeting } from '../calendar/meetingIndex.js';
import type { Meeting } from '../schemas/calendar.js';
import { FLAG } from './flags.js';
import { ROLE, startOf, type ItemGroup, type Moving, type Place } from './moving.js';
import type { Terms } from './terms.js';

/** The class meeting of the old term that begins and ends with these two moments, if there is one. */
export function meetingBetween(terms: Terms, moving: Moving, starts: Place, ends: Place): ClassMeeting | undefined {
  const { oldDays, oldMinutes, moments } = moving;
  if (oldDays[starts] !== oldDays[ends]) return undefined;
  const onDay = meetingsOn(terms.oldMeetings.all, oldDays[starts]!);
  if (onDay.length === 0) return undefined;
  const same = onDay.filter(({ start, end }) => start === oldMinutes[starts] && end === oldMinutes[ends]);
  return same.find(({ series }) => series === moments[starts]!.series) ?? same[0];
}

/** The class meeting that a class event is: an event whose `starts` and `ends` are those of a class meeting. */
export function classMeetingOf(terms: Terms, moving: Moving, group: ItemGroup): ClassMeeting | undefined {
  const { moments, roles } = moving;
  const { places, from, until } = group;
  if (moments[places[from]!]!.kind !== 'event') return undefined;
  let starting = 0;
  let ending = 0;
  for (let index = from; index < until; index++) {
    const role = roles[places[index]!];
    if (role === ROLE.starts) starting++;
    else if (role === ROLE.ends) ending++;
  }
  if (ending === 0 || ending !== starting) return undefined;
  let first: ClassMeeting | undefined;
  for (let index = from; index < until; index++) {
    const at = places[index]!;
    if (roles[at] !== ROLE.ends) continue;
    const meeting = meetingBetween(terms, moving, startOf(moving, at, group, false), at);
    if (meeting === undefined) return undefined;
    first ??= meeting;
  }
  return first;
}

/** Class events that another rule than `meeting` moved, and that now start with no class meeting. */
export function flagUnmetClasses(terms: Terms, moving: Moving, classEvents: readonly ItemGroup[]): void {
  const { fates, rules, roles, days, minutes, flags } = moving;
  for (const { places, from, until } of classEvents) {
    for (let index = from; index < until; index++) {
      const at = places[index]!;
      if (roles[at] !== ROLE.starts || fates[at] !== 'moved' || rules[at] === 'meeting') continue;
      const isMet = meetingsOn(terms.newMeetings.all, days[at]!).some(({ start }) => start === minutes[at]);
      if (!isMet) flags[at]! |= FLAG.noSuchMeeting;
    }
  }
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
