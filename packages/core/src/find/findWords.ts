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
  readonly type: 'course' | 'development' | 'template';
  readonly archived: boolean;
  /** First day of its term, `YYYY-MM-DD`. */
  readonly firstDay: string;
  /** Weekdays on which its class meets, 1 is Monday. */
  readonly weekdays: readonly number[];
}

/** The words of a text as they are found: lower case, no accents, no separators. */
export const wordsIn = (text: string): string[] =>
  text
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .match(/[\p{L}\p{N}]+/gu) ?? [];

/** “Spring 2026” is also “spring26”, “sp26” and “s26”. */
function shortTerms(term: string): string[] {
  const [, season, year] = /^(\p{L}+)\s+\d\d(\d\d)$/u.exec(term.trim()) ?? [];
  if (season === undefined || year === undefined) return [];
  return [season, season.slice(0, 2), season[0]!].map((word) => `${word}${year}`.toLowerCase());
}

const WEEKDAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const;
const INITIALS = ['m', 't', 'w', 'th', 'f', 'sa', 'su'] as const;

/** “tuesday”, “thursday” and both as they are written together, “tth”. */
function classDays(weekdays: readonly number[]): string[] {
  const days = [...new Set(weekdays)].sort((a, b) => a - b).map((day) => day - 1);
  return days.length === 0 ? [] : [...days.map((day) => WEEKDAYS[day]!), days.map((day) => INITIALS[day]!).join('')];
}

const TYPE_WORDS = { course: [], development: ['development'], template: ['template', 'shared'] } as const;

/** The month with which an academic year begins; a term that starts in it belongs to the new one. */
const YEAR_BEGINS = 7;

/** The academic year of a day, by the year in which it began. */
function academicYear(day: string): number {
  const [year, month] = day.split('-').map(Number) as [number, number];
  return month >= YEAR_BEGINS ? year : year - 1;
}
const yearWord = (began: number): string => `ay${began}`;

/**
 * Every word that a course is found by: each word as it is, and code, number and section run together, so that
 * `eco214`, `ECO 214` and `ECO_214-02` all lead to it; what it is, when its class meets, and its academic year.
 *
 * @see docs/rules.md, "Finding a course"
 */
export function findableWords(course: FindableCourse): string[] {
  const { id, code, number, section, title, term, campus, people, type, archived, firstDay, weekdays } = course;
  const joined = wordsIn(`${code}${number}`).join('');
  return [
    ...new Set([
      ...wordsIn([id, code, number, section, title, term, campus ?? '', ...people].join(' ')),
      joined,
      `${joined}${wordsIn(section).join('')}`,
      ...shortTerms(term),
      ...classDays(weekdays),
      ...TYPE_WORDS[type],
      ...(archived ? ['archived'] : []),
      ...(type === 'template' ? [] : [yearWord(academicYear(firstDay))]),
    ]),
  ];
}

/**
 * The words that somebody looks for: as typed, but “2025-26”, “last year” and “this year” are academic years.
 *
 * @param today  `YYYY-MM-DD`
 */
export function wordsAsked(typed: string, today: string): string[] {
  const years = typed.replace(/\b(20\d\d)\s*[-–/]\s*(?:20)?(\d\d)\b/g, (span: string, from: string, to: string) =>
    (Number(from) + 1) % 100 === Number(to) ? ` ${yearWord(Number(from))} ` : span,
  );
  const now = academicYear(today);
  return wordsIn(
    years
      .replace(/\blast (?:academic )?year\b/gi, ` ${yearWord(now - 1)} `)
      .replace(/\bthis (?:academic )?year\b/gi, ` ${yearWord(now)} `),
  );
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
