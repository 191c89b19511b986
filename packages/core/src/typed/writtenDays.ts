import { dayWordsWithYear, monthWord } from '../calendar/dateWords.js';
import { civilDate, dayFrom, type Day } from '../calendar/day.js';
import type { DayReader, ReadDay, TypedContext } from './typedContext.js';
import { ANY_MONTH as MONTH, ANY_WEEKDAY as WEEKDAY, monthOf, weekdayOfWord } from '../words/english/names.js';

const START = `^(?:(?<weekday>${WEEKDAY})\\.?,? )?(?:the )?`;
const DATE = '(?<date>\\d{1,2})(?:st|nd|rd|th)?';
const YEAR = '(?:,? (?<year>\\d{4}|\\d\\d))?$';
const DATE_FIRST = new RegExp(`${START}${DATE}(?: of)?[ .-]{0,2}(?<month>${MONTH})\\.?${YEAR}`);
const MONTH_FIRST = new RegExp(`${START}(?<month>${MONTH})\\.? ?(?:the )?${DATE}${YEAR}`);
const ISO = new RegExp(`${START}(?<year>\\d{4})-(?<month>\\d{1,2})-(?<date>\\d{1,2})$`);
const DOTTED = new RegExp(`${START}(?<date>\\d{1,2})\\. ?(?<month>\\d{1,2})\\.? ?(?<year>\\d{4}|\\d\\d)?$`);
const NUMBERS = new RegExp(`${START}(?<a>\\d{1,2})(?:/|-)(?<b>\\d{1,2})(?:(?:/|-)(?<year>\\d{4}|\\d\\d))?$`);

const fullYear = (text: string | undefined): number | undefined =>
  text === undefined ? undefined : text.length === 2 ? 2000 + Number(text) : Number(text);

/** Days of a month, which has 29 in February where no year is known. */
const daysIn = (month: number, year: number | undefined): number => {
  let date = 31;
  while (Number.isNaN(dayFrom(year ?? 2000, month, date))) date--;
  return date;
};

const distance = (day: Day, { firstDay, lastDay }: { readonly firstDay: Day; readonly lastDay: Day }): number =>
  Math.max(0, firstDay - day, day - lastDay);

const LAST_OF_EVERY_MONTH = 28;

/** The year that is typed; else the one in which the date lies in the term, or nearest to it. */
function yearOf(
  year: number | undefined,
  month: number,
  date: number,
  { term, day: at }: TypedContext,
): number | undefined {
  if (year !== undefined) return year;
  const near = term ?? (at === undefined ? undefined : { firstDay: at, lastDay: at });
  if (near === undefined) return undefined;
  const first = civilDate(near.firstDay).year;
  const away = (candidate: number): number =>
    distance(dayFrom(candidate, month, Math.min(date, LAST_OF_EVERY_MONTH)), near);
  return [first - 1, first, first + 1, first + 2].reduce((best, each) => (away(each) < away(best) ? each : best));
}

function read(
  year: number | undefined,
  month: number,
  date: number,
  weekday: string | undefined,
  context: TypedContext,
): ReadDay {
  if (month < 1 || month > 12)
    return {
      code: 'noSuchDate',
      message: `There is no month ${month}; write the month in letters, as “${date} ${monthWord(1)}”.`,
    };
  const ofYear = date < 1 ? year : yearOf(year, month, date, context);
  if (date < 1 || date > daysIn(month, ofYear))
    return {
      code: 'noSuchDate',
      message: `There is no ${date} ${monthWord(month)}; that month has ${daysIn(month, ofYear)} days${ofYear === undefined ? '' : ` in ${ofYear}`}.`,
    };
  if (ofYear === undefined)
    return { code: 'noYear', message: `Give the year too, as “${date} ${monthWord(month)} 2027”.` };
  const day = dayFrom(ofYear, month, date);
  return weekday === undefined ? { day } : { day, weekday: weekdayOfWord(weekday) };
}

/** “Thu 18 Feb 2027”, “18th of February”, “Feb 18, 2027”. */
const inLetters: DayReader = (text, context) => {
  const groups = (DATE_FIRST.exec(text) ?? MONTH_FIRST.exec(text))?.groups;
  if (groups === undefined) return undefined;
  return read(fullYear(groups.year), monthOf(groups.month!), Number(groups.date), groups.weekday, context);
};

/** “2027-02-18”. */
const iso: DayReader = (text, context) => {
  const groups = ISO.exec(text)?.groups;
  if (groups === undefined) return undefined;
  return read(Number(groups.year), Number(groups.month), Number(groups.date), groups.weekday, context);
};

/** “18.2.”, “18.02.2027”: the day first. */
const dotted: DayReader = (text, context) => {
  const groups = DOTTED.exec(text)?.groups;
  if (groups === undefined) return undefined;
  return read(fullYear(groups.year), Number(groups.month), Number(groups.date), groups.weekday, context);
};

/** “2/18”, “2/18/2027”, “18-2-27”: in the reader's order, the other where only that is possible. */
const numbers: DayReader = (text, context) => {
  const groups = NUMBERS.exec(text)?.groups;
  if (groups === undefined) return undefined;
  const [a, b] = [Number(groups.a), Number(groups.b)];
  const [date, month] = context.order === 'dayFirst' ? [a, b] : [b, a];
  if (month > 12 && date <= 12)
    return {
      code: 'otherOrder',
      message: `There is no month ${month}; dates are read ${context.order === 'dayFirst' ? 'day' : 'month'} first here, so write “${month} ${monthWord(date)}”.`,
    };
  return read(fullYear(groups.year), month, date, groups.weekday, context);
};

/** Dates as they stand on a calendar. */
export const WRITTEN_DAYS: readonly DayReader[] = [iso, inLetters, dotted, numbers];

/** What is wrong when a weekday is typed that the date has not. */
export const noSuchWeekday = (day: Day, weekday: string): string =>
  `${dayWordsWithYear(day)} is no ${weekday}; one of the two is wrong.`;
