import { civilDate, formatMinute, parseDay, weekdayOf, type Day, type Minute, type Weekday } from './day.js';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

export const weekdayWord = (weekday: Weekday): string => WEEKDAYS[weekday - 1]!;
export const monthWord = (month: number): string => MONTHS[month - 1]!;

/** “Tue 17 Mar”. */
export function dayWords(day: Day): string {
  const { month, date } = civilDate(day);
  return `${weekdayWord(weekdayOf(day))} ${date} ${monthWord(month)}`;
}

/** “Tue 17 Mar 2027”. */
export const dayWordsWithYear = (day: Day): string => `${dayWords(day)} ${civilDate(day).year}`;

/** “Tue 17 Mar 23:59”, from `YYYY-MM-DDTHH:mm`. */
export const momentWords = (at: string): string => `${dayWords(parseDay(at))} ${at.slice('YYYY-MM-DDT'.length)}`;

/** The class days of a pattern: “Mon Wed”; empty without any. */
export function weekdayWords(pattern: readonly { readonly weekday: Weekday }[]): string {
  const weekdays = [...new Set(pattern.map(({ weekday }) => weekday))].sort((a, b) => a - b);
  return weekdays.map(weekdayWord).join(' ');
}

/** The class days of a pattern with their hours: “Mon Wed 10:00”, “Tue Thu 14:00, Fri 09:00”. */
export function patternWords(pattern: readonly { readonly weekday: Weekday; readonly start: string }[]): string {
  const hours = [...new Set(pattern.map(({ start }) => start))];
  const at = (hour: string): string => `${weekdayWords(pattern.filter(({ start }) => start === hour))} ${hour}`;
  return pattern.length === 0 ? 'no class days' : hours.map(at).join(', ');
}

/** “14:00”. */
export const minuteWords = (minute: Minute): string => formatMinute(minute);
