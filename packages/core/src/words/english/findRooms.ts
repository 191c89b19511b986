import { wordsOf, type Finder, type FoundPlain } from '../found/found.js';
import { literally } from '../found/match.js';

/** The number of a room: the last word with a figure in it. */
export const roomNumber = (room: string): string | undefined => room.split(/\s+/).findLast((word) => /\d/.test(word));

/** The room where the course met: “Haskell 114”, “Room 114”. */
export const findRooms: Finder<FoundPlain> = ({ words }, { room = '' }) => {
  if (room.trim() === '') return [];
  const number = roomNumber(room);
  const names = [
    literally(room.trim()).replace(/\s+/g, '\\s+'),
    ...(number === undefined ? [] : [`(?:room|rm\\.?)\\s+(?:no\\.?\\s+)?${literally(number)}`]),
  ];
  const pattern = new RegExp(
    `(?<![\\p{L}\\p{N}-])(?:${names.join('|')})(?![\\p{L}\\p{N}]|-[\\p{L}\\p{N}]|[.,]\\d)`,
    'giu',
  );
  return [...words.matchAll(pattern)].map((match) => ({ sort: 'room', ...wordsOf(match) }));
};
