import type { Weekday } from '../../calendar/day.js';

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

/** A month, whole or short, where letters count alike. */
export const ANY_MONTH =
  '(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)';
/** A weekday, whole or short, where letters count alike. */
export const ANY_WEEKDAY =
  '(?:mon(?:day)?|tue(?:s(?:day)?)?|wed(?:nesday)?|thu(?:r(?:s(?:day)?)?)?|fri(?:day)?|sat(?:urday)?|sun(?:day)?)';

/** The same as a name, or small. */
export const WEEKDAY =
  '(?:[Mm]on(?:day)?|[Tt]ue(?:s(?:day)?)?|[Ww]ed(?:nesday)?|[Tt]hu(?:r(?:s(?:day)?)?)?|[Ff]ri(?:day)?|[Ss]at(?:urday)?|[Ss]un(?:day)?)';

/** 1 to 12. */
export const monthOf = (word: string): number => MONTHS.indexOf(word.slice(0, 3).toLowerCase()) + 1;
export const weekdayOfWord = (word: string): Weekday => WEEKDAYS.indexOf(word.slice(0, 3).toLowerCase()) + 1;

const FULL_MONTHS =
  'January|February|March|April|May|June|July|August|September|October|November|December|JANUARY|FEBRUARY|MARCH|APRIL|MAY|JUNE|JULY|AUGUST|SEPTEMBER|OCTOBER|NOVEMBER|DECEMBER';
const SHORT_MONTHS = '(?:Jan|Feb|Mar|Apr|Jun|Jul|Aug|Sept?|Oct|Nov|Dec|JAN|FEB|MAR|APR|JUN|JUL|AUG|SEPT?|OCT|NOV|DEC)';
/** Written small only where it can be no other word; “may” and “march” are verbs too. */
const SMALL_MONTHS = 'january|february|april|june|july|august|september|october|november|december';
/** A month as people write it in a sentence. */
export const MONTH = `(?:${FULL_MONTHS}|${SMALL_MONTHS}|${SHORT_MONTHS}\\b\\.?|(?<=\\b(?:on|by|until|till|before|after|from|of|day,?) )(?:may|march)|(?:may|march)(?= \\d{1,2}(?:st|nd|rd|th)))`;

/** The day of a month, with what makes an ordinal number of it. */
export const ORDINAL = '(?:st|nd|rd|th)';
export const DATE = '(?:3[01]|[12]\\d|0?[1-9])';
