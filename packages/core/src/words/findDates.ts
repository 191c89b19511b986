import { dayFrom, parseDay } from '../calendar/day.js';
import { found, type Finder, type WordContext } from './found.js';

const MONTH =
  '(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)\\.?';
const DATE = '(?:[12]?\\d|3[01])(?:st|nd|rd|th)?';
const YEAR = '(?:,?\\s+(?<year>(?:19|20)\\d\\d))?';
const DASH = '\\s*(?:–|—|-|to|and|until|through)\\s*';

const MONTH_FIRST = new RegExp(
  `\\b(?<month>${MONTH})\\s+(?<date>${DATE})(?<range>${DASH}(?:${MONTH}\\s+)?${DATE})?(?![\\d:.]\\d|\\w)${YEAR}`,
  'gi',
);
const DATE_FIRST = new RegExp(
  `\\b(?<date>${DATE})(?<range>${DASH}${DATE})?\\s+(?:of\\s+)?(?<month>${MONTH})(?!\\w)${YEAR}`,
  'gi',
);
const NUMBERS = /(?<![\d/.])(?<a>\d{1,2})\/(?<b>\d{1,2})(?:\/(?<year>(?:19|20)?\d\d))?(?![\d/]|\.\d|\s+of\b)/g;
const DOTTED = /(?<![\d.])(?<date>\d{1,2})\.(?<month>\d{1,2})\.(?<year>(?:19|20)\d\d)?(?!\d)/g;
const ISO = /\b(?<iso>(?:19|20)\d\d-\d\d-\d\d)\b/g;

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const NEAR_DAYS = 60;

/** The date lies in or within 60 days of the term, or has no year and would. */
function nearTerm({ calendar }: WordContext, year: number | undefined, month: number, date: number): boolean {
  const from = parseDay(calendar.firstDay) - NEAR_DAYS;
  const to = parseDay(calendar.lastDay) + NEAR_DAYS;
  const years = year === undefined ? [0, 1].map((more) => Number(calendar.firstDay.slice(0, 4)) + more) : [year];
  if (year === undefined) years.unshift(Number(calendar.firstDay.slice(0, 4)) - 1);
  return years.some((each) => {
    const day = dayFrom(each, month, date);
    return day >= from && day <= to;
  });
}

const fullYear = (text: string | undefined): number | undefined =>
  text === undefined ? undefined : text.length === 2 ? 2000 + Number(text) : Number(text);

/** Calendar dates and ranges of them, as people write them. @see docs/rules.md, "Stale words" */
export const findDates: Finder = (text, context) => {
  const matches = [MONTH_FIRST, DATE_FIRST].flatMap((pattern) =>
    [...text.matchAll(pattern)].flatMap((match) => {
      const { month, date, year, range } = match.groups!;
      const number = MONTHS.indexOf(month!.slice(0, 3).toLowerCase()) + 1;
      if (!nearTerm(context, fullYear(year), number, parseInt(date!, 10))) return [];
      return [found(range === undefined ? 'date' : 'range', match)];
    }),
  );
  for (const match of text.matchAll(ISO)) {
    const [year, month, date] = match.groups!.iso!.split('-').map(Number);
    if (nearTerm(context, year, month!, date!)) matches.push(found('date', match));
  }
  for (const match of text.matchAll(NUMBERS)) {
    const { a, b, year } = match.groups!;
    const first = Number(a);
    const second = Number(b);
    const [month, date] =
      context.monthFirst && first <= 12 ? [first, second] : second <= 12 ? [second, first] : [first, second];
    if (nearTerm(context, fullYear(year), month, date)) matches.push(found('date', match));
  }
  for (const match of text.matchAll(DOTTED)) {
    const { date, month, year } = match.groups!;
    if (nearTerm(context, fullYear(year), Number(month), Number(date))) matches.push(found('date', match));
  }
  return matches;
};
