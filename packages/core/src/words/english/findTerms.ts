import type { Finder, FoundTerm, WordContext } from '../found/found.js';
import { groupSpan, literally, oncePer, spanning } from '../found/match.js';

const SEASON = /\b(?:spring|summer|fall|autumn|winter)\b/i;
const SHORT_FORMS: Readonly<Record<string, string>> = {
  spring: 'Spr|Sp|S',
  summer: 'Sum|Su|S',
  fall: 'Fal|Fa|F',
  autumn: 'Aut|Au|A',
  winter: 'Win|Wi|W',
};

/** What a term's name says: “Spring 2026” a season and a year; another name nothing that is known. */
export function partsOfTerm(name: string): { readonly season: string; readonly year: string } | undefined {
  const year = /(?:19|20)\d\d/.exec(name)?.[0];
  const season = SEASON.exec(name)?.[0] ?? /\p{L}+/u.exec(name)?.[0];
  return year === undefined || season === undefined ? undefined : { season, year };
}

/** The short forms of a season, the shortest last. */
export const shortSeasons = (season: string): readonly string[] =>
  (SHORT_FORMS[season.toLowerCase()] ?? season.slice(0, 2)).split('|');

/** The old term's own name and its short forms: “Spring 2026”, “spring semester of 2026”, “Spring '26”, “Sp26”, “S26”. */
const termPatterns = oncePer(({ termName: name }: WordContext): RegExp[] => {
  const edged = (pattern: string): RegExp =>
    new RegExp(`(?<![\\p{L}\\p{N}_-])(?:${pattern})(?![\\p{L}\\p{N}_])`, 'dgiu');
  const parts = partsOfTerm(name);
  if (parts === undefined) return [edged(literally(name.trim()))];
  const { season, year } = parts;
  const words = `(?<season>${/^(?:fall|autumn)$/i.test(season) ? 'fall|autumn' : literally(season)})`;
  const span = '(?:\\s+(?:semester|term|quarter|session))?';
  const short = shortSeasons(season).map(literally).join('|');
  return [
    edged(`${words}${span}(?:,?\\s+of|,)?\\s+(?<year>${year}|['’]?${year.slice(2)})`),
    edged(`(?<year>${year})\\s+${words}${span}`),
    edged(
      `(?<!\\b(?:room|bench|seat|locker|shelf|table|row|building) )(?<season>${short})(?<year>['’]?${year.slice(2)})`,
    ),
    ...(SEASON.test(name) ? [] : [edged(literally(name.trim()))]),
  ];
});

export const findTerms: Finder<FoundTerm> = ({ words }, context) =>
  context.termName.trim() === ''
    ? []
    : termPatterns(context).flatMap((pattern) =>
        [...words.matchAll(pattern)].map((match) => {
          const season = groupSpan(match, 'season');
          const year = groupSpan(match, 'year');
          const whole = { start: match.index, end: match.index + match[0].length };
          return {
            sort: 'term',
            ...spanning(words, [whole]),
            ...(season === undefined ? {} : { season }),
            ...(year === undefined ? {} : { year }),
          };
        }),
      );
