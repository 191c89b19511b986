import { ANY_MONTH as MONTH, ANY_WEEKDAY as WEEKDAY } from '../words/english/names.js';

/** A date, or the first and the last of several days, as they stand in a line. */
export interface WrittenSpan {
  /** Where it stands in the line, in UTF-16 units. */
  readonly index: number;
  readonly text: string;
  readonly from: string;
  readonly to: string;
  /** Two days by themselves (“29 and 30 April”), not the days from one to the other. */
  readonly isPair: boolean;
}

const ORDINAL = '(?:st|nd|rd|th)?';
const YEAR = '(?:,? \\d{4}\\b)?';
const ON = `(?:(?:${WEEKDAY})\\.?,? )?(?:the )?`;
const DAY = `\\d{1,2}${ORDINAL}`;
const DATE_FIRST = `${DAY}(?: of)?[ .-]{0,2}${MONTH}\\b\\.?${YEAR}`;
const MONTH_FIRST = `${MONTH}\\b\\.? ?(?:the )?${DAY}\\b`;
const DOTTED = '\\d{1,2}\\. ?\\d{1,2}\\.(?: ?\\d{4}| ?\\d\\d\\b)?';
const NUMBERS = '\\d{1,2}/\\d{1,2}(?:/(?:\\d{4}|\\d\\d))?|\\d{1,2}-\\d{1,2}-(?:\\d{4}|\\d\\d)';
const ISO = '\\d{4}-\\d{1,2}-\\d{1,2}';
const DATE = `${ON}(?:${ISO}|${DATE_FIRST}|${MONTH_FIRST}${YEAR}|${DOTTED}|${NUMBERS})`;
const TO = ' ?(?:-|–|—|\\bto\\b|\\buntil\\b|\\btill\\b|\\bthrough\\b) ?';
/** First and last day in columns of their own. */
const BESIDE = ' ?[|;]? ?';
const AND = '(?: ?[,&]| and| ?, and) ';

const SPAN = new RegExp(
  `(?<![\\w./-])(?:${[
    `(?<first>${DATE})(?:${TO}|${BESIDE})(?<last>${DATE})`,
    `(?<firstIso>${ISO}) ?, ?(?<lastIso>${ISO})`,
    `(?<date>${ON}${DAY})\\.?(?:${TO}|(?<and>${AND}))(?<ofMonth>${ON}(?:${DATE_FIRST}|${DOTTED}))`,
    `(?<inMonth>${ON}(?<month>${MONTH})\\b\\.? ?(?:the )?${DAY})(?:${TO}|(?<andInMonth>${AND}))(?<until>${ON}${DAY}\\b)(?<year>${YEAR})`,
    `(?<day>${DATE})`,
  ].join('|')})(?![\\w/])`,
  'gi',
);

const MONTH_AND_YEAR = new RegExp(`(?:of|[ .-])*(?:${MONTH}\\b\\.?${YEAR}|\\d{1,2}\\.(?: ?\\d{2,4})?)$`, 'i');

/**
 * The dates and spans in a line, as people and tables write them: “15–21 March 2027”, “March 15 to 21”, “Mon 15 Mar – Sun 21 Mar”,
 * “15.3.–21.3.2027”. Its own text is not judged: `from` and `to` are for a reader of dates.
 *
 * @param line  with single spaces
 */
export function findWrittenSpans(line: string): WrittenSpan[] {
  return [...line.matchAll(SPAN)].map((match): WrittenSpan => {
    const groups = match.groups as Readonly<Record<string, string | undefined>>;
    const own = { index: match.index, text: match[0], isPair: false };
    if (groups.first !== undefined) return { ...own, from: groups.first, to: groups.last! };
    if (groups.firstIso !== undefined) return { ...own, from: groups.firstIso, to: groups.lastIso! };
    if (groups.date !== undefined)
      return {
        ...own,
        from: `${groups.date}${MONTH_AND_YEAR.exec(groups.ofMonth!)![0]}`,
        to: groups.ofMonth!,
        isPair: groups.and !== undefined,
      };
    if (groups.inMonth !== undefined)
      return {
        ...own,
        from: `${groups.inMonth}${groups.year!}`,
        to: `${groups.until!} ${groups.month!}${groups.year!}`,
        isPair: groups.andInMonth !== undefined,
      };
    return { ...own, from: groups.day!, to: groups.day! };
  });
}
