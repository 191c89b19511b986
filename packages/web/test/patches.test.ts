import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { patched, patchOf } from '../src/plan/preview/patches.js';

describe('a list as it differs from the one before', () => {
  it('names what stays by its place, and sends only what is new or another', () => {
    const before = [
      { id: 'a', at: 1 },
      { id: 'b', at: 2 },
      { id: 'c', at: 3 },
    ];
    const after = [
      { id: 'c', at: 3 },
      { id: 'x', at: 9 },
      { id: 'b', at: 5 },
    ];
    const patch = patchOf(before, after);
    expect([...patch.from]).toEqual([2, -1, -1]);
    expect(patch.fresh).toEqual([after[1], after[2]]);
    expect(patched(before, patch)[0]).toBe(before[2]);
  });
  it('comes to the same whatever the lists', () => {
    const list = fc.uniqueArray(
      fc.record({ id: fc.string({ maxLength: 2 }), at: fc.nat(3) }, { noNullPrototype: true }),
      {
        selector: ({ id }) => id,
      },
    );
    fc.assert(
      fc.property(list, list, (before, after) => expect(patched(before, patchOf(before, after))).toEqual(after)),
    );
  });
});
