import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { namingInstead } from '../../src/words/text/plainWords.js';

const TITLES: Readonly<Record<string, string>> = { w: 'Welcome back', q: 'Quiz <3>' };
const plainly = (body: string): string => namingInstead(body, 'eco', (id) => TITLES[id]);

describe('links to what stays become plain words', () => {
  it.each([
    [
      'what was written stays, with the title',
      '<p>See <a href="item:w">this</a>.</p>',
      '<p>See this (Welcome back).</p>',
    ],
    ['the title is not said twice', '<a href="item:w"><b>Welcome</b> back!</a>', '<b>Welcome</b> back!'],
    ['a title is text, not markup', '<a class="x" href=\'item:q\'>first</a>', 'first (Quiz &lt;3&gt;)'],
    ['an address by way of the course', '<a href="https://y.example/course/eco/w#top">it</a>', 'it (Welcome back)'],
    ['other links stay to the letter', '<a  href="item:x" >that</a> <A HREF="#">up</A>', undefined],
    ['a picture in a link that stays', '<a href="item:x"><img src="item:w"></a>', undefined],
    ['a link that is never closed stays', '<p><a href="item:w">open', undefined],
    ['no link at all', 'plain < a href', undefined],
  ])('%s', (_name, body, expected) => expect(plainly(body)).toBe(expected ?? body));
  it('several, with text between', () => {
    expect(plainly('<a href="item:w">a</a>, <a href="item:x">b</a>, <a href="item:w">c</a>')).toBe(
      'a (Welcome back), <a href="item:x">b</a>, c (Welcome back)',
    );
  });
  it('many links that are never closed take no long time, and nothing is lost', () => {
    for (const text of [
      '<a href="item:w">'.repeat(40_000),
      `${'<a href="item:x">'.repeat(40_000)}</a>`,
      '<a '.repeat(40_000),
    ])
      expect(plainly(text)).toBe(text);
  });
  it('a text without links to it stays as it is, whatever it holds', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        fc.pre(!text.includes('item:'));
        expect(namingInstead(text, 'no-such-course', () => undefined)).toBe(text);
      }),
    );
  });
});
