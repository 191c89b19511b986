import { dayFrom, parseDay } from '../calendar/day.js';
import { found, type Finder, type FoundWords, type WordContext } from './found.js';

const FULL_MONTHS =
  'January|February|March|April|May|June|July|August|September|October|November|December|JANUARY|FEBRUARY|MARCH|APRIL|MAY|JUNE|JULY|AUGUST|SEPTEMBER|OCTOBER|NOVEMBER|DECEMBER';
const SHORT_MONTHS = '(?:Jan|Feb|Mar|Apr|Jun|Jul|Aug|Sept?|Oct|Nov|Dec|JAN|FEB|MAR|APR|JUN|JUL|AUG|SEPT?|OCT|NOV|DEC)';
/** Written small only where it can be no other word; “may” and “march” are verbs too. */
const SMALL_MONTHS = 'january|february|april|june|july|august|september|october|november|december';
/** A month as people write it. */
export const MONTH = `(?:${FULL_MONTHS}|${SMALL_MONTHS}|${SHORT_MONTHS}\\b\\.?|(?<=\\b(?:on|by|until|till|before|after|from|of|day,?) )(?:may|march)|(?:may|march)(?= \\d{1,2}(?:st|nd|rd|th)))`;

const ORDINAL = '(?:st|nd|rd|th)';
const DATE = `(?:3[01]|[12]\\d|0?[1-9])${ORDINAL}?`;
const YEAR = '(?:,?\\s+(?<year>(?:19|20)\\d\\d)(?!\\d))?';
const DASH = '\\s*(?:–|—|-|\\bto\\b|\\band\\b|\\buntil\\b|\\bthrough\\b)\\s*';
/** “7, 9 and 14”: each day a date of its own. */
const MORE = `(?:(?:,\\s*(?:and\\s+|or\\s+)?|\\s*&\\s*|\\s+(?:and|or)\\s+)${DATE}(?![\\d:.]\\d|\\w|%|\\s*(?:am|pm|a\\.m|p\\.m))){0,30}`;

const MONTH_FIRST = new RegExp(
  `\\b(?<month>${MONTH})\\s+(?:the\\s+)?(?<date>${DATE})(?<range>${DASH}(?:(?:${MONTH})\\s+)?${DATE}(?!\\s*(?:am|pm|a\\.m|p\\.m)))?(?![\\d:.]\\d|\\w)(?<more>${MORE})${YEAR}`,
  'g',
);
const DATE_FIRST = new RegExp(
  `\\b(?<date>${DATE})(?:(?<range>${DASH}${DATE})|(?:,\\s*${DATE}){0,30}(?:,?\\s+(?:and|or)\\s+${DATE}))?\\.?\\s+(?:of\\s+)?(?<month>${MONTH})(?!\\w)${YEAR}`,
  'g',
);
const NUMBERS = /(?<![\d/.,:$€£])(?<a>\d{1,2})\/(?<b>\d{1,2})(?:\/(?<year>(?:19|20)?\d\d))?(?![\d/]|\.\d)/g;
const DASHED = /(?<![\d/.-])(?<a>\d{1,2})-(?<b>\d{1,2})-(?<year>(?:19|20)\d\d)(?![\d-])/g;
const DOTTED = /(?<![\d.])(?<date>\d{1,2})\.(?<month>\d{1,2})\.(?<year>(?:19|20)\d\d)?(?!\d)/g;
const ISO = /(?<![\w-])(?<iso>(?:19|20)\d\d-\d\d-\d\d)(?!\d|-\d)/g;

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const NEAR_DAYS = 60;

