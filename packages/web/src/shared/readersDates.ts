import * as written from '@yarin/core';
import { civilDate, inStyle, monthWord, USUAL_DATES, type DateStyle, type Day } from '@yarin/core';
import { computed, readonly, shallowRef } from 'vue';

// Dates and sentences as whoever signed in reads them. Everything that shows a date takes its words from here.

const style = shallowRef<DateStyle>(USUAL_DATES);

/** How whoever signed in reads dates. */
export const dateStyle = readonly(style);
export const setDateStyle = (next: DateStyle): void => void (style.value = next);

/** A sentence of the core or the server, with its dates as they are read here. */
export const asRead = (sentence: string): string => inStyle(sentence, style.value);

/** A sentence of the core about a calendar, which names days as they stand in files, with them as they are read here. */
export const problemWords = (sentence: string): string =>
  asRead(
    sentence.replace(/\b\d{4}-\d{2}-\d{2}\b/g, (date) => {
      const day = written.parseDay(date);
      return Number.isNaN(day) ? date : written.dayWordsWithYear(day);
    }),
  );

type Words<Of extends unknown[]> = (...of: Of) => string;
const read =
  <Of extends unknown[]>(words: Words<Of>): Words<Of> =>
  (...of) =>
    asRead(words(...of));

export const dayWords = read(written.dayWords);
export const dayWordsWithYear = read(written.dayWordsWithYear);
export const momentWords = read(written.momentWords);
export const patternWords = read(written.patternWords);
/** “2 Apr”, without its weekday. */
export function dateWords(day: Day): string {
  const { date, month } = civilDate(day);
  return style.value.order === 'dayFirst' ? `${date} ${monthWord(month)}` : `${monthWord(month)} ${date}`;
}

export const spanWords = read(written.spanWords);
export const explain = read(written.explain);

/** “23:59”, of `YYYY-MM-DDTHH:mm`. */
export const timeWords = (at: string): string => asRead(at.slice('YYYY-MM-DDT'.length));

/** How date fields write a day, a moment, and a moment that is mostly typed; formats of dayjs. */
export const fieldFormats = computed(() => {
  const { order, clock } = style.value;
  const [day, typed] = order === 'dayFirst' ? ['D MMM YYYY', 'YYYY-MM-DD'] : ['MMM D, YYYY', 'MM/DD/YYYY'];
  const time = clock === 24 ? 'HH:mm' : 'h:mm a';
  return { day, moment: `${day} ${time}`, typed: `${typed} ${time}` };
});
