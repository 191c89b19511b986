import type { Finder, FoundPlain, WordContext } from '../found/found.js';
import { groupSpan, literally, oncePer } from '../found/match.js';

/** A shorter code is a number like any other, unless something before it says what it is. */
const SHORTEST_BY_ITSELF = 4;
const SECTION = '(?:section|sec\\.|sect\\.)\\s*(?:no\\.?\\s*|[#:]\\s*)?';

const patternsOf = oncePer(({ code }: WordContext): RegExp[] => {
  const { id, section } = code;
  const edged = (before: string, text: string): RegExp =>
    new RegExp(
      `(?<![\\p{L}\\p{N}])${before}(?<code>${literally(text)})(?![\\p{L}\\p{N}]|-[\\p{L}\\p{N}]|[.,]\\d)`,
      'dgiu',
    );
  const course = `${literally(code.code)}[\\s_-]?${literally(code.number)}(?:\\s*[-–_/.,:(]?\\s*(?:${SECTION})?)`;
  return [
    ...(id.trim() === '' ? [] : [edged('', id.trim())]),
    ...(section.trim() === ''
      ? []
      : [
          ...(code.code.trim() === '' ? [] : [edged(course, section.trim())]),
          edged(SECTION, section.trim()),
          ...(section.trim().length < SHORTEST_BY_ITSELF ? [] : [edged('', section.trim())]),
        ]),
  ];
});

/** The old section's code, behind “section” or the course's code and number, and the old course's id. */
export const findSections: Finder<FoundPlain> = ({ words }, context) =>
  patternsOf(context).flatMap((pattern) =>
    [...words.matchAll(pattern)].map((match) => ({
      sort: 'section',
      ...groupSpan(match, 'code')!,
      text: match.groups!.code!,
    })),
  );
