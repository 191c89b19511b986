import { REACH, type Finder, type FoundWeekday } from '../found/found.js';
import { sentenceAround } from './sentences.js';
import { weekdayOfWord } from './names.js';

const DAYS = '(?:mon|tues|wednes|thurs|fri|satur|sun)day';
const WHOLE = new RegExp(`\\b${DAYS}(?<plural>s(?![’'])\\b)?(?!\\w)`, 'gi');
const SHORT = '(?:Mon|Tues?|Weds?|Thu(?:rs?)?|Fri|Sat|Sun|MON|TUES?|WED|THU(?:RS?)?|FRI|SAT|SUN)';
const ANY_SHORT = new RegExp(`(?<![\\p{L}\\p{N}’'-])${SHORT}(?![\\p{L}\\p{N}’'])\\.?`, 'gu');
/** “Sun” and “Wed” are other words too: what stands beside a short one makes a weekday of it. */
const SURE_SHORT =
  /(?<=\b(?:on|by|before|until|till|from|this|next|last|after|to) )(?:Mon|Tues?|Wed|Thu(?:rs?)?|Fri|Sat|Sun)\b\.?|\b(?:Mon|Tues?|Wed|Thu(?:rs?)?|Fri|Sat|Sun)\b\.?(?=,? (?:at )?\d{1,2}(?::\d\d)?\s*(?:am|pm|a\.m|p\.m|–|-|:)|,? (?:noon|midnight|night)\b)|\b(?:Wed|Thurs?|Tues)\b(?=\.|\s*(?:$|[,;:!?)–—/-]|\d)|\s+(?:at|in|is|and|or|from|to|we|morning|afternoon|evening|night|class|lab)\b)/g;

/** What makes a weekday recur, before it or before the list of weekdays that it stands in. */
const RECURS = new RegExp(
  `\\b(?:every|each|all|most|any|an?|alternate|weekly on)(?: (?:other|second|third|single|week|week on))?(?: ${DAYS}s?,?(?: (?:and|or|&))?|[/,])*\\s*$`,
  'i',
);
/** “Monday afternoons”: the plural stands on the part of the day. */
const PLURAL_BEHIND = /^ (?:mornings|afternoons|evenings|nights|noons|lunchtimes)\b/i;
/** “Each week the quiz is due on Sunday.” */
const WEEKLY = /\b(?:each|every) (?:other |second |single )?week\b|\bweekly\b/i;
const LONGEST_BEHIND = 14;

function recurs(text: string, start: number, end: number): boolean {
  return (
    RECURS.test(text.slice(Math.max(0, start - REACH), start)) ||
    PLURAL_BEHIND.test(text.slice(end, end + LONGEST_BEHIND)) ||
    WEEKLY.test(sentenceAround(text, start))
  );
}

/** Weekdays, whole and short; whether they recur: “Mondays”, “every Monday”. */
export const findWeekdays: Finder<FoundWeekday> = ({ words }) => {
  const sure = new Set([...words.matchAll(SURE_SHORT)].map(({ index }) => index));
  const foundAt = (match: RegExpExecArray, isPlural: boolean, isSure: boolean): FoundWeekday => {
    const { 0: text, index: start } = match;
    const end = start + text.length;
    return {
      sort: 'weekday',
      start,
      end,
      text,
      weekday: { start, end, value: weekdayOfWord(text) },
      recurs: isPlural || recurs(words, start, end),
      isSure,
    };
  };
  return [
    ...[...words.matchAll(WHOLE)].map((match) => foundAt(match, match.groups!.plural !== undefined, true)),
    ...[...words.matchAll(ANY_SHORT)].map((match) => foundAt(match, false, sure.has(match.index))),
  ];
};
