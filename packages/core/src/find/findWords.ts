/** What is written about a course that somebody might look for it by. */
export interface FindableCourse {
  readonly id: string;
  readonly code: string;
  readonly number: string;
  readonly section: string;
  readonly title: string;
  readonly term: string;
  readonly campus: string | null;
  readonly people: readonly string[];
}

/** The words of a text as they are found: lower case, no accents, no separators. */
export const wordsIn = (text: string): string[] =>
  text
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .match(/[\p{L}\p{N}]+/gu) ?? [];

/** “Spring 2026” is also “sp26” and “s26”. */
function shortTerms(term: string): string[] {
  const [, season, year] = /^(\p{L}+)\s+\d\d(\d\d)$/u.exec(term.trim()) ?? [];
  if (season === undefined || year === undefined) return [];
  return [`${season.slice(0, 2)}${year}`, `${season[0]!}${year}`].map((word) => word.toLowerCase());
}

/**
 * Every word that a course is found by: each word as it is, and code, number and section run together, so that
 * `eco214`, `ECO 214` and `ECO_214-02` all lead to it.
 *
 * @see docs/rules.md, "Finding a course"
 */
export function findableWords({ id, code, number, section, title, term, campus, people }: FindableCourse): string[] {
  const joined = wordsIn(`${code}${number}`).join('');
  return [
    ...new Set([
      ...wordsIn([id, code, number, section, title, term, campus ?? '', ...people].join(' ')),
      joined,
      `${joined}${wordsIn(section).join('')}`,
      ...shortTerms(term),
    ]),
  ];
}

/** The shortest word that may hold a mistyped letter: below it too much would be alike. */
const SHORTEST_MISTYPED = 3;

/**
 * Whether what somebody typed begins a word, one letter wrong, missing, added or swapped with its neighbour allowed.
 * Digits have to be right: 2026 is no mistyped 2027. A word of three letters is compared whole.
 *
 * @param typed  a word as `wordsIn` gives it, perhaps not yet finished
 */
export function nearlyBegins(typed: string, word: string): boolean {
  if (word.startsWith(typed)) return true;
  if (typed.length < SHORTEST_MISTYPED || /\p{N}/u.test(typed)) return false;
  if (typed.length === SHORTEST_MISTYPED && word.length > SHORTEST_MISTYPED) return false;
  let at = 0;
  while (at < typed.length && typed[at] === word[at]) at++;
  const begins = (from: number, rest: string): boolean => word.startsWith(rest, from);
  return (
    begins(at + 1, typed.slice(at + 1)) || // another letter
    begins(at, typed.slice(at + 1)) || // one too many
    begins(at + 1, typed.slice(at)) || // one missing
    (typed[at] === word[at + 1] && typed[at + 1] === word[at] && begins(at + 2, typed.slice(at + 2)))
  );
}

/** Whether a text holds every word that somebody typed, each at least begun; for lists short enough to be walked. */
export function holdsWords(text: string, typed: readonly string[]): boolean {
  const words = wordsIn(text);
  return typed.every((each) => words.some((word) => word.startsWith(each)));
}
