import { expect, test } from '@jest/globals';
import { firstFew } from '../src/firstFew.js';

test('the first of some words are named, and the others counted', () => {
  expect(firstFew([])).toBe('');
  expect(firstFew(['a', 'b', 'c'])).toBe('a · b · c');
  expect(firstFew(['a', 'b', 'c', 'd', 'e'])).toBe('a · b · c · 2 more');
  expect(firstFew(['a', 'b', 'c'], 1)).toBe('a · 2 more');
});
