import type { Weekday } from '../../calendar/day.js';
import { weekdayLike } from './writeDay.js';

const LETTERS = ['M', 'T', 'W', 'Th', 'F', 'Sa', 'Su'];

/** Whether weekdays are written by their first letters: “MW”, “TTh”. */
const isByLetters = (like: string): boolean => !/\p{L}\p{Ll}{2}/u.test(like);

/** Weekdays by their first letters as others were: “TTh”, “TuTh”, “TR”, “T/Th”. */
function byLetters(weekdays: readonly Weekday[], like: string): string {
  const tuesday = like.includes('Tu') ? 'Tu' : 'T';
  const thursday = like.includes('R') ? 'R' : 'Th';
  const between = /[/-]|,\s?|\s&\s/.exec(like)?.[0] ?? '';
  return weekdays
    .map((weekday) => (weekday === 2 ? tuesday : weekday === 4 ? thursday : LETTERS[weekday - 1]!))
    .join(between);
}

/** A list of weekdays as another was written: “Tuesdays and Thursdays”, “Tue/Thu”, “TTh”. */
export function weekdaysLike(weekdays: readonly Weekday[], like: string, first: string): string {
  if (isByLetters(like)) return byLetters(weekdays, like);
  const names = weekdays.map((weekday) => weekdayLike(weekday, first));
  const sign = /[/&+]/.exec(like)?.[0];
  if (sign !== undefined) return names.join(/\s[/&+]/.test(like) ? ` ${sign} ` : sign);
  if (names.length < 2) return names.join('');
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;
}
