import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { findableWords, nearlyBegins, wordsIn } from '../../src/find/findWords.js';

/** Whether a text can be made into another by one change at the most, tried out one by one. */
function isOneChangeAway(from: string, to: string): boolean {
  if (from === to) return true;
  for (let at = 0; at <= from.length; at++) {
    const [before, after] = [from.slice(0, at), from.slice(at)];
    if (before + after.slice(1) === to) return true;
    if (to.length === from.length && before + to.charAt(at) + after.slice(1) === to) return true;
    if (to.length === from.length + 1 && before + to.charAt(at) + after === to) return true;
    if (after.length > 1 && before + after.charAt(1) + after.charAt(0) + after.slice(2) === to) return true;
  }
  return false;
}

const letters = (minLength: number, maxLength: number) =>
  fc.string({ minLength, maxLength, unit: fc.constantFrom('a', 'b', 'c') });

describe('nearly begins, against trying every change', () => {
  it('of words of four letters and more', () => {
    fc.assert(
      fc.property(letters(4, 7), letters(1, 8), (typed, word) => {
        const beginnings = [typed.length - 1, typed.length, typed.length + 1].map((length) => word.slice(0, length));
        expect(nearlyBegins(typed, word)).toBe(
          word.startsWith(typed) || beginnings.some((beginning) => isOneChangeAway(typed, beginning)),
        );
      }),
      { numRuns: 3000 },
    );
  });
  it('a word with a letter wrong anywhere is still found', () => {
    fc.assert(
      fc.property(letters(4, 10), fc.nat(9), fc.constantFrom('x', 'y'), (word, at, other) => {
        const place = at % word.length;
        expect(nearlyBegins(word.slice(0, place) + other + word.slice(place + 1), word)).toBe(true);
      }),
    );
  });
});

describe('words', () => {
  it('are the same however the text is spaced, separated and cased', () => {
    fc.assert(
      fc.property(
        fc.array(letters(1, 5), { minLength: 1 }),
        fc.constantFrom(' ', '_', '-', ' · ', ', '),
        (words, between) => {
          expect(wordsIn(words.join(between).toUpperCase())).toEqual(words);
        },
      ),
    );
  });
  it('whatever a course is called, it is found by each word of its title and people', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (title, person) => {
        const words = findableWords({
          id: 'id',
          code: 'ECO',
          number: '1',
          section: '1',
          title,
          term: 'Spring 2027',
          campus: null,
          people: [person],
          type: 'course',
          archived: false,
          firstDay: '2027-01-11',
          weekdays: [],
        });
        for (const word of [...wordsIn(title), ...wordsIn(person)]) expect(words).toContain(word);
        expect(words).not.toContain('');
      }),
    );
  });
});
