import { found, type Finder } from './found.js';

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** The old term's own name and its short forms: “Spring 2026”, “Spring of 2026”, “Spring '26”, “Sp26”, “S26”. */
function termPattern(name: string): RegExp {
  const parts = /^(?<season>\p{L}+)\s+(?<year>(?:19|20)(?<short>\d\d))$/u.exec(name.trim());
  if (parts === null) return new RegExp(`(?<![\\p{L}\\p{N}])${escaped(name.trim())}(?![\\p{L}\\p{N}])`, 'giu');
  const { season, year, short } = parts.groups as { season: string; year: string; short: string };
  const word = escaped(season);
  const forms = [
    `${word}(?:\\s+(?:semester|term|quarter))?(?:,?\\s+of)?\\s+(?:${year}|['’]?${short})`,
    `(?:${escaped(season.slice(0, 2))}|${escaped(season[0]!)})${short}`,
  ];
  return new RegExp(`(?<![\\p{L}\\p{N}])(?:${forms.join('|')})(?![\\p{L}\\p{N}])`, 'giu');
}

export const findTerms: Finder = (text, { termName }) =>
  termName === '' ? [] : [...text.matchAll(termPattern(termName))].map((match) => found('term', match));

const YEAR_NEAR = /\b(?:course|term|class|syllabus|calendar|schedule)\b/i;

/** The old term's year, or the school year it lies in, beside a word that says it means the course. */
export const findYears: Finder = (text, context) => {
  const first = Number(context.calendar.firstDay.slice(0, 4));
  const last = Number(context.calendar.lastDay.slice(0, 4));
  const years = [...new Set([first, last])];
  const school = [first - 1, first].map((year) => `${year}\\s*[–/-]\\s*(?:20)?${String(year + 1).slice(2)}`);
  const pattern = new RegExp(`(?<![\\d-/.])(?:${[...school, ...years].join('|')})(?![\\d]|[-/.]\\d)`, 'g');
  return [...text.matchAll(pattern)].flatMap((match) => {
    const sentence = sentenceAround(text, match.index);
    const near = YEAR_NEAR.test(sentence) || sentence.toLowerCase().includes(context.courseTitle.toLowerCase());
    return near ? [found('year', match)] : [];
  });
};

function sentenceAround(text: string, at: number): string {
  const before = text.slice(0, at).search(/[^.!?\n]*$/);
  const after = text.slice(at).search(/[.!?\n]/);
  return text.slice(before, after < 0 ? undefined : at + after);
}
