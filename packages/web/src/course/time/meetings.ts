import type { Meeting } from '@yarin/core';

export const NEW_MEETING: Meeting = { weekday: 1, start: '10:00', end: '11:15' };

const weeksOf = (parity: 0 | 1, teachingWeeks: number): number[] =>
  Array.from({ length: teachingWeeks }, (_, at) => at + 1).filter((week) => week % 2 === parity);

/** “every”, “odd”, “even”, or the weeks themselves: “1, 2, 5”. */
export function weeksWords({ weeks }: Meeting, teachingWeeks: number): string {
  if (weeks === undefined) return 'every';
  const inTerm = weeks.filter((week) => week <= teachingWeeks).join();
  if (inTerm === weeksOf(1, teachingWeeks).join()) return 'odd';
  if (inTerm === weeksOf(0, teachingWeeks).join()) return 'even';
  return weeks.join(', ');
}

/** The weeks that such words say; `undefined` is every one. */
export function weeksFrom(words: string, teachingWeeks: number): number[] | undefined {
  if (words === 'every') return undefined;
  if (words === 'odd' || words === 'even') return weeksOf(words === 'odd' ? 1 : 0, teachingWeeks);
  return words.split(',').map(Number);
}

/** At the same hours of the same day, in the same weeks. */
export const isSameMeeting = (one: Meeting, other: Meeting): boolean =>
  one.weekday === other.weekday &&
  one.start === other.start &&
  one.end === other.end &&
  one.weeks?.join() === other.weeks?.join();

/** A time of day as people type it, as `HH:mm`: “14:00”, “1400”, “9”, “2 pm”; `undefined` when it is none. */
export function timeFrom(words: string): string | undefined {
  const match = /^(\d{1,2})(?:[:.]?(\d\d))?\s*(am|pm)?$/i.exec(words.trim());
  if (match === null) return undefined;
  const [, hour, minutes = '00', half = ''] = match;
  const noon = half.toLowerCase() === 'pm' ? 12 : 0;
  const hours = half === '' ? Number(hour) : (Number(hour) % 12) + noon;
  if (hours > 23 || Number(minutes) > 59 || (half !== '' && Number(hour) > 12)) return undefined;
  return `${String(hours).padStart(2, '0')}:${minutes}`;
}
