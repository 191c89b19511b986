import { parseMinute, type Minute, type Weekday } from '../../calendar/day.js';
import type { Meeting } from '../../schemas/calendar.js';
import type { Finder, FoundPattern, Part, Refiner, WrittenHours } from '../found/found.js';
import { groupPart, groupSpan, matchAt, spanning } from '../found/match.js';
import { hoursOf, saysHalf, TIME, TO } from './findHours.js';
import { weekdayOfWord } from './names.js';
import { sentenceAround } from './sentences.js';

const WHOLE = '(?:[Mm]on|[Tt]ues|[Ww]ednes|[Tt]hurs|[Ff]ri|[Ss]atur|[Ss]un)days?';
const SHORT = '(?:Mon|Tues?|Weds?|Thu(?:rs?)?|Fri|Sat|Sun)\\b\\.?';
const ONE = `(?:${WHOLE}|${SHORT})`;
const AND = '(?:\\s*[,/&+]\\s*(?:and\\s+)?|\\s+and\\s+|[–-])';
/** “MW”, “TTh”, “TuTh”, “MWF”: each weekday by its first letters. */
const LETTER = '(?:M|Tu|Th|T|W|R|F|Sa|Su)';
const COMPACT = `${LETTER}(?:(?:[/-]|,\\s?|\\s&\\s)?${LETTER}){1,4}`;
const DAYS = new RegExp(
  `(?<![\\p{L}\\p{N}-])(?<days>${ONE}(?:${AND}${ONE}){0,6}|${COMPACT})(?![\\p{L}\\p{N}’'-])`,
  'dgu',
);
const OUR = /\bour\s+$/i;
const CLASS = /\s+(?:class(?:es)?|lectures?|labs?|seminars?|sections?|meetings?|sessions?)\b/iy;
const LONGEST_OUR = 8;

const HOURS = `(?<from>${TIME})(?:${TO}(?<to>${TIME}))?(?![\\w:%])`;
const HOURS_BEHIND = new RegExp(`,?[^\\S\\n]*(?:\\(|(?:at|from|@)[^\\S\\n]+|mornings?\\s+at\\s+)?${HOURS}`, 'diy');
/** “10:00–11:15 on Mondays”. */
const HOURS_BEFORE = new RegExp(`(?<![\\w:./,$€£-])${HOURS}[^\\S\\n]+on[^\\S\\n]+$`, 'di');
const LONGEST_BEFORE = 40;
const HOURS_ALONE = new RegExp(
  `(?<![\\w:./,$€£-])(?:(?<=\\bat )|(?=\\S{1,8}\\s?(?:[ap]\\.?m\\b\\.?)?\\s*(?:–|—|-|to)\\s*\\d)|(?=\\d{1,2}:\\d\\d))${HOURS}`,
  'dgi',
);

/** With one of these in its sentence a weekday or an hour alone means the class. */
const OF_THE_CLASS = /\b(?:class(?:es)?|lectures?|labs?|seminars?|sections?|meets?|meetings?|met)\b/i;
const OF_SOMETHING_ELSE = /\b(?:office|tutor(?:s|ing)?|library|help desk|drop-in|consultations?)\b/i;

const HALF_DAY = 720;

function hoursBehind(text: string, at: number): WrittenHours | undefined {
  const match = matchAt(HOURS_BEHIND, text, at);
  return match === null ? undefined : hoursOf(match);
}

function hoursBefore(text: string, at: number): WrittenHours | undefined {
  const start = Math.max(0, at - LONGEST_BEFORE);
  const match = HOURS_BEFORE.exec(text.slice(start, at));
  if (match === null) return undefined;
  const hours = hoursOf(match);
  const moved = (part: Part<Minute>): Part<Minute> => ({ ...part, start: part.start + start, end: part.end + start });
  return { from: moved(hours.from), ...(hours.to && { to: moved(hours.to) }) };
}

