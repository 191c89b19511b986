import { schoolYearOf } from '../../calendar/schoolYear.js';
import { REACH, type Finder, type FoundYear, type WordContext } from '../found/found.js';
import { groupPart, literally, oncePer, spanning } from '../found/match.js';
import { MONTH } from './names.js';

const MEANS_THE_COURSE = ['courses?', 'terms?', 'class(?:es)?', 'syllabus', 'calendar', 'schedule'];
/** How many words may stand between a year and the word that it stands beside. */
const BESIDE = "(?:[^\\p{L}\\p{N}.!?\\n]+[\\p{L}\\p{N}’']+){0,3}[^\\p{L}\\p{N}.!?\\n]+";
const OTHER_NAME = /\b(?:spring|summer|fall|autumn|winter)(?:\s+(?:semester|term|quarter|session))?(?:,?\s+of)?\s+$/i;
const PUBLISHED =
  /(?:\b(?:edition|ed\.|press|published|reprinted|copyright|since|et al\.?|vol\.?)[,:]?\s*(?:in\s+)?|[©(]\s*|\(\p{Lu}[\p{L}’' .&-]{0,80}(?:,\s*)?|\b\p{Lu}\p{L}+,\s*)$/u;
const PUBLISHED_AFTER = /^\s*(?:\)|edition\b|ed\.|reprint\b|report\b|census\b|paper\b|study\b|article\b)/i;

/** The school year that the term lies in, as “2025–26” or “2025-2026”. */
function schoolYear(firstDay: string): RegExp {
  const year = schoolYearOf(firstDay);
  const next = String(year + 1);
  return new RegExp(`(?<![\\d/.-])(?<from>${year})\\s?[–/-]\\s?(?<to>${next}|${next.slice(2)})(?![\\d-])`, 'dg');
}

const yearOf = (match: RegExpMatchArray, text: string): FoundYear => {
  const from = groupPart(match, 'from', Number)!;
  const to = groupPart(match, 'to', (year) => (year.length === 2 ? 2000 + Number(year) : Number(year)));
  return { sort: 'year', ...spanning(text, [from, to]), from, ...(to === undefined ? {} : { to }) };
};

const OF_MONTH = new RegExp(`\\b${MONTH},?\\s+(?:of\\s+)?$`);

/** What a course's years are found by. */
const patternsOf = oncePer((context: WordContext) => {
  const { firstDay, lastDay } = context.calendar;
  const years = [...new Set([firstDay.slice(0, 4), lastDay.slice(0, 4)])].join('|');
  return {
    school: schoolYear(firstDay),
    bare: new RegExp(`(?<![\\p{L}\\d_/.-])(?<from>${years})(?![\\p{L}\\d_]|[-/.–]\\d)`, 'dgu'),
    isBeside: besideTheCourse(context),
  };
});

/** The old term's school year, and its year where it stands in a title, behind a month, or beside a word for the course. */
export const findYears: Finder<FoundYear> = ({ words, titleLength }, context) => {
  const { school, bare, isBeside } = patternsOf(context);
  const meansTheTerm = (match: RegExpExecArray): boolean => {
    const before = words.slice(Math.max(0, match.index - REACH), match.index);
    const end = match.index + match[0].length;
    const behind = words.slice(end, end + REACH);
    if (OF_MONTH.test(before)) return true;
    if (OTHER_NAME.test(before)) return false;
    if (match.index < titleLength) return true;
    if (PUBLISHED.test(before) || PUBLISHED_AFTER.test(behind)) return false;
    return isBeside(before, behind);
  };
  return [...words.matchAll(school), ...[...words.matchAll(bare)].filter(meansTheTerm)].map((match) =>
    yearOf(match, words),
  );
};

/** Whether a word for the course, or its title, stands beside a place in a text. */
function besideTheCourse({ courseTitle }: WordContext): (before: string, after: string) => boolean {
  const words = [...MEANS_THE_COURSE, ...(courseTitle.trim() === '' ? [] : [literally(courseTitle.trim())])].join('|');
  const behind = new RegExp(`(?<![\\p{L}\\p{N}])(?:${words})${BESIDE}$`, 'iu');
  const ahead = new RegExp(`^${BESIDE}(?:${words})(?![\\p{L}\\p{N}])`, 'iu');
  return (before, after) => behind.test(before) || ahead.test(after);
}
