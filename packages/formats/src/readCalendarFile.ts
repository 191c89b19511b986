import { closureKind, succeed, type Closure, type ReadClosures, type Result } from '@yarin/core';
import { readCalendarEntries, type EntryTime, type Span } from './calendarEntries.js';
import { CLOSURE_CATEGORIES, OTHER_CATEGORIES } from './termCategories.js';

const MOST_CLOSURES = 2000;

/**
 * Reads the closed days of an iCalendar file that touch a span: all-day entries, recurring ones at each of their times, and
 * entries with hours as the day on which they fall in the zone of the term. Of a term's own calendar file, what is no
 * closure stays out.
 */
export function readCalendarFile(text: string, span: Span): Result<ReadClosures> {
  const read = readCalendarEntries(text, span);
  if (!read.ok) return read;
  const closures = read.value.entries
    .flat()
    .filter(({ categories }) => !categories.some((each) => OTHER_CATEGORIES.includes(each)))
    .slice(0, MOST_CLOSURES)
    .map(closureOf);
  return succeed({
    closures: closures.sort((a, b) => (a.from < b.from ? -1 : 1)),
    unread: [...new Set(read.value.unread.map(({ name, why }) => `“${name.slice(0, 200)}” ${why}.`))],
  });
}

function closureOf({ name, categories, from, to }: EntryTime): Closure {
  const said = categories.map((each) => CLOSURE_CATEGORIES.get(each)).find((kind) => kind !== undefined);
  return { from, to, ...(name === '' ? {} : { label: name.slice(0, 200) }), kind: said ?? closureKind(name) };
}
