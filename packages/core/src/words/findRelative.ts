import { found, REACH, type Finder } from './found.js';

const NOW =
  /\b(?:today|tonight|tomorrow|this (?:spring|summer|autumn|fall|winter|week|weekend|month|year|morning|afternoon|evening))\b/gi;
const SEASON_OF_YEAR = /^ (?:semester |term )?of (?:(?:19|20)\d\d|['’]\d\d)\b/i;

/** What may follow a day of the month; a noun behind “the 14th” makes an ordinary number of it. */
const AFTER_DAY =
  'at|in|is|was|and|or|for|we|will|by|to|from|with|because|so|but|if|when|before|after|please|since|as|until|till|through|instead|you|it|there|has|are|i|should|can|must|may|due|on|the|that|this|they|at|noon|midnight|works|falls|closes|opens|remains|stays';
const DAY = '(?:3[01]|[12]?\\d)(?:st|nd|rd|th)';
const DAY_OF_MONTH = new RegExp(
  `\\bthe ${DAY}(?:(?:,? (?:and|or|to) |[–-])(?:the )?${DAY})*(?=$|\\s*[.,;:!?)–—\\n]|\\s+(?:${AFTER_DAY})\\b)(?! of (?:every|each|the|any)\\b)`,
  'gi',
);

/** Words that mean the day they were written on: “today”, “tomorrow”, “the 14th”, “this week”. */
export const findRelative: Finder = (text) => [
  ...[...text.matchAll(NOW)]
    .filter((match) => !SEASON_OF_YEAR.test(text.slice(match.index + match[0].length)))
    .map((match) => found('relative', match)),
  ...[...text.matchAll(DAY_OF_MONTH)]
    .filter((match) => !COUNTED_NOUN.test(sentenceBefore(text, match.index)))
    .map((match) => found('relative', match)),
];

/** “The 3rd edition is as good as the 4th”: an ordinary number before it says what is counted. */
const COUNTED_NOUN = new RegExp(`\\b(?:the |a )?${DAY} (?!(?:${AFTER_DAY}|of)\\b)\\p{Ll}+`, 'iu');
const SENTENCE_ENDS = '.!?\n';

function sentenceBefore(text: string, at: number): string {
  const least = Math.max(0, at - REACH);
  let start = at;
  while (start > least && !SENTENCE_ENDS.includes(text[start - 1]!)) start--;
  return text.slice(start, at);
}

const DAYS = '(?:mon|tues|wednes|thurs|fri|satur|sun)day';
const WEEKDAY = new RegExp(`\\b${DAYS}(?<plural>s(?![’'])\\b)?(?!\\w)`, 'gi');
const SHORT = '(?:Mon|Tues?|Wed|Thu(?:rs?)?|Fri|Sat|Sun)';
const SHORT_WEEKDAY = new RegExp(
  `(?<=\\b(?:on|by|before|until|till|from|this|next|last|after|to) )${SHORT}\\b\\.?|\\b${SHORT}\\b\\.?(?=,? (?:at )?\\d{1,2}(?::\\d\\d)?\\s*(?:am|pm|a\\.m|p\\.m|–|-|:)|,? (?:noon|midnight|night)\\b)|\\b(?:Wed|Thurs?|Tues)\\b(?=\\.|\\s*(?:$|[,;:!?)–—/-]|\\d)|\\s+(?:at|in|is|and|or|from|to|we|morning|afternoon|evening|night|class|lab)\\b)`,
  'g',
);
/** What makes a weekday recur, before it or before the list of weekdays that it stands in. */
const RECURS = new RegExp(
  `\\b(?:every|each|all|most|any|an?|alternate|weekly on)(?: (?:other|second|third|single|week|week on))?(?: ${DAYS}s?,?(?: (?:and|or|&))?|[/,])*\\s*$`,
  'i',
);
/** “Monday afternoons”: the plural stands on the part of the day. */
const PLURAL_AFTER = /^ (?:mornings|afternoons|evenings|nights|noons|lunchtimes)\b/i;

/** “Each week the quiz is due on Sunday.” */
const WEEKLY = /\b(?:each|every) (?:other |second |single )?week\b|\bweekly\b/i;
const sentenceAround = (text: string, at: number): string =>
  sentenceBefore(text, at) + /^[^.!?\n]*/.exec(text.slice(at, at + REACH))![0];

/** One weekday alone, “on Wednesday”, “this Friday”; a plural or “every” recurs and is fine. */
export const findSingleWeekdays: Finder = (text) => {
  const recurs = (match: RegExpMatchArray): boolean =>
    WEEKLY.test(sentenceAround(text, match.index!)) ||
    RECURS.test(text.slice(Math.max(0, match.index! - REACH), match.index)) ||
    PLURAL_AFTER.test(text.slice(match.index! + match[0].length).slice(0, REACH));
  return [
    ...[...text.matchAll(WEEKDAY)]
      .filter((match) => match.groups!.plural === undefined && !recurs(match))
      .map((match) => found('weekday', match)),
    ...[...text.matchAll(SHORT_WEEKDAY)].filter((match) => !recurs(match)).map((match) => found('weekday', match)),
  ];
};
