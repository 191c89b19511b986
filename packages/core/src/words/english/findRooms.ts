import { wordsOf, type Finder, type FoundPlain, type WordContext } from '../found/found.js';
import { literally, oncePer } from '../found/match.js';

/** The number of a room: the last word with a figure in it. */
export const roomNumber = (room: string): string | undefined => room.split(/\s+/).findLast((word) => /\d/.test(word));

const patternOf = oncePer(({ room = '' }: WordContext): { readonly pattern: RegExp | undefined } => {
  if (room.trim() === '') return { pattern: undefined };
  const number = roomNumber(room);
  const names = [
    literally(room.trim()).replace(/\s+/g, '\\s+'),
    ...(number === undefined ? [] : [`(?:room|rm\\.?)\\s+(?:no\\.?\\s+)?${literally(number)}`]),
  ];
  return {
    pattern: new RegExp(`(?<![\\p{L}\\p{N}-])(?:${names.join('|')})(?![\\p{L}\\p{N}]|-[\\p{L}\\p{N}]|[.,]\\d)`, 'giu'),
  };
});

/** The room where the course met: “Haskell 114”, “Room 114”. */
export const findRooms: Finder<FoundPlain> = ({ words }, context) => {
  const { pattern } = patternOf(context);
  return pattern === undefined
    ? []
    : [...words.matchAll(pattern)].map((match) => ({ sort: 'room', ...wordsOf(match) }));
};
