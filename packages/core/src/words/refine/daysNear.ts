import { civilDate, dayFrom, parseDay, weekdayOf, type Day } from '../../calendar/day.js';
import type { Calendar } from '../../schemas/calendar.js';
import type { WrittenDay } from '../found/found.js';

/** How far outside the old term a date still means it, in days. */
const NEAR_DAYS = 60;

/** Reads a written day: the day that it is in or near the term, or none. Without a year it is the one nearest to the term. */
export type DayNear = (written: Pick<WrittenDay, 'month' | 'date' | 'year'>) => Day | undefined;

export function daysNear({ firstDay, lastDay }: Pick<Calendar, 'firstDay' | 'lastDay'>): DayNear {
  const [first, last] = [parseDay(firstDay), parseDay(lastDay)];
  const { year } = civilDate(first);
  const away = (day: Day): number => Math.max(0, first - day, day - last);
  return (written) => {
    const years = written.year === undefined ? [year - 1, year, year + 1] : [written.year.value];
    let nearest: Day | undefined;
    for (const each of years) {
      const day = dayFrom(each, written.month.value, written.date.value);
      if (away(day) <= NEAR_DAYS && (nearest === undefined || away(day) < away(nearest))) nearest = day;
    }
    return nearest;
  };
}

/** The same day with its two numbers read the other way round. */
export const swapped = (written: WrittenDay): WrittenDay => ({ ...written, month: written.date, date: written.month });

/** Whether a day is the weekday that is written beside it; any is, where none is. */
export const fitsWeekday = (day: Day, { weekday }: Pick<WrittenDay, 'weekday'>): boolean =>
  weekday === undefined || weekday.value === weekdayOf(day);