/** The meetings at which written hours are those of the class, on either clock where no half of the day is said. */
function meetingsAt(text: string, { from, to }: WrittenHours, meetings: readonly Meeting[]): Meeting[] {
  const isSure = saysHalf(text.slice(from.start, (to ?? from).end));
  const isMinute = ({ value }: Part<Minute>, minute: Minute): boolean =>
    value === minute || (!isSure && value < HALF_DAY && value + HALF_DAY === minute);
  return meetings.filter(
    ({ start, end }) => isMinute(from, parseMinute(start)) && (to === undefined || isMinute(to, parseMinute(end))),
  );
}

const EACH = new RegExp(`(?<day>${ONE})`, 'dg');
const ALL_LETTERS = new RegExp(`^${COMPACT}$`);
const EACH_LETTER = new RegExp(`(?<day>${LETTER})`, 'dg');
const LETTERS: Readonly<Record<string, Weekday>> = { M: 1, T: 2, Tu: 2, W: 3, Th: 4, R: 4, F: 5, Sa: 6, Su: 7 };

function weekdaysOf(text: string, from: number): Part<Weekday>[] {
  const isCompact = ALL_LETTERS.test(text);
  return [...text.matchAll(isCompact ? EACH_LETTER : EACH)].map((match) => {
    const { start, end, value } = groupPart(match, 'day', (day) => (isCompact ? LETTERS[day]! : weekdayOfWord(day)))!;
    return { start: start + from, end: end + from, value };
  });
}

/** Weekdays of the class, with its hours or without. */
function daysPattern(text: string, match: RegExpExecArray, meetings: readonly Meeting[]): FoundPattern | undefined {
  const days = groupSpan(match, 'days')!;
  const weekdays = weekdaysOf(match.groups!.days!, days.start);
  const own = meetings.filter(({ weekday }) => weekdays.some(({ value }) => value === weekday));
  if (weekdays.some(({ value }) => own.every(({ weekday }) => weekday !== value))) return undefined;
  const sentence = sentenceAround(text, days.start);
  const hours = hoursBehind(text, days.end) ?? hoursBefore(text, days.start);
  if (hours !== undefined) {
    const at = meetingsAt(text, hours, own);
    if (weekdays.some(({ value }) => at.every(({ weekday }) => weekday !== value))) return undefined;
    return { sort: 'pattern', ...spanning(text, [days, hours.from, hours.to]), weekdays, hours };
  }
  if (OF_SOMETHING_ELSE.test(sentence)) return undefined;
  const isWhole = meetings.every(({ weekday }) => weekdays.some(({ value }) => value === weekday));
  const isCompact = ALL_LETTERS.test(match.groups!.days!);
  if (!OF_THE_CLASS.test(sentence) && !(isWhole && weekdays.length > 1 && !isCompact)) return undefined;
  const our = OUR.exec(text.slice(Math.max(0, days.start - LONGEST_OUR), days.start));
  const named = our === null ? null : matchAt(CLASS, text, days.end);
  if (our === null || named === null) return { sort: 'pattern', ...spanning(text, [days]), weekdays };
  const whole = { start: days.start - our[0].length, end: days.end + named[0].length };
  return { sort: 'pattern', ...spanning(text, [whole]), weekdays };
}

/** Class days and class hours in words: “Mondays and Wednesdays at 10”, “MW 10:00–11:15”, “our Monday class”. */
const findPatterns: Finder<FoundPattern> = ({ words }, { meetings }) => {
  if (meetings.length === 0) return [];
  const days = [...words.matchAll(DAYS)].flatMap((match) => daysPattern(words, match, meetings) ?? []);
  const hours = [...words.matchAll(HOURS_ALONE)].flatMap((match): FoundPattern[] => {
    const own = hoursOf(match);
    if (meetingsAt(words, own, meetings).length === 0) return [];
    const sentence = sentenceAround(words, own.from.start);
    if (!OF_THE_CLASS.test(sentence) || OF_SOMETHING_ELSE.test(sentence)) return [];
    return [{ sort: 'pattern', ...spanning(words, [own.from, own.to]), weekdays: [], hours: own }];
  });
  return [...days, ...hours];
};

/** Class days and hours are read when those of dates are known: what belongs to a date is none. */
export const joinPatterns: Refiner = (found, prose, context) => [...found, ...findPatterns(prose, context)];
