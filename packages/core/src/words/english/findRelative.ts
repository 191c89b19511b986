import { wordsOf, type Finder, type FoundPlain } from '../found/found.js';
import { sentenceBefore } from './sentences.js';

const NOW =
  /\b(?:today|tonight|tomorrow|this (?:spring|summer|autumn|fall|winter|week|weekend|month|year|morning|afternoon|evening))\b/gi;
const SEASON_OF_YEAR = /^ (?:semester |term )?of (?:(?:19|20)\d\d|['’]\d\d)\b/i;
const LONGEST_YEAR = 24;

/** What may follow a day of the month; a noun behind “the 14th” makes an ordinary number of it. */
const AFTER_DAY =
  'at|in|is|was|and|or|for|we|will|by|to|from|with|because|so|but|if|when|before|after|please|since|as|until|till|through|instead|you|it|there|has|are|i|should|can|must|may|due|on|the|that|this|they|at|noon|midnight|works|falls|closes|opens|remains|stays';
const DAY = '(?:3[01]|[12]?\\d)(?:st|nd|rd|th)';
const DAY_OF_MONTH = new RegExp(
  `\\bthe ${DAY}(?:(?:,? (?:and|or|to) |[–-])(?:the )?${DAY})*(?=$|\\s*[.,;:!?)–—\\n\\u2028]|\\s+(?:${AFTER_DAY})\\b)(?! of (?:every|each|the|any)\\b)`,
  'gi',
);
/** “The 3rd edition is as good as the 4th”: an ordinary number before it says what is counted. */
const COUNTED_NOUN = new RegExp(`\\b(?:the |a )?${DAY} (?!(?:${AFTER_DAY}|of)\\b)\\p{Ll}+`, 'iu');

/** Words that mean the day they were written on: “today”, “tomorrow”, “the 14th”, “this week”. */
export const findRelative: Finder<FoundPlain> = ({ words }) =>
  [
    ...[...words.matchAll(NOW)].filter((match) => {
      const end = match.index + match[0].length;
      return !SEASON_OF_YEAR.test(words.slice(end, end + LONGEST_YEAR));
    }),
    ...[...words.matchAll(DAY_OF_MONTH)].filter(({ index }) => !COUNTED_NOUN.test(sentenceBefore(words, index))),
  ].map((match) => ({ sort: 'relative', ...wordsOf(match) }));
