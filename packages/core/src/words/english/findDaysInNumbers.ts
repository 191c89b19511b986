import type { Finder, FoundDay, FoundRange, Part, WordContext } from '../found/found.js';
import { groupPart, matchAt, spanning } from '../found/match.js';

const NUMBERS = /(?<![\d/.,:$€£])(?<a>\d{1,2})\/(?<b>\d{1,2})(?:\/(?<year>(?:19|20)?\d\d))?(?![\d/]|\.\d)/dg;
const DASHED = /(?<![\d/.-])(?<a>\d{1,2})-(?<b>\d{1,2})-(?<year>(?:19|20)\d\d)(?![\d-])/dg;
const DOTTED = /(?<![\d.])(?<a>\d{1,2})\.(?<b>\d{1,2})\.(?<year>(?:19|20)\d\d)?(?!\d)/dg;
const ISO = /(?<![\w/-])(?<year>(?:19|20)\d\d)(?<sign>[/-])(?<b>\d\d?)\k<sign>(?<a>\d\d?)(?!\d|[/-]\d)/dg;
/** “3/9–13”: the last day of a range has no month of its own. */
const UNTIL = /\s?[–-]\s?(?<date>\d{1,2})(?![\d/:]|\.\d)/dy;

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
/** So does another date that it goes on to. */
const DATE_AFTER = /^\s?[–-]\s?\d{1,2}\/\d{1,2}(?!\d)/;
const FRACTION = /^(?:1\/[2-9]|2\/[35]|3\/[458]|[45]\/[689]|7\/8|24\/7|50\/50)$/;
const NEAR = 24;

const before = (text: string, { index }: RegExpExecArray): string => text.slice(Math.max(0, index - NEAR), index);

function isDateHere(text: string, match: RegExpExecArray): boolean {
  const end = match.index + match[0].length;
  const after = text.slice(end, end + NEAR);
  if (AFTER_NO_DATE.test(after)) return false;
  const said = before(text, match);
  if (match.groups!.year !== undefined || BEFORE_A_DATE.test(said)) return true;
  if (HOUR_AFTER.test(after) || DATE_AFTER.test(after)) return true;
  return !BEFORE_NO_DATE.test(said) && !FRACTION.test(match[0]);
}

/** “Plank 4.12. lies under it”: without a year it takes a word before it, or two figures on both sides. */
function isDotted(text: string, match: RegExpExecArray): boolean {
  const { a, b, year } = match.groups!;
  if (!isDateHere(text, match)) return false;
  return year !== undefined || (a!.length === 2 && b!.length === 2) || BEFORE_A_DATE.test(before(text, match));
}

const fullYear = (text: string): number => (text.length === 2 ? 2000 + Number(text) : Number(text));

/** @param first  what the group `a` is */
function dayOf(text: string, match: RegExpExecArray, first: 'date' | 'month', style: FoundDay['style']): FoundDay {
  const a = groupPart(match, 'a', Number)!;
  const b = groupPart(match, 'b', Number)!;
  const year = groupPart(match, 'year', fullYear);
  const [date, month] = first === 'date' ? [a, b] : [b, a];
  const written = { month, date, ...(year === undefined ? {} : { year }) };
  return { sort: 'date', ...spanning(text, [a, b, year]), written, days: [], style };
}

/** “3/9–13”, where the month comes first. */
function withUntil(text: string, from: FoundDay): FoundDay | FoundRange {
  const until = from.written.year === undefined ? matchAt(UNTIL, text, from.end) : null;
  const date: Part<number> | undefined = until === null ? undefined : groupPart(until, 'date', Number);
  if (date === undefined || date.value <= from.written.date.value || date.value > 31) return from;
  const to: FoundDay = { ...from, ...spanning(text, [date]), written: { month: from.written.month, date } };
  return { sort: 'range', ...spanning(text, [from, to]), from, to };
}

/** Calendar days in figures: “3/4”, “3-4-2026”, “03.03.2026”, “2026-03-03”. Which of two numbers is the month is read later. */
export const findDaysInNumbers: Finder<FoundDay | FoundRange> = ({ words }, { monthFirst }: WordContext) => {
  const first = monthFirst ? 'month' : 'date';
  return [
    ...[...words.matchAll(ISO)].map((match) => dayOf(words, match, 'date', 'iso')),
    ...[...words.matchAll(NUMBERS), ...words.matchAll(DASHED)]
      .filter((match) => isDateHere(words, match))
      .map((match) => dayOf(words, match, first, 'numbers'))
      .map((day) => (monthFirst ? withUntil(words, day) : day)),
    ...[...words.matchAll(DOTTED)]
      .filter((match) => isDotted(words, match))
      .map((match) => dayOf(words, match, 'date', 'dotted')),
  ];
};
