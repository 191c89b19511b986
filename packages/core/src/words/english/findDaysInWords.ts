import type { Finder, FoundDay, FoundRange, Part, WrittenDay } from '../found/found.js';
import { groupPart, groupSpan, matchAt, spanning } from '../found/match.js';
import type { Span } from '../text/seenText.js';
import { WEEKDAY, DATE, MONTH, monthOf, ORDINAL, weekdayOfWord } from './names.js';

/** A space in a line: a date does not go on over the break of a line. */
const GAP = '[^\\S\\n\\u2028]';
/** What may stand behind the number of a day. */
const ENDS = `(?![\\d:.]\\d|\\w|%|${GAP}*(?:am|pm|a\\.m|p\\.m)\\b)`;
const NUMBER = `(?<date>${DATE})(?<ordinal>${ORDINAL})?`;
const DASH = `${GAP}*(?:–|—|-|\\bto\\b|\\buntil\\b|\\btill\\b|\\bthrough\\b|\\bthru\\b)${GAP}*`;
const AND = `(?:,${GAP}*(?:and|or)${GAP}+|${GAP}*&${GAP}*|${GAP}+(?:and|or)${GAP}+)`;
/** What numbers behind a day are counted in, when they are none themselves. */
const COUNTED = `(?!${GAP}+(?:students|people|points?|pages|minutes|hours|groups|questions|copies|chapters|others|more)\\b)`;

const MONTH_FIRST = new RegExp(`\\b(?<month>${MONTH})${GAP}+(?:the${GAP}+)?${NUMBER}${ENDS}`, 'dg');
const DATE_FIRST = new RegExp(
  `(?<![\\w/.:])${NUMBER}(?<others>${DASH}(?:(?:${WEEKDAY})\\.?,?${GAP}+)?${DATE}${ORDINAL}?|${GAP}+and${GAP}+${DATE}${ORDINAL}?|(?:,${GAP}*${DATE}${ORDINAL}?){0,30}${AND}${DATE}${ORDINAL}?)?(?:\\.?${GAP}+(?:of${GAP}+)?|-)(?<month>${MONTH})(?!\\w)`,
  'dg',
);
const YEAR = /(?:,?[^\S\n\u2028]+|-)(?<year>(?:19|20)\d\d)(?![\d-])|-(?<short>\d\d)(?![\d-])/dy;
const UNTIL = new RegExp(
  `(?<dash>${DASH}|${GAP}+and${GAP}+)(?:(?<weekday>${WEEKDAY})\\.?,?${GAP}+)?${NUMBER}${ENDS}(?!/|\\.?${GAP}+(?:of${GAP}+)?${MONTH})`,
  'dyi',
);
const MORE = new RegExp(`(?:,${GAP}*${DATE}${ORDINAL}?){0,30}${AND}${DATE}${ORDINAL}?${ENDS}${COUNTED}`, 'y');
const BETWEEN = /\bbetween[^\S\n]+(?:the[^\S\n]+)?$/i;
const EACH = new RegExp(`(?:(?<weekday>${WEEKDAY})\\.?,?${GAP}+)?${NUMBER}`, 'dgi');

/** The days of one month that are written together. */
interface Together {
  readonly month: Part<number>;
  readonly days: readonly Pick<WrittenDay, 'date' | 'ordinal' | 'weekday'>[];
  readonly isRange: boolean;
  readonly end: number;
}

const oneDay = (match: RegExpMatchArray): Pick<WrittenDay, 'date' | 'ordinal' | 'weekday'> => {
  const ordinal = groupSpan(match, 'ordinal');
  const weekday = groupPart(match, 'weekday', weekdayOfWord);
  return {
    date: groupPart(match, 'date', Number)!,
    ...(ordinal === undefined ? {} : { ordinal }),
    ...(weekday === undefined ? {} : { weekday }),
  };
};

const moved = <Of extends Span>(part: Of, by: number): Of => ({
  ...part,
  start: part.start + by,
  end: part.end + by,
});

/** The days in a part of a text, at their places in the whole. */
const eachDay = (text: string, from: number): Together['days'] =>
  [...text.matchAll(EACH)].map((match) => {
    const { date, ordinal, weekday } = oneDay(match);
    return {
      date: moved(date, from),
      ...(ordinal === undefined ? {} : { ordinal: moved(ordinal, from) }),
      ...(weekday === undefined ? {} : { weekday: moved(weekday, from) }),
    };
  });

function monthFirst(text: string): Together[] {
  return [...text.matchAll(MONTH_FIRST)].map((match) => {
    const month = groupPart(match, 'month', monthOf)!;
    const end = match.index + match[0].length;
    const isBetween = BETWEEN.test(text.slice(Math.max(0, match.index - 16), match.index));
    const until = matchAt(UNTIL, text, end);
    if (until !== null && (isBetween || !/and/.test(until.groups!.dash!)))
      return { month, days: [oneDay(match), oneDay(until)], isRange: true, end: end + until[0].length };
    const more = matchAt(MORE, text, end);
    const others = more === null ? [] : eachDay(more[0], end);
    return { month, days: [oneDay(match), ...others], isRange: false, end: end + (more?.[0].length ?? 0) };
  });
}

const IS_DASH = new RegExp(`^${DASH}`, 'i');

function dateFirst(text: string): Together[] {
  return [...text.matchAll(DATE_FIRST)].map((match) => {
    const written = groupSpan(match, 'others');
    const others = match.groups!.others ?? '';
    const isBetween = BETWEEN.test(text.slice(Math.max(0, match.index - 16), match.index));
    return {
      month: groupPart(match, 'month', monthOf)!,
      days: [oneDay(match), ...(written === undefined ? [] : eachDay(others, written.start))],
      isRange: IS_DASH.test(others) || (isBetween && /^\s+and\s/.test(others)),
      end: match.index + match[0].length,
    };
  });
}

/** Calendar days with the month in letters: “March 3rd, 2026”, “9–13 March”, “October 7, 9 and 14”. */
export const findDaysInWords: Finder<FoundDay | FoundRange> = ({ words }) =>
  [...monthFirst(words), ...dateFirst(words)].flatMap(({ month, days, isRange, end }): (FoundDay | FoundRange)[] => {
    const year = yearBehind(words, end);
    const isMonthFirst = month.start < days[0]!.date.start;
    const found = days.map((each, index): FoundDay => {
      const isFirst = index === 0;
      const isLast = index === days.length - 1;
      const own = [
        each.weekday,
        each.date,
        each.ordinal,
        (isMonthFirst ? isFirst : isLast) ? month : undefined,
        isLast ? year : undefined,
      ];
      const written: WrittenDay = { ...each, month, ...(year === undefined ? {} : { year }) };
      return { sort: 'date', ...spanning(words, own), written, days: [], style: 'words' };
    });
    if (!isRange) return found;
    const [from, to] = [found[0]!, found[1]!];
    return [{ sort: 'range', ...spanning(words, [from, to]), from, to }];
  });

function yearBehind(text: string, at: number): Part<number> | undefined {
  const found = matchAt(YEAR, text, at);
  return found === null
    ? undefined
    : (groupPart(found, 'year', Number) ?? groupPart(found, 'short', (year) => 2000 + Number(year)));
}
