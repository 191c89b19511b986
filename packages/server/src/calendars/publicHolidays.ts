import type { Closure } from '@yarin/core';
import { unusable } from '../http/httpProblem.js';
import type { Query } from '../database/query.js';

/** The lists of the world's holidays are loaded when somebody first asks for them. */
const lists = () => import('@yarin/formats/publicHolidays');

export interface Place {
  readonly code: string;
  readonly name: string;
}

/** Countries, and the regions of one; those of none while no country is chosen. */
export const publicHolidayPlaces: Query<
  { readonly country: string },
  { readonly countries: readonly Place[]; readonly regions: readonly Place[] }
> = async (_context, { country }) => {
  const { holidayCountries, holidayRegions } = await lists();
  return { countries: holidayCountries(), regions: country === '' ? [] : holidayRegions(country) };
};

export const publicHolidayDays: Query<
  { readonly country: string; readonly region: string; readonly from: string; readonly to: string },
  { readonly closures: readonly Closure[]; readonly unread: readonly [] }
> = async (_context, { country, region, from, to }) => {
  const { holidayCountries, publicHolidays } = await lists();
  if (!holidayCountries().some(({ code }) => code === country)) throw unusable('Choose one of the countries.');
  return { closures: publicHolidays(country, region, from, to), unread: [] };
};
