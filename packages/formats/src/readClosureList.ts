import { en } from 'chrono-node';
import { formatDay, parseDay, type Closure, type DateStyle, type ReadClosures } from '@yarin/core';
import { closureKind } from './closureKind.js';

const MOST_LINES = 500;
const LONGEST_LINE = 300;
/** How far before the first day a date without a year still belongs to the term. */
const REACH_BACK_DAYS = 120;

const LONG_MONTH = '(?:jan|mar|may|jul|aug|oct|dec)[a-z]*';
const SHORT_MONTH = '(?:apr|jun|sep|nov)[a-z]*';
const FEBRUARY = 'feb[a-z]*';
const beside = (month: string, days: string): string => `${days}\\.? ${month}|${month}\\.? ${days}`;
/** “31 Feb”: parsers carry what is too much into the next month. */
const IMPOSSIBLE = new RegExp(
  `\\b(?:${beside(LONG_MONTH, '(?:3[2-9]|[4-9]\\d)')}|${beside(SHORT_MONTH, '(?:3[1-9]|[4-9]\\d)')}|${beside(FEBRUARY, '(?:[3-9]\\d)')})\\b`,
  'i',
);

interface SpokenDate {
  get(part: 'year' | 'month' | 'day'): number | null;
}

const two = (value: number): string => String(value).padStart(2, '0');
const dateOf = (spoken: SpokenDate): string =>
  `${spoken.get('year')}-${two(spoken.get('month')!)}-${two(spoken.get('day')!)}`;

/**
 * Reads a pasted list of closed days, one a line: “15–21 March 2027 Spring break”, a name before or behind the dates,
 * in the ways people write them. A date without a year lies in or shortly before the term. A line with a day that no calendar
 * has is not read.
 *
 * @param firstDay  first day of the term, `YYYY-MM-DD`
 * @param order     which of two numbers is the day: as whoever pastes reads dates
 */
export function readClosureList(text: string, firstDay: string, order: DateStyle['order']): ReadClosures {
  const parser = order === 'dayFirst' ? en.GB : en.casual;
  const unread: string[] = [];
  const closures: Closure[] = [];
  const reference = new Date(`${formatDay(parseDay(firstDay) - REACH_BACK_DAYS)}T12:00:00`);
  for (const line of text.split(/\r?\n/).slice(0, MOST_LINES)) {
    if (line.trim() === '') continue;
    if (line.length > LONGEST_LINE) {
      unread.push(`${line.trim().slice(0, 60)} …`);
      continue;
    }
    const found = parser
      .parse(line.replaceAll('\t', '   '), reference, { forwardDate: true })
      .filter(({ start }) => start.isCertain('day') && start.isCertain('month'));
    const [first] = found;
    const last = found.at(-1);
    if (first === undefined || last === undefined) {
      unread.push(line.trim());
      continue;
    }
    const [from, to] = [dateOf(first.start), dateOf((last.end ?? last.start) as SpokenDate)].sort() as [string, string];
    if (Number.isNaN(parseDay(from)) || Number.isNaN(parseDay(to)) || IMPOSSIBLE.test(line)) {
      unread.push(line.trim());
      continue;
    }
    const label = nameIn(line.replaceAll('\t', '   '), found);
    closures.push({ from, to, ...(label === '' ? {} : { label }), kind: closureKind(label) });
  }
  return { closures, unread };
}

/** What a line says beside its dates. */
function nameIn(line: string, dates: readonly { readonly index: number; readonly text: string }[]): string {
  let rest = line;
  for (const { index, text } of [...dates].reverse())
    rest = `${rest.slice(0, index)} ${rest.slice(index + text.length)}`;
  return rest
    .replace(/\((?:\s|\b(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\b|[-–—,])*\)/gi, ' ')
    .replace(
      /^(?:[\s:;,|–—-]|\b(?:to|until|through|from|on)\b)+|(?:[\s:;,|–—-]|\b(?:to|until|through|from|on)\b)+$/gi,
      '',
    )
    .replace(/\s+/g, ' ')
    .slice(0, 200);
}
