import { expect, it } from '@jest/globals';
import fc from 'fast-check';
import { refresh } from '../../src/refresh/refresh.js';
import { LABELLED_TEXTS } from '../labelled/staleTexts.js';

const [{ job }] = LABELLED_TEXTS as [(typeof LABELLED_TEXTS)[number]];

/** Pieces of texts as people and editors make them, some of them broken. */
const piece = fc.constantFrom(
  'due Monday, March 16',
  'March 9&ndash;15',
  '<b>Fri</b>, Apr&nbsp;3 at 5 pm',
  'Spring 2026',
  'MW 10:00–11:15',
  '3/16',
  '25/3',
  'between 9 and 13 March',
  'Haskell <i>114</i>',
  '<a href="https://meet.example/x?a=1&amp;b=2">Mar 3</a>',
  '<p>',
  '</p>',
  '<td>',
  '<br>',
  '<em',
  '&',
  '&#8211;',
  '“',
  '”',
  '<script>March 3</script>',
  'Ma<b>rch</b> 2<sup>nd</sup>',
  'Marant',
  'our Monday class',
  '\r\n',
  '  ',
  ' and ',
  ' – ',
  ', ',
  '2026',
  '😀',
  '�',
);
const tags = (text: string): string[] => text.match(/<[^<>]*>/g) ?? [];

it('whatever a text looks like, proposals stand where they say, one after the other, and leave its markup as it is', () => {
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 14 }), fc.array(piece, { maxLength: 3 }), (body, title) => {
      const item = { id: 'i1', kind: 'page' as const, title: title.join(''), body: body.join('') };
      const result = refresh({ ...job, course: { ...job.course, items: [item] } });
      if (!result.ok) throw new Error(JSON.stringify(result.problems));
      for (const field of ['title', 'body'] as const) {
        let [written, from] = ['', 0];
        for (const { start, end, text, replacement } of result.value.filter((each) => each.field === field)) {
          expect(start).toBeGreaterThanOrEqual(from);
          expect(item[field].slice(start, end)).toBe(text);
          expect(replacement).not.toBe(text);
          written += item[field].slice(from, start) + (replacement ?? text);
          from = end;
        }
        written += item[field].slice(from);
        if (field === 'body') expect(tags(written).length).toBe(tags(item.body).length);
      }
    }),
    { numRuns: 500 },
  );
});
