import type { Minute } from '../../calendar/day.js';
import type { Finder, FoundHours, WrittenHours } from '../found/found.js';
import { groupPart, spanning } from '../found/match.js';
import { ANY_MONTH } from './names.js';

const HALF = '(?:[ap]m\\b|[ap]\\.\\s?m\\.)';
export const TIME = `(?:noon|midnight|(?:2[0-3]|[01]?\\d)(?::[0-5]\\d)?(?:\\s?${HALF})?)`;
/** Between the hours from one to another. */
export const TO = '\\s*(?:–|—|-|\\bto\\b|\\buntil\\b|\\btill\\b)\\s*';
const HOURS = new RegExp(
  `(?<![\\w:./,$€£-]|\\b${ANY_MONTH}\\.?\\s)(?<from>${TIME})(?:${TO}(?<to>${TIME}))?(?![\\w:%°]|[./,-]\\d|\\s?(?:%|°|st\\b|nd\\b|rd\\b|th\\b))`,
  'dgi',
);

/** Whether words name an hour by themselves: “10:00”, “5 pm”, “noon”, not “10”. */
const isHour = (text: string): boolean => text.includes(':') || saysHalf(text);

/** Whether the half of the day is said: “5 pm”, “noon”. */
export const saysHalf = (text: string): boolean => /[ap]\.?\s?m|noon|midnight/i.test(text);

/** Which half of the day is written. */
const halfOf = (text: string): 'a' | 'p' | undefined =>
  /noon|midnight/i.test(text) ? undefined : (/[ap]/i.exec(text)?.[0].toLowerCase() as 'a' | 'p' | undefined);

const MINUTES_IN_HALF = 720;

/** Minutes of the day as written; without “am” or “pm” and without one to share, by the clock of 24 hours. */
function minutesOf(text: string, shared?: 'a' | 'p'): Minute {
  const named = text.toLowerCase();
  if (named === 'noon') return MINUTES_IN_HALF;
  if (named === 'midnight') return 0;
  const half = halfOf(text) ?? shared;
  const [hour = 0, minute = 0] = (/(\d{1,2})(?::(\d\d))?/.exec(text) ?? []).slice(1).map((each) => Number(each ?? 0));
  const inHalf = half === undefined || hour > 12 ? hour : (hour % 12) + (half === 'p' ? 12 : 0);
  return inHalf * 60 + minute;
}

/** The half of the day that the first of two hours is in, when it is written behind the last alone: “10–11:15 am”, “11–12:15 pm”. */
function sharedHalf(from: string, to: string | undefined): 'a' | 'p' | undefined {
  const half = to === undefined || halfOf(from) !== undefined ? undefined : halfOf(to);
  return half === 'p' && minutesOf(from, 'p') > minutesOf(to!) ? 'a' : half;
}

/** The hours of a match with the groups `from` and `to`, bare numbers too. */
export function hoursOf(match: RegExpMatchArray): WrittenHours {
  const { from: first = '', to: last } = match.groups!;
  const from = groupPart(match, 'from', (text) => minutesOf(text, sharedHalf(first, last)))!;
  const to = groupPart(match, 'to', (text) => minutesOf(text));
  return to === undefined ? { from } : { from, to };
}

/** Hours as people write them: “5 pm”, “17:00”, “noon”, “10–11:15 am”. A bare number is none by itself. */
export const findHours: Finder<FoundHours> = ({ words }) =>
  [...words.matchAll(HOURS)]
    .filter(({ groups }) => isHour(groups!.from!) || isHour(groups!.to ?? ''))
    .map((match) => {
      const hours = hoursOf(match);
      return { sort: 'hours', ...spanning(words, [hours.from, hours.to]), hours };
    });
