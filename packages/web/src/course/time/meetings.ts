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

const MOST_WEEKS = 106;

/** The weeks that people type: “every”, “odd”, “even”, “1, 2, 5–8”. `every` is every one, `undefined` no weeks at all. */
export function weeksFrom(words: string, teachingWeeks: number): readonly number[] | 'every' | undefined {
  const said = words.trim().toLowerCase();
  if (said === '' || said === 'every' || said === 'all') return 'every';
  if (said === 'odd' || said === 'even') return weeksOf(said === 'odd' ? 1 : 0, teachingWeeks);
  const weeks = new Set<number>();
  for (const part of said.split(/[\s,;]+/).filter((each) => each !== '')) {
    const [, first, last = first] = /^(\d{1,3})(?:[-–](\d{1,3}))?$/.exec(part) ?? [];
    if (first === undefined || Number(first) < 1 || Number(last) > MOST_WEEKS || Number(last) < Number(first))
      return undefined;
    for (let week = Number(first); week <= Number(last); week++) weeks.add(week);
  }
  return [...weeks].sort((a, b) => a - b);
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
