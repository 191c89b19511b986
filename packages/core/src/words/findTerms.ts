import { MONTH } from './findDates.js';
import { found, REACH, type Finder, type WordContext } from './found.js';

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

const SEASON = /\b(?:spring|summer|fall|autumn|winter)\b/i;
const SHORT_FORMS: Readonly<Record<string, string>> = {
  spring: 'Spr|Sp|S',
  summer: 'Sum|Su|S',
  fall: 'Fal|Fa|F',
  autumn: 'Aut|Au|A',
  winter: 'Win|Wi|W',
};

/** The old term's own name and its short forms: “Spring 2026”, “spring semester of 2026”, “Spring '26”, “Sp26”, “S26”. */
function termPattern(name: string): RegExp {
  const edge = (pattern: string): RegExp => new RegExp(`(?<![\\p{L}\\p{N}-])(?:${pattern})(?![\\p{L}\\p{N}])`, 'giu');
  const year = /(?:19|20)(\d\d)/.exec(name);
  const season = SEASON.exec(name)?.[0] ?? /\p{L}+/u.exec(name)?.[0];
  if (year === null || season === undefined) return edge(escaped(name.trim()));
  const words = /^(?:fall|autumn)$/i.test(season) ? 'fall|autumn' : escaped(season);
  const inYear = `(?:${year[0]}|['’]?${year[1]})`;
  const span = '(?:\\s+(?:semester|term|quarter|session))?';
  const short = SHORT_FORMS[season.toLowerCase()] ?? escaped(season.slice(0, 2));
  return edge(
    [
      escaped(name.trim()),
      `(?:${words})${span}(?:,?\\s+of|,)?\\s+${inYear}`,
      `${year[0]}\\s+(?:${words})${span}`,
      `(?<!\\b(?:room|bench|seat|locker|shelf|table|row|building) )(?:${short})['’]?${year[1]}`,
    ].join('|'),
  );
}

export const findTerms: Finder = (text, { termName }) =>
  termName.trim() === '' ? [] : [...text.matchAll(termPattern(termName))].map((match) => found('term', match));

const MEANS_THE_COURSE = ['courses?', 'terms?', 'class(?:es)?', 'syllabus', 'calendar', 'schedule'];
/** How many words may stand between a year and the word that it stands beside. */
const BESIDE = "(?:[^\\p{L}\\p{N}.!?\\n]+[\\p{L}\\p{N}’']+){0,3}[^\\p{L}\\p{N}.!?\\n]+";
const OTHER_NAME = /\b(?:spring|summer|fall|autumn|winter)(?:\s+(?:semester|term|quarter|session))?(?:,?\s+of)?\s+$/i;
const PUBLISHED =
  /(?:\b(?:edition|ed\.|press|published|reprinted|copyright|since|et al\.?|vol\.?)[,:]?\s*(?:in\s+)?|[©(]\s*|\(\p{Lu}[\p{L}’' .&-]{0,80}(?:,\s*)?|\b\p{Lu}\p{L}+,\s*)$/u;
const PUBLISHED_AFTER = /^\s*(?:\)|edition\b|ed\.|reprint\b|report\b|census\b|paper\b|study\b|article\b)/i;
const FIRST_MONTH_OF_SCHOOL_YEAR = 7;

/** The school year that the term lies in, as “2025–26” or “2025-2026”. */
function schoolYear(firstDay: string): string {
  const year = Number(firstDay.slice(0, 4)) - (Number(firstDay.slice(5, 7)) < FIRST_MONTH_OF_SCHOOL_YEAR ? 1 : 0);
  return `${year}\\s?[–/-]\\s?(?:${Math.floor((year + 1) / 100)})?${String(year + 1).slice(2)}`;
}

/** The old term's school year, and its year where it stands in a title, behind a month, or beside a word for the course. */
export const findYears: Finder = (text, context) => {
  const { firstDay, lastDay } = context.calendar;
  const years = [...new Set([firstDay.slice(0, 4), lastDay.slice(0, 4)])].join('|');
  const school = new RegExp(`(?<![\\d-/.])${schoolYear(firstDay)}(?![\\d-])`, 'g');
  const bare = new RegExp(`(?<![\\p{L}\\d_/.-])(?:${years})(?![\\p{L}\\d_]|[-/.–]\\d)`, 'gu');
  const ofMonth = new RegExp(`\\b${MONTH},?\\s+(?:of\\s+)?$`);
  const isBeside = besideTheCourse(context);
  return [
    ...[...text.matchAll(school)].map((match) => found('year', match)),
    ...[...text.matchAll(bare)].flatMap((match) => {
      const before = text.slice(Math.max(0, match.index - REACH), match.index);
      const after = text.slice(match.index + match[0].length);
      if (ofMonth.test(before)) return [found('year', match)];
      if (OTHER_NAME.test(before)) return [];
      if (isTitle(match.index, context)) return [found('year', match)];
      if (PUBLISHED.test(before) || PUBLISHED_AFTER.test(after)) return [];
      return isBeside(before, after) ? [found('year', match)] : [];
    }),
  ];
};

const isTitle = (at: number, { titleLength = 0 }: WordContext): boolean => at < titleLength;

/** Whether a word for the course, or its title, stands beside a place in a text. */
function besideTheCourse({ courseTitle }: WordContext): (before: string, after: string) => boolean {
  const words = [...MEANS_THE_COURSE, ...(courseTitle.trim() === '' ? [] : [escaped(courseTitle.trim())])].join('|');
  const behind = new RegExp(`(?<![\\p{L}\\p{N}])(?:${words})${BESIDE}$`, 'iu');
  const ahead = new RegExp(`^${BESIDE}(?:${words})(?![\\p{L}\\p{N}])`, 'iu');
  return (before, after) => behind.test(before) || ahead.test(after);
}
