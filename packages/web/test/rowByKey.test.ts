import { describe, expect, it } from '@jest/globals';
import { rowByKey } from '../src/shared/rowByKey.js';

describe('the row that a key goes to', () => {
  it.each([
    ['ArrowDown', 4, 5],
    ['ArrowUp', 4, 3],
    ['PageDown', 4, 19],
    ['PageUp', 20, 5],
    ['Home', 20, 0],
    ['End', 4, 39],
    ['ArrowDown', 39, 39],
    ['ArrowUp', 0, 0],
    ['PageDown', 30, 39],
    ['PageUp', 3, 0],
    ['ArrowDown', -1, 0],
    ['ArrowUp', -1, 0],
  ])('%s from row %d of forty is row %d', (key, from, to) => {
    expect(rowByKey(key, from, 40)).toBe(to);
  });
  it('is none for any other key, and none in an empty list', () => {
    expect(rowByKey('Enter', 4, 40)).toBeUndefined();
    expect(rowByKey('toString', 4, 40)).toBeUndefined();
    expect(rowByKey('End', -1, 0)).toBeUndefined();
  });
});
