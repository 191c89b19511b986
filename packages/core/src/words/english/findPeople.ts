import { wordsOf, type Finder, type FoundPerson } from '../found/found.js';
import { literally } from '../found/match.js';

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

const pattern = (name: string): string => literally(name).replace(/\s+/g, '\\s+');

/** Instructors of the old course by full name or surname. */
export const findPeople: Finder<FoundPerson> = ({ words }, { instructors }) => {
  const names = new Map<string, string[]>();
  for (const { id, name } of instructors)
    for (const each of new Set([name.trim(), surnameOf(name)]))
      if (each !== '') names.set(each, [...(names.get(each) ?? []), id]);
  return [...names].flatMap(([name, people]) =>
    [...words.matchAll(new RegExp(`(?<![\\p{L}\\p{N}’'-])${pattern(name)}(?![\\p{L}\\p{N}]|-\\p{L})`, 'gu'))].map(
      (match): FoundPerson => ({ sort: 'person', ...wordsOf(match), people }),
    ),
  );
};
