import type { Weekday } from '../../calendar/day.js';

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
/** “Tues.” and “Thurs.” are longer than three letters, and “Weds.”; the others are not. */
const LONGER_WEEKDAYS = ['Mon', 'Tues', 'Wed', 'Thurs', 'Fri', 'Sat', 'Sun'];
const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];
const SHORT = 3;

/** A word in the letters of another: small, capital, or as a name. */
export function inLettersOf(word: string, like: string): string {
  const letters = like.replace(/[^\p{L}]/gu, '');
  if (letters.length > 1 && letters === letters.toUpperCase()) return word.toUpperCase();
  return letters === letters.toLowerCase() && letters !== '' ? word.toLowerCase() : word;
}

/** “.” of “Mar.”, which a word that is written out has not. */
const dotOf = (like: string, isShort: boolean): string => (isShort && like.endsWith('.') ? '.' : '');

/** A weekday as another was written: “Thursday”, “Thu”, “Thurs.”, “Thursdays”. */
export function weekdayLike(weekday: Weekday, like: string): string {
  const letters = like.replace('.', '');
  const whole = WEEKDAYS[weekday - 1]!;
  if (/days?$/i.test(letters)) return inLettersOf(/s$/i.test(letters) ? `${whole}s` : whole, letters);
  const short = letters.length > SHORT ? LONGER_WEEKDAYS[weekday - 1]! : whole.slice(0, SHORT);
  return inLettersOf(short, letters) + dotOf(like, true);
}

/** Whether a month is written short: “Mar”, “Sept.”; “May” can be either. */
export const isShortMonth = (word: string): boolean | undefined => {
  const letters = word.replace('.', '');
  if (/^may$/i.test(letters)) return word.endsWith('.') ? true : undefined;
  return !MONTHS.some((month) => month.toLowerCase() === letters.toLowerCase());
};

/**
 * A month as another was written: “March”, “Mar”, “Mar.”.
 *
 * @param isShort  where “May” was written, which can be either: whether the text writes other months short
 */
export function monthLike(month: number, like: string, isShort = false): string {
  const whole = MONTHS[month - 1]!;
  if (!(isShortMonth(like) ?? isShort)) return inLettersOf(whole, like);
  const written = month === 9 && /^sept\.?$/i.test(like) ? 'Sept' : whole.slice(0, SHORT);
  return inLettersOf(written, like) + dotOf(like, written.length < whole.length);
}

/** “st”, “nd”, “rd” or “th” of a day of the month, in the letters of another. */
export function ordinalLike(date: number, like: string): string {
  const teens = date % 100 >= 11 && date % 100 <= 13;
  const ending = teens ? 'th' : (['th', 'st', 'nd', 'rd'][date % 10] ?? 'th');
  return inLettersOf(ending, like);
}

/** A number in as many figures as another: “03” for “09”, “3” for “9”. */
export const numberLike = (value: number, like: string, isPadded = like.startsWith('0')): string =>
  isPadded ? String(value).padStart(like.length, '0') : String(value);

/** A year in as many figures as another: “2027”, “27”. */
export const yearLike = (year: number, like: string): string => String(year).slice(-like.length);
