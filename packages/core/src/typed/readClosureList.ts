import { closureKind } from '../calendar/closureKind.js';
import type { DateStyle } from '../calendar/dateStyle.js';
import { formatDay, parseDay } from '../calendar/day.js';
import { succeed, fail, type Result } from '../problem.js';
import type { Calendar, Closure } from '../schemas/calendar.js';
import type { ReadClosures } from '../api/calendars.js';
import { findWrittenSpans, type WrittenSpan } from './findWrittenSpans.js';
import { typedReader } from './readTypedDate.js';

const MOST_LINES = 500;
const LONGEST_LINE = 300;
const SHOWN = 60;

type Reader = (text: string) => Result<string>;
type Span = Pick<Closure, 'from' | 'to'>;

/**
 * Reads a pasted list of closed days, one a line: “15–21 March 2027 Spring break”, a name before or behind the dates, in the ways
 * people and tables write them. Each date is read as `readTypedDate` does: one without a year lies in the term or nearest to it.
 *
 * @param term   that the days are of
 * @param order  which of two numbers is the day: as whoever pastes reads dates
 * @see docs/rules.md, "Dates that are typed"
 */
export function readClosureList(
  text: string,
  term: Pick<Calendar, 'firstDay' | 'lastDay' | 'timeZone'>,
  order: DateStyle['order'],
): ReadClosures {
  const { firstDay, lastDay, timeZone } = term;
  const readDate = typedReader({ order, calendar: { firstDay, lastDay, timeZone } });
  const unread: string[] = [];
  const closures: Closure[] = [];
  for (const written of text.split(/\r?\n/).slice(0, MOST_LINES)) {
    if (written.length > LONGEST_LINE) {
      unread.push(`“${written.trim().slice(0, SHOWN)} …” is too long for a line of a list.`);
      continue;
    }
    const line = written.trim().replace(/\s+/g, ' ');
    if (line === '') continue;
    const spans = findWrittenSpans(line);
    const found = daysOf(line, spans, readDate);
    if (!found.ok) {
      unread.push(`“${line.slice(0, SHOWN)}${line.length > SHOWN ? ' …' : ''}”: ${found.problems[0]!.message}`);
      continue;
    }
    const label = nameIn(line, spans);
    for (const span of found.value)
      closures.push({ ...span, ...(label === '' ? {} : { label }), kind: closureKind(label) });
  }
  return { closures, unread };
}

const problem = (code: string, message: string): Result<never> => fail([{ code, message, where: '' }]);

/** The days that a line names: those of one span, or several by themselves. */
function daysOf(line: string, written: readonly WrittenSpan[], readDate: Reader): Result<Span[]> {
  if (written.length === 0) return problem('noDate', 'There is no date in it; write it as “15–21 Mar Spring break”.');
  const between = written
    .slice(1)
    .map(({ index }, at) => line.slice(written[at]!.index + written[at]!.text.length, index));
  if (!between.every((gap) => /^ ?(?:,|&|;|and|, and) ?$/i.test(gap)))
    return problem('apart', 'Its dates stand apart; write “15–21 Mar Spring break”, a line for each.');
  const days: Span[] = [];
  for (const each of written) {
    const span = spanOf(each, readDate);
    if (!span.ok) return span;
    const { from, to } = span.value;
    if (each.isPair && parseDay(to) - parseDay(from) > 1) days.push({ from, to: from }, { from: to, to });
    else days.push(span.value);
  }
  return succeed(days);
}

const HAS_YEAR = /(?:\b\d{4}\b|[./-]\d{1,2}[./-] ?\d\d)$|^\D*\d{4}-/;
const withYear = (text: string, year: number): string =>
  /\d\/\d{1,2}$/.test(text)
    ? `${text}/${year}`
    : text.endsWith('.') && /\d\.$/.test(text)
      ? `${text}${year}`
      : `${text} ${year}`;

/** First and last day; a year that stands beside one of them is meant for both. */
function spanOf({ from, to }: WrittenSpan, readDate: Reader): Result<Span> {
  let [first, last] = [readDate(from), readDate(to)];
  if (HAS_YEAR.test(to) && !HAS_YEAR.test(from) && last.ok) {
    const year = Number(last.value.slice(0, 4));
    first = readDate(withYear(from, year));
    if (first.ok && first.value > last.value) first = readDate(withYear(from, year - 1));
  } else if (HAS_YEAR.test(from) && !HAS_YEAR.test(to) && first.ok) {
    const year = Number(first.value.slice(0, 4));
    last = readDate(withYear(to, year));
    if (last.ok && last.value < first.value) last = readDate(withYear(to, year + 1));
  }
  if (!first.ok) return first;
  if (!last.ok) return last;
  const [fromDay, toDay] = [parseDay(first.value), parseDay(last.value)];
  if (toDay < fromDay) return problem('reversed', 'It ends before it starts.');
  return succeed({ from: formatDay(fromDay), to: formatDay(toDay) });
}

/** What a line says beside its dates. */
function nameIn(line: string, dates: readonly WrittenSpan[]): string {
  let rest = line;
  for (const { index, text } of [...dates].reverse())
    rest = `${rest.slice(0, index)} ${rest.slice(index + text.length)}`;
  const named = rest
    .replace(/\((?:\s|\b(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\b|[-–—,])*\)/gi, ' ')
    .replace(/\s+/g, ' ')
    .slice(0, 200);
  return withoutEdges(named);
}

/** What stands between a date and a name, at either end. */
const EDGE =
  /^(?:[\s:;,|–—-]|(?:to|until|through|from|on|and)\b)|(?:[\s:;,|–—-]|\b(?:to|until|through|from|on|and))$/gi;

function withoutEdges(text: string): string {
  const shorter = text.replace(EDGE, '');
  return shorter === text ? text : withoutEdges(shorter);
}
