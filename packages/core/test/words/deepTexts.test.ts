import { describe, expect, it } from '@jest/globals';
import { nestingOf } from '../../src/words/nesting.js';
import { hasContent, textOf } from '../../src/words/textOf.js';

describe('a text whose parts stand deep in each other', () => {
  const nested = (tag: string, count: number, inside: string): string =>
    `<${tag}>`.repeat(count) + inside + `</${tag}>`.repeat(count);

  it('is read like any other', () => {
    const deep = nested('div', 60_000, 'Bring boots.');
    expect(textOf(deep)).toBe('Bring boots.');
    expect(hasContent(deep)).toBe(true);
    expect(hasContent(nested('div', 60_000, ' '))).toBe(false);
    expect(textOf(nested('h2', 5000, 'Sources') + '<p>Rivers</p>')).toBe('');
  });
  it('keeps its order, its lines and the addresses behind its links', () => {
    const body = '<div>One <b>two <i>three</i></b> four<p>five</p> <a href="/six">six</a> seven</div>eight';
    expect(textOf(body, 'with addresses')).toBe('One two three four\nfive\nsix /six seven\neight');
  });
  it('is known by how deep it goes, whatever ends by itself', () => {
    expect(nestingOf('')).toBe(0);
    expect(nestingOf('<p>a<p>b<p>c')).toBe(0);
    expect(nestingOf('<div><p>a<br>b</p><ul><li>c<li>d</ul></div>')).toBe(2);
    expect(nestingOf(nested('span', 300, 'x'))).toBe(300);
    expect(nestingOf('</div></div><em>a</em>')).toBe(1);
  });
});
