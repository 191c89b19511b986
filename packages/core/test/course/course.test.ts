import { describe, expect, it } from '@jest/globals';
import { contentHash, textHash } from '../../src/course/contentHash.js';
import { outlineOf } from '../../src/course/outline.js';
import { normalisedTitle } from '../../src/course/title.js';
import { asSnapshot, item, oldCourse } from '../builders.js';

describe('the content hash', () => {
  const quiz = item('quiz', 'q', {
    title: 'Quiz 3',
    points: 20,
    details: { attempts: 2, minutesAllowed: 30 },
    moments: [{ id: 'a', role: 'due', at: '2026-02-11T23:59' }],
  });
  const hash = (change: object): string => contentHash({ ...quiz, ...change }, textHash('<p>Ten</p>'));
  it('is the same whatever the id, place, state and last edit', () => {
    expect(hash({ id: 'x', parent: 'u', position: 9, state: 'hidden', editedAt: '2026-03-01T10:00' })).toBe(hash({}));
  });
  it('is the same whatever the order of details and moments', () => {
    expect(hash({ details: { minutesAllowed: 30, attempts: 2 } })).toBe(hash({}));
    const two = [...quiz.moments!, { id: 'b', role: 'opens' as const, at: '2026-02-09T08:00' }];
    expect(hash({ moments: two })).toBe(hash({ moments: [...two].reverse() }));
  });
  it.each([
    ['title', { title: 'Quiz 4' }],
    ['points', { points: 10 }],
    ['settings', { details: { attempts: 3, minutesAllowed: 30 } }],
    ['a date', { moments: [{ id: 'a', role: 'due' as const, at: '2026-02-12T23:59' }] }],
    ['kind', { kind: 'survey' }],
  ])('changes with %s', (_name, change) => expect(hash(change)).not.toBe(hash({})));
  it('changes with the text', () => {
    expect(contentHash(quiz, textHash('<p>Nine</p>'))).not.toBe(hash({}));
  });
});

describe('titles as they are compared', () => {
  it.each([
    ['Lab 3: Macroinvertebrate count', 'lab 3 macroinvertebrate-count!'],
    ['Copy of Essay', 'Essay'],
    ['Essay (copy)', 'Essay'],
    ['Essay copy 2', 'Essay'],
    ['Essay (3)', 'Essay'],
    ['Essay-1', 'Essay'],
  ])('“%s” and “%s” are one', (one, other) => expect(normalisedTitle(one)).toBe(normalisedTitle(other)));
  it.each([
    ['Quiz 2', 'Quiz 1'],
    ['Copy', 'Essay'],
    ['Lab 10', 'Lab 1'],
    ['Unit (12)', 'Unit'],
  ])('“%s” and “%s” are two', (one, other) => expect(normalisedTitle(one)).not.toBe(normalisedTitle(other)));
});

describe('the outline', () => {
  const titles = (...items: Parameters<typeof outlineOf>[0][number][]): string[] =>
    outlineOf(items).map((row) => (row.row === 'area' ? `# ${row.area}` : `${' '.repeat(row.depth)}${row.item.id}`));
  it('nests by parent and orders by position', () => {
    expect(
      titles(
        { id: 'b', kind: 'page', parent: 'u', position: 2 },
        { id: 'u', kind: 'unit', position: 1 },
        { id: 'a', kind: 'page', parent: 'u', position: 1 },
      ),
    ).toEqual(['u', ' a', ' b']);
  });
  it('shows what has no place in a unit by area, after the units', () => {
    expect(
      titles({ id: 'c', kind: 'gradeCategory' }, { id: 'n', kind: 'announcement' }, { id: 'u', kind: 'unit' }),
    ).toEqual(['u', '# Announcements', ' n', '# Gradebook', ' c']);
  });
  it('loses nothing when a parent is missing or two are each other’s parent', () => {
    expect(
      titles(
        { id: 'a', kind: 'unit', parent: 'b' },
        { id: 'b', kind: 'unit', parent: 'a' },
        { id: 'p', kind: 'page', parent: 'gone' },
      ),
    ).toHaveLength(3);
  });
});

describe('a snapshot', () => {
  it('knows links from addresses in the text, once each', () => {
    const page = item('page', 'p', {
      body: '<img src="item:map.png"><a href="item:q">quiz</a><a href="item:q">again</a><a href="item:none">x</a>',
    });
    const { items } = asSnapshot(oldCourse(page, item('file', 'map.png'), item('quiz', 'q')));
    expect(items[0]!.links).toEqual([
      { type: 'embeds', to: 'map.png' },
      { type: 'links', to: 'q' },
    ]);
  });
  it('holds no text, only its hash', () => {
    const [page] = asSnapshot(oldCourse(item('page', 'p', { body: '<p>Riffles</p>' }))).items;
    expect(JSON.stringify(page)).not.toContain('Riffles');
    expect(page!.bodyHash).toBe(textHash('<p>Riffles</p>'));
  });
});