/** Words before two numbers that make a date of them. */
const BEFORE_A_DATE =
  /(?:\b(?:on|by|due|until|till|before|after|from|through|since|for|week of|starting|starts|ends|opens|closes|posted|date:?|(?:mon|tues?|wed(?:nes)?|thu(?:rs?)?|fri|sat(?:ur)?|sun)(?:day|\.)?,?)|[(–—-])\s*$/i;
/** Words before numbers that make a score, a version, a page or a sum of them. */
const BEFORE_NO_DATE =
  /(?:\b(?:scored?|got|earned|grades?|marks?|ratio|about|around|roughly|nearly|almost|over|than|least|most|only|exactly|up to|versions?|ver\.?|v|release|pages?|pp?\.?|chapters?|ch\.?|sections?|sec\.?|figures?|figs?\.?|tables?|exercises?|problems?|questions?|rooms?|nos?\.?|lines?|verses?|time|bars?|an?|the|is|worth|equals?)|[×+=§#])\s*$/i;
/** Words after two numbers that make a fraction, a score or a measure of them. */
const AFTER_NO_DATE =
  /^\s*(?:%|"|in(?:ch(?:es)?)?\b\.? (?:deep|wide|long|of)|(?:of|cups?|miles?|hours?|inch(?:es)?|points?|pts?|credits?|majority|full|pages?|teaspoons?|tablespoons?|tsp|tbsp|lit(?:er|re)s?|dilution|strength|scale|size|time|beats?|measures?|vote|share|ratings?|stars?|marks?|mix|split|power|turns?|way|correct|right|people|students|pounds?|acres?)\b)/i;
/** An hour behind two numbers makes a date of them. */
const HOUR_AFTER = /^,?\s+(?:at\s+)?(?:\d{1,2}(?::\d\d)?\s*(?:am|pm|a\.m|p\.m)|\d{1,2}:\d\d|noon|midnight)/i;
const FRACTION = /^(?:1\/[2-9]|2\/[35]|3\/[458]|[45]\/[689]|7\/8|24\/7|50\/50)$/;

/** The date lies in or within 60 days of the term, or has no year and would. */
function nearTerm({ calendar }: WordContext, year: number | undefined, month: number, date: number): boolean {
  const from = parseDay(calendar.firstDay) - NEAR_DAYS;
  const to = parseDay(calendar.lastDay) + NEAR_DAYS;
  const first = Number(calendar.firstDay.slice(0, 4));
  const years = year === undefined ? [first - 1, first, first + 1] : [year];
  return years.some((each) => {
    const day = dayFrom(each, month, date);
    return day >= from && day <= to;
  });
}

const fullYear = (text: string | undefined): number | undefined =>
  text === undefined ? undefined : text.length === 2 ? 2000 + Number(text) : Number(text);

function isDateHere(text: string, match: RegExpMatchArray): boolean {
  const before = text.slice(Math.max(0, match.index! - 24), match.index);
  const after = text.slice(match.index! + match[0].length, match.index! + match[0].length + 24);
  if (AFTER_NO_DATE.test(after)) return false;
  if (match.groups!.year !== undefined || BEFORE_A_DATE.test(before) || HOUR_AFTER.test(after)) return true;
  return !BEFORE_NO_DATE.test(before) && !FRACTION.test(match[0]);
}

function findWritten(text: string, context: WordContext): FoundWords[] {
  return [MONTH_FIRST, DATE_FIRST].flatMap((pattern) =>
    [...text.matchAll(pattern)].flatMap((match) => {
      const { month, date, year, range } = match.groups!;
      const number = MONTHS.indexOf(month!.slice(0, 3).toLowerCase()) + 1;
      if (!nearTerm(context, fullYear(year), number, parseInt(date!, 10))) return [];
      return [found(range === undefined ? 'date' : 'range', match)];
    }),
  );
}

/** Which of two numbers is the month: what the text's other dates prove, else the habit of the place; unsure, either. */
function monthPlaces(matches: readonly RegExpMatchArray[], monthFirst: boolean): readonly ('first' | 'second')[] {
  const first = matches.some(({ groups }) => Number(groups!.b) > 12);
  const second = matches.some(({ groups }) => Number(groups!.a) > 12);
  if (first && second) return ['first', 'second'];
  return [first || (monthFirst && !second) ? 'first' : 'second'];
}

function findNumbers(text: string, context: WordContext): FoundWords[] {
  const matches = [...text.matchAll(NUMBERS), ...text.matchAll(DASHED)].filter((match) => isDateHere(text, match));
  const places = monthPlaces(matches, context.monthFirst);
  return matches.flatMap((match) => {
    const { a, b, year } = match.groups!;
    const isNear = places.some((place) => {
      const [month, date] = place === 'first' ? [Number(a), Number(b)] : [Number(b), Number(a)];
      return nearTerm(context, fullYear(year), month, date);
    });
    return isNear ? [found('date', match)] : [];
  });
}

/** Calendar dates and ranges of them, as people write them. @see docs/rules.md, "Stale words" */
export const findDates: Finder = (text, context) => {
  const matches = findWritten(text, context);
  for (const match of text.matchAll(ISO)) {
    const [year, month, date] = match.groups!.iso!.split('-').map(Number);
    if (nearTerm(context, year, month!, date!)) matches.push(found('date', match));
  }
  matches.push(...findNumbers(text, context));
  for (const match of text.matchAll(DOTTED)) {
    const { date, month, year } = match.groups!;
    if (!isDateHere(text, match)) continue;
    // “Plank 4.12. lies under it”: without a year it takes a word before it, or two figures on both sides.
    const isCertain = year !== undefined || (date!.length === 2 && month!.length === 2);
    if (!isCertain && !BEFORE_A_DATE.test(text.slice(Math.max(0, match.index - 24), match.index))) continue;
    if (nearTerm(context, fullYear(year), Number(month), Number(date))) matches.push(found('date', match));
  }
  return matches;
};
