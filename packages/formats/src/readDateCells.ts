import { en } from 'chrono-node';
import { fail, formatDay, parseDay, succeed, weekdayOf, weekdayWord, dayWordsWithYear, type Result } from '@yarin/core';

/** How the dates of a column are read. */
export interface DateReading {
  /** “3/4” is 3 April where days stand first; other dates of the column can prove it. */
  readonly dayFirst: boolean;
  /** First and last day of the term in which a date without a year lies. */
  readonly firstDay: string;
  readonly lastDay: string;
}

const NUMBERS = /^\D*(\d{1,2})[/-](\d{1,2})(?:[/-]|\b)/;
const MID_YEAR_DAYS = 182;
const TIME = /\d:\d\d/;
/** As this application writes them, and spreadsheets with seconds; read at once, since the parser takes a millisecond a cell. */
const PLAIN = /^(\d{4}-\d{2}-\d{2})(?:[ T]((?:[01]\d|2[0-3]):[0-5]\d)(?::\d{2})?)?$/;

/** What the numbers of a column prove about their order; `unsure` when they contradict each other. */
function orderOf(cells: readonly string[], dayFirst: boolean): 'dayFirst' | 'monthFirst' | 'unsure' {
  let [days, months] = [false, false];
  for (const cell of cells) {
    const match = NUMBERS.exec(cell);
    if (match === null) continue;
    if (Number(match[1]) > 12) days = true;
    if (Number(match[2]) > 12) months = true;
  }
  if (days && months) return 'unsure';
  return days || (dayFirst && !months) ? 'dayFirst' : 'monthFirst';
}

const problem = (code: string, message: string): Result<string | null> => fail([{ code, message, where: '' }]);

/**
 * Reads a column of dates as people and spreadsheets write them: “2027-02-18 23:59”, “2/18/27 11:59 PM”, “Thu 18 Feb”.
 *
 * @param cells  what stands in the column, and the time of day (`HH:mm`) of each where it gives none
 * @returns      for each the moment, `null` for an empty cell, or why it is none
 */
export function readDateCells(
  cells: readonly { readonly text: string; readonly time: string }[],
  { dayFirst, firstDay, lastDay }: DateReading,
): Result<string | null>[] {
  const order = orderOf(
    cells.map(({ text }) => text),
    dayFirst,
  );
  const middle = Math.floor((parseDay(firstDay) + parseDay(lastDay)) / 2);
  const reference = new Date(`${formatDay(middle - MID_YEAR_DAYS)}T12:00:00`);
  return cells.map(({ text: written, time }) => {
    const text = written.trim();
    if (text === '') return succeed(null);
    const [plain, plainDate, plainTime = time] = PLAIN.exec(text) ?? [];
    if (plain !== undefined && !Number.isNaN(parseDay(plainDate!))) return succeed(`${plainDate}T${plainTime}`);
    const numbers = NUMBERS.exec(text);
    if (order === 'unsure' && numbers !== null && Number(numbers[1]) <= 12 && Number(numbers[2]) <= 12)
      return problem(
        'ambiguous',
        `“${text}” could be two dates, since others of the column stand both ways; write the month in letters.`,
      );
    const parser = order === 'dayFirst' ? en.GB : en.casual;
    const [found, ...more] = parser.parse(text, reference, { forwardDate: true });
    const start = found?.start;
    if (start === undefined || !start.isCertain('day') || !start.isCertain('month'))
      return problem('noSuchDate', `“${text}” is no date that can be read; write it as 2027-02-18 23:59.`);
    if (!start.isCertain('hour') && TIME.test(text))
      return problem('noSuchTime', `“${text}” names a time of day that does not exist; write it as 23:59.`);
    if (more.length > 0) return problem('severalDates', `“${text}” holds several dates; give one.`);
    const date = `${start.get('year')}-${two(start.get('month'))}-${two(start.get('day'))}`;
    const day = parseDay(date);
    const said = start.isCertain('weekday') ? start.get('weekday') : null;
    if (said !== null && (said === 0 ? 7 : said) !== weekdayOf(day))
      return problem(
        'weekday',
        `${dayWordsWithYear(day)} is no ${weekdayWord(said === 0 ? 7 : said)}; one of the two is wrong.`,
      );
    const hour = start.isCertain('hour') ? `${two(start.get('hour'))}:${two(start.get('minute'))}` : time;
    return succeed(`${date}T${hour}`);
  });
}

const two = (value: number | null): string => String(value ?? 0).padStart(2, '0');
