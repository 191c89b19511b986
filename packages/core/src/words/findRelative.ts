import { found, type Finder } from './found.js';

const NOW =
  /\b(?:today|tonight|tomorrow|this (?:spring|summer|autumn|fall|winter|week|weekend|month|year|morning|afternoon|evening))\b/gi;
const ORDINAL =
  /\bthe (?:[12]?\d|3[01])(?:st|nd|rd|th)\b(?! (?:century|edition|chapter|floor|street|grade|percentile|order|of the))/gi;
const SEASON_AND_YEAR = /\b(?:spring|summer|autumn|fall|winter) of (?:19|20)\d\d\b/i;

/** Words that mean the day they were written on: “today”, “tomorrow”, “the 14th”, “this week”. */
export const findRelative: Finder = (text) => [
  ...[...text.matchAll(NOW)]
    .filter((match) => !SEASON_AND_YEAR.test(text.slice(match.index, match.index + match[0].length + 9)))
    .map((match) => found('relative', match)),
  ...[...text.matchAll(ORDINAL)].map((match) => found('relative', match)),
];

const WEEKDAY = /\b(?<full>mon|tues|wednes|thurs|fri|satur|sun)day(?<plural>s)?\b/gi;
const SHORT_WEEKDAY =
  /\b(?:on|by|before|until|from|this|next|last) (?:Mon|Tue|Tues|Wed|Thu|Thur|Thurs|Fri|Sat|Sun)\b\.?/g;
const RECURS = /\b(?:every|each|all|most|any)(?: \w+)? $/i;

/** One weekday alone, “on Wednesday”, “this Friday”; a plural or “every” recurs and is fine. */
export const findSingleWeekdays: Finder = (text) => [
  ...[...text.matchAll(WEEKDAY)]
    .filter((match) => match.groups!.plural === undefined && !RECURS.test(text.slice(0, match.index)))
    .map((match) => found('weekday', match)),
  ...[...text.matchAll(SHORT_WEEKDAY)].map((match) => found('weekday', match)),
];
