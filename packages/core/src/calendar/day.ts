/** Days since 1970-01-01 in the proleptic Gregorian calendar. All date arithmetic of the core is on these. */
export type Day = number;
/** Minutes since midnight, 0 to 1439, wall clock. */
export type Minute = number;
/** ISO weekday: 1 = Monday to 7 = Sunday. */
export type Weekday = number;

export const MINUTES_PER_DAY = 1440;

/** The number of the two digits at `from`; NaN when there is something else. */
const twoDigits = (text: string, from: number): number => {
  const tens = text.charCodeAt(from) - 48;
  const ones = text.charCodeAt(from + 1) - 48;
  return tens >= 0 && tens <= 9 && ones >= 0 && ones <= 9 ? tens * 10 + ones : NaN;
};

const daysInMonth = (year: number, month: number): number => {
  if (month === 2) return (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0 ? 29 : 28;
  return month === 4 || month === 6 || month === 9 || month === 11 ? 30 : 31;
};

/** The day of a year, month (1 to 12) and day of the month, or NaN when there is no such date. */
export function dayFrom(year: number, month: number, date: number): Day {
  if (!(month >= 1 && month <= 12 && date >= 1 && date <= daysInMonth(year, month))) return NaN;
  const shifted = month > 2 ? year : year - 1;
  const era = Math.floor(shifted / 400);
  const yearOfEra = shifted - era * 400;
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + date - 1;
  return (
    era * 146_097 + yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear - 719_468
  );
}

/** Reads the `YYYY-MM-DD` that `text` begins with; NaN when there is no such date. */
export function parseDay(text: string): Day {
  if (text.length < 10 || text[4] !== '-' || text[7] !== '-') return NaN;
  return dayFrom(twoDigits(text, 0) * 100 + twoDigits(text, 2), twoDigits(text, 5), twoDigits(text, 8));
}

/** Reads the `HH:mm` at `from`; NaN when there is no such time of day. */
export function parseMinute(text: string, from = 0): Minute {
  if (text.length !== from + 5 || text[from + 2] !== ':') return NaN;
  const hour = twoDigits(text, from);
  const minute = twoDigits(text, from + 3);
  return hour <= 23 && minute <= 59 ? hour * 60 + minute : NaN;
}

export interface CivilDate {
  readonly year: number;
  readonly month: number;
  readonly date: number;
}

export function civilDate(day: Day): CivilDate {
  const shifted = day + 719_468;
  const era = Math.floor(shifted / 146_097);
  const dayOfEra = shifted - era * 146_097;
  const yearOfEra = Math.floor(
    (dayOfEra - Math.floor(dayOfEra / 1460) + Math.floor(dayOfEra / 36_524) - Math.floor(dayOfEra / 146_096)) / 365,
  );
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
  const shiftedMonth = Math.floor((5 * dayOfYear + 2) / 153);
  const month = shiftedMonth < 10 ? shiftedMonth + 3 : shiftedMonth - 9;
  return {
    year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
    month,
    date: dayOfYear - Math.floor((153 * shiftedMonth + 2) / 5) + 1,
  };
}

const two = (value: number): string => (value < 10 ? `0${value}` : `${value}`);

export function formatDay(day: Day): string {
  const { year, month, date } = civilDate(day);
  return `${String(year).padStart(4, '0')}-${two(month)}-${two(date)}`;
}

export const formatMinute = (minute: Minute): string => `${two(Math.floor(minute / 60))}:${two(minute % 60)}`;

export const formatMoment = (day: Day, minute: Minute): string => `${formatDay(day)}T${formatMinute(minute)}`;

export const weekdayOf = (day: Day): Weekday => ((((day + 3) % 7) + 7) % 7) + 1;

/** First day of the calendar week that `day` lies in, for weeks that start on `weekStartsOn`. */
export const weekStartOf = (day: Day, weekStartsOn: Weekday): Day => day - ((weekdayOf(day) - weekStartsOn + 7) % 7);
