import type { Finder, FoundPlain } from '../found/found.js';
import { groupSpan, literally } from '../found/match.js';

/** A shorter code is a number like any other, unless something before it says what it is. */
const SHORTEST_BY_ITSELF = 4;
const SECTION = '(?:section|sec\\.|sect\\.)\\s*(?:no\\.?\\s*|#\\s*)?';

/** The old section's code, behind “section” or the course's code and number, and the old course's id. */
export const findSections: Finder<FoundPlain> = ({ words }, { code }) => {
  const { id, section } = code;
  const edged = (before: string, text: string): RegExp =>
    new RegExp(
      `(?<![\\p{L}\\p{N}])${before}(?<code>${literally(text)})(?![\\p{L}\\p{N}]|-[\\p{L}\\p{N}]|[.,]\\d)`,
      'dgiu',
    );
  const course = `${literally(code.code)}[\\s_-]?${literally(code.number)}(?:\\s*[-–_/.,:]?\\s*(?:${SECTION})?)`;
  const patterns = [
    ...(id.trim() === '' ? [] : [edged('', id.trim())]),
    ...(section.trim() === ''
      ? []
      : [
          ...(code.code.trim() === '' ? [] : [edged(course, section.trim())]),
          edged(SECTION, section.trim()),
          ...(section.trim().length < SHORTEST_BY_ITSELF ? [] : [edged('', section.trim())]),
        ]),
  ];
  return patterns.flatMap((pattern) =>
    [...words.matchAll(pattern)].map((match) => ({
      sort: 'section',
      ...groupSpan(match, 'code')!,
      text: match.groups!.code!,
    })),
  );
};
