import { describe, expect, it } from '@jest/globals';
import { nestingOf } from '../../src/words/text/nesting.js';
import { hasContent } from '../../src/words/text/hasContent.js';
import { proseOf } from '../../src/words/text/prose.js';
import { seenMarkup } from '../../src/words/text/seenMarkup.js';

describe('a text whose parts stand deep in each other', () => {
  const nested = (tag: string, count: number, inside: string): string =>
    `<${tag}>`.repeat(count) + inside + `</${tag}>`.repeat(count);

  it('is read like any other', () => {
    const deep = nested('div', 60_000, 'Bring boots.');
    expect(seenMarkup(deep).text).toBe('Bring boots.');
    expect(hasContent(deep)).toBe(true);
    expect(hasContent(nested('div', 60_000, ' '))).toBe(false);
    expect(seenMarkup(nested('h2', 5000, 'Sources') + '<p>Rivers</p>').text).toBe('');
  });
  it('keeps its order, its lines and the place of the addresses behind its links', () => {
    const body = '<div>One <b>two <i>three</i></b> four<p>five</p> <a href="/six">six</a> seven</div>eight';
    const { text, addresses } = proseOf('Numbers', [{ field: 'body', text: body }]);
    expect(text).toBe('Numbers\nOne two three four\nfive\nsix seven\neight');
    expect(addresses).toEqual([
      { field: 'body', address: '/six', embedded: false, start: 58, end: 62, at: text.indexOf(' seven') },
    ]);
    expect(body.slice(58, 62)).toBe('/six');
  });
  it('is known by how deep it goes, whatever ends by itself', () => {
    expect(nestingOf('')).toBe(0);
    expect(nestingOf('<p>a<p>b<p>c')).toBe(0);
    expect(nestingOf('<div><p>a<br>b</p><ul><li>c<li>d</ul></div>')).toBe(2);
    expect(nestingOf(nested('span', 300, 'x'))).toBe(300);
    expect(nestingOf('</div></div><em>a</em>')).toBe(1);
  });
});
