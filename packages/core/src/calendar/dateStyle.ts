import { monthWord, weekdayWord } from './dateWords.js';

/** How a person reads dates: “Tue 16 Mar” or “Tue, Mar 16”, “23:59” or “11:59 pm”. */
export interface DateStyle {
  readonly order: 'dayFirst' | 'monthFirst';
  readonly clock: 24 | 12;
}

/** How every sentence writes them: “Tue 16 Mar 2027”, “Wed 6 May 09:00”, “15–21 Mar”. */
export const USUAL_DATES: DateStyle = { order: 'dayFirst', clock: 24 };

const oneOf = (words: readonly string[]): string => `(?:${words.join('|')})`;
const WEEKDAY = oneOf(Array.from({ length: 7 }, (_, at) => weekdayWord(at + 1)));
const MONTH = oneOf(Array.from({ length: 12 }, (_, at) => monthWord(at + 1)));
const DATE = new RegExp(
  `\\b(?<weekday>${WEEKDAY}) (?<days>\\d{1,2}) (?<month>${MONTH})\\b(?: (?<year>\\d{4})\\b)?(?<before> (?=\\d\\d:\\d\\d\\b))?`,
  'g',
);
const SPAN = new RegExp(`\\b(?<days>\\d{1,2}–\\d{1,2}) (?<month>${MONTH})\\b`, 'g');
const LONG_SPAN = new RegExp(`\\b(?<first>\\d{1,2}) (?<from>${MONTH}) – (?<last>\\d{1,2}) (?<to>${MONTH})\\b`, 'g');
const TIME = /\b(?<hour>[01]\d|2[0-3]):(?<minute>[0-5]\d)\b(?! [ap]m\b)/g;

/**
 * A sentence with its dates and times as a person reads them. Sentences are kept and go to several people, so they write
 * dates in one way, `USUAL_DATES`; this is for where one is shown. What is in style already stays as it is.
 */
export function inStyle(sentence: string, { order, clock }: DateStyle): string {
  const ordered = order === 'dayFirst' ? sentence : monthsFirst(sentence);
  return clock === 24 ? ordered : ordered.replace(TIME, (...match) => onTwelve(match.at(-1)));
}

const monthsFirst = (sentence: string): string =>
  sentence
    .replace(DATE, (...match) => monthFirst(match.at(-1)))
    .replace(SPAN, '$<month> $<days>')
    .replace(LONG_SPAN, '$<from> $<first> – $<to> $<last>');

type Groups = Readonly<Record<string, string | undefined>>;

const monthFirst = ({ weekday, days, month, year, before }: Groups): string =>
  `${weekday}, ${month} ${days}${year === undefined ? '' : `, ${year}`}${before === undefined ? '' : ', '}`;

function onTwelve({ hour, minute }: Groups): string {
  const hours = Number(hour);
  return `${hours % 12 === 0 ? 12 : hours % 12}:${minute} ${hours < 12 ? 'am' : 'pm'}`;
}
