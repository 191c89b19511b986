import Holidays from 'date-holidays';
import { formatDay, parseDay, type Closure } from '@yarin/core';

const MS_PER_DAY = 86_400_000;

export interface Region {
  readonly code: string;
  readonly name: string;
}

const byName = (names: Readonly<Record<string, string>> | undefined): Region[] =>
  Object.entries(names ?? {})
    .map(([code, name]) => ({ code, name }))
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));

/** Countries whose public holidays are known. */
export const holidayCountries = (): Region[] => byName(new Holidays().getCountries('en'));

/** Regions of a country with holidays of their own; empty when there are none. */
export const holidayRegions = (country: string): Region[] =>
  byName(new Holidays().getStates(country, 'en') as Record<string, string> | undefined);

/**
 * Public holidays of a country or region, each as a closed day. A holiday that falls on a weekend and is kept on another
 * day stands on both; what is only observed or optional is none.
 *
 * @param from  first and last day, both included: `YYYY-MM-DD`
 * @param region  empty for the whole country
 */
export function publicHolidays(country: string, region: string, from: string, to: string): Closure[] {
  const calendar = region === '' ? new Holidays(country) : new Holidays(country, region);
  const years = [Number(from.slice(0, 4)), Number(to.slice(0, 4))];
  const closures: Closure[] = [];
  for (let year = years[0]!; year <= years[1]!; year++)
    for (const { date, type, name, start, end } of calendar.getHolidays(year, 'en') ?? []) {
      const first = date.slice(0, 'YYYY-MM-DD'.length);
      const days = Math.max(1, Math.round((end.getTime() - start.getTime()) / MS_PER_DAY));
      const last = formatDay(parseDay(first) + days - 1);
      if (type !== 'public' || last < from || first > to) continue;
      closures.push({ from: first, to: last, label: name.replace(' (substitute day)', ', observed'), kind: 'holiday' });
    }
  return closures;
}
