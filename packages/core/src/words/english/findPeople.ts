import { wordsOf, type Finder, type FoundPerson, type WordContext } from '../found/found.js';
import { literally, oncePer } from '../found/match.js';

const PARTICLE = /^(?:van|von|de|da|di|del|der|den|la|le|du|ten|ter|bin|al|el)$/i;
const SUFFIX = /^(?:jr\.?|sr\.?|ii|iii|iv|ph\.?d\.?)$/i;

/** The surname of a name, with what belongs to it: “van der Berg”. */
export function surnameOf(name: string): string {
  const parts = name.trim().split(/\s+/);
  while (parts.length > 1 && SUFFIX.test(parts.at(-1)!)) parts.pop();
  let first = parts.length - 1;
  while (first > 1 && PARTICLE.test(parts[first - 1]!)) first--;
  return parts.slice(first).join(' ');
}

/** Names that somebody is found by, with who can be meant. */
const namesOf = oncePer(
  ({ instructors }: WordContext): readonly { readonly pattern: RegExp; readonly people: string[] }[] => {
    const names = new Map<string, string[]>();
    for (const { id, name } of instructors)
      for (const each of new Set([name.trim(), surnameOf(name)]))
        if (each !== '') names.set(each, [...(names.get(each) ?? []), id]);
    return [...names].map(([name, people]) => ({
      pattern: new RegExp(
        `(?<![\\p{L}\\p{N}’'-])${literally(name).replace(/\s+/g, '\\s+')}(?![\\p{L}\\p{N}]|-\\p{L})`,
        'gu',
      ),
      people,
    }));
  },
);

/** Instructors of the old course by full name or surname. */
export const findPeople: Finder<FoundPerson> = ({ words }, context) =>
  namesOf(context).flatMap(({ pattern, people }) =>
    [...words.matchAll(pattern)].map((match): FoundPerson => ({ sort: 'person', ...wordsOf(match), people })),
  );
