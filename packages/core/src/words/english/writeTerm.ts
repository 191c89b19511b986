import { partsOfTerm, shortSeasons } from './findTerms.js';
import { inLettersOf } from './writeDay.js';

/**
 * A new term's name as the old one was written: “Fall 2026”, “fall semester of 2026”, “Fa26”.
 *
 * @param like  the season and the year as they were written; a year may have an apostrophe
 * @returns     what stands for each of both, or `undefined` where one of the names has no season and year
 */
export function termLike(
  oldName: string,
  newName: string,
  like: { readonly season: string; readonly year: string },
): { readonly season: string; readonly year: string } | undefined {
  const before = partsOfTerm(oldName);
  const after = partsOfTerm(newName);
  if (before === undefined || after === undefined) return undefined;
  const figures = like.year.replace(/\D/g, '');
  return {
    season: inLettersOf(seasonLike(before.season, after.season, like.season), like.season),
    year: like.year.slice(0, -figures.length) + after.year.slice(-figures.length),
  };
}

/** As short as the other is, whole where the other is. */
function seasonLike(before: string, after: string, like: string): string {
  const short = shortSeasons(before).findIndex((form) => form.toLowerCase() === like.toLowerCase());
  const forms = shortSeasons(after);
  return short < 0 ? after : forms[Math.min(short, forms.length - 1)]!;
}
