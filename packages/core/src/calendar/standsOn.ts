import { closureName } from './closureWords.js';
import { isWeekend, type CalendarIndex } from './calendarIndex.js';
import { weekdayOf, type Day } from './day.js';

const WEEKEND_WORDS: Readonly<Record<number, string>> = { 6: 'a Saturday', 7: 'a Sunday' };

/**
 * What is unusual about a day for dated work, in words: “Charter Day”, “a Saturday”, “after the term ends”; `undefined` for a
 * usual day.
 */
export function standsOn(term: CalendarIndex, day: Day): string | undefined {
  if (day < term.firstDay) return 'before the term begins';
  if (day > term.lastDay) return 'after the term ends';
  if (term.isClosed(day)) return closureName(term.closureAt(day)!);
  return isWeekend(term.runsAs(day)) ? (WEEKEND_WORDS[weekdayOf(day)] ?? 'runs as a weekend') : undefined;
}
