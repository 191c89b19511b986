import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { numbered } from '../../src/retime/numbered.js';

const numbers = (...texts: (string | undefined)[]): number[] => [...numbered(texts.length, (at) => texts[at]).numbers];

describe('strings numbered', () => {
  it('equal ones have the same number, in the order in which they first stand', () => {
    expect(numbers('quiz', 'lab', 'quiz', 'quiz', 'page', 'lab')).toEqual([0, 1, 0, 0, 2, 1]);
  });
  it('nothing has no number, and the empty string is one', () => {
    expect(numbers(undefined, '', undefined, 'a', '')).toEqual([-1, 0, -1, 1, 0]);
  });
  it('as a Map would number them, whatever they are', () => {
    fc.assert(
      fc.property(fc.array(fc.option(fc.string({ maxLength: 3 }), { nil: undefined })), (texts) => {
        const known = new Map<string, number>();
        const expected = texts.map((text) => {
          if (text === undefined) return -1;
          if (!known.has(text)) known.set(text, known.size);
          return known.get(text)!;
        });
        const { numbers: found, count } = numbered(texts.length, (at) => texts[at]);
        expect([...found]).toEqual(expected);
        expect(count).toBe(known.size);
      }),
    );
  });
});
