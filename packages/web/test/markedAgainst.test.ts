import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { markedAgainst } from '../src/shared/markedAgainst.js';

describe('the words that another text does not have', () => {
  it.each<[string, string, string, string]>([
    ['a word', '<p>Due on Thursday.</p>', '<p>Due on Monday.</p>', '<p>Due on <mark>Thursday.</mark></p>'],
    [
      'words at the end',
      '<p>Read it. Bring boots.</p>',
      '<p>Read it.</p>',
      '<p>Read it. <mark>Bring boots.</mark></p>',
    ],
    [
      'a paragraph, inside its tags',
      '<p>One</p><p>Two <b>big</b> steps</p>',
      '<p>One</p>',
      '<p>One</p><p><mark>Two</mark> <b><mark>big</mark></b> <mark>steps</mark></p>',
    ],
    ['nothing, when only something was taken away', '<p>One</p>', '<p>One two</p>', '<p>One</p>'],
    [
      'words that follow each other, together',
      '<p>On a board in week 6.</p>',
      '<p>In the yard.</p>',
      '<p><mark>On a board in week 6.</mark></p>',
    ],
    ['nothing, when both are the same', '<p>One</p>', '<p>One</p>', '<p>One</p>'],
    ['all of it against nothing', '<p>One</p>', '', '<p><mark>One</mark></p>'],
    [
      'no markup and no address',
      '<p><a href="item:b">Map</a></p>',
      '<p><a href="item:a">Map</a></p>',
      '<p><a href="item:b">Map</a></p>',
    ],
    ['no line breaks alone', '<p>One</p>\n<p>Two</p>', '<p>One</p><p>Two</p>', '<p>One</p>\n<p>Two</p>'],
  ])('are marked: %s', (_, html, other, expected) => {
    expect(markedAgainst(html, other)).toBe(expected);
  });
  it('without the marks the text is what it was, whatever the other says', () => {
    const word = fc.constantFrom('river', 'Lab', '3', '<b>', '</b>', '<p class="x">', '</p>', ' ', '\n', '&amp;');
    const text = fc.array(word, { maxLength: 30 }).map((words) => words.join(''));
    fc.assert(
      fc.property(text, text, (html, other) => {
        expect(markedAgainst(html, other).replace(/<\/?mark>/g, '')).toBe(html);
      }),
    );
  });
  it('texts that have nothing in common are not marked', () => {
    const words = (from: number): string => Array.from({ length: 1000 }, (_, at) => `w${from + at}`).join(' ');
    const html = `<p>${words(0)}</p>`;
    expect(markedAgainst(html, `<p>${words(10_000)}</p>`)).toBe(html);
  });
});
