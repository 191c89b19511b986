import { describe, expect, it } from '@jest/globals';
import { ATTRIBUTES, checkDetails, LINK_FIELDS } from '../../src/course/attributes.js';
import { KINDS, type Kind } from '../../src/names/kinds.js';
import { LINK_TYPES } from '../../src/names/links.js';

const problems = (
  kind: Kind,
  details: Record<string, unknown>,
  standing: Record<string, unknown> = {},
): [string, string][] =>
  checkDetails(kind, details, '/details', standing).map(({ where, message }) => [where, message]);

describe('details of a kind', () => {
  it.each<[Kind, Record<string, unknown>]>([
    ['assignment', { ways: ['file', 'text'], attempts: 0, originalityCheck: true }],
    ['quiz', { attempts: 3, minutesAllowed: 30 }],
    ['quiz', { minutesAllowed: null }],
    ['discussion', { openingPost: false }],
    ['weblink', { url: 'https://gauge.example/reach?a=1' }],
    ['weblink', { url: '' }],
    ['event', { place: 'Haskell 110', url: 'http://x.example' }],
    ['gradeCategory', { weight: 100, official: true }],
    ['scoreScale', { rounding: 'half up', learnersSee: 'letter' }],
    ['rubric', { rows: ['Question', 'Method'], points: 20 }],
    ['toolLink', { service: 'drill.example', outsideCourseId: 'kx-2041', launch: 'https://drill.example/launch' }],
    ['questionBank', { questions: [{ stem: 'Why?', options: ['a', 'b'], answer: 1 }] }],
    ['groups', { groups: [{ name: 'Reach A', size: 4 }] }],
    ['scoreScale', { scale: [['A', 90]] }],
    ['courseSettings', { home: 'k1', menu: ['k1', 'k2'], picture: null, areas: { pages: 'Readings' } }],
    ['glossary', { entries: [{ term: 'thalweg', text: 'the deepest line' }] }],
  ])('%s takes %j', (kind, details) => expect(problems(kind, details)).toEqual([]));

  it.each<[Kind, Record<string, unknown>, string, string]>([
    ['assignment', { attempts: -1 }, 'attempts', '“attempts” has to be a number from 0 to 100.'],
    ['assignment', { attempts: '2' }, 'attempts', '“attempts” has to be a number from 0 to 100.'],
    ['assignment', { ways: 'file' }, 'ways', '“handed in as” has to be some of file, text, link, recording, paper.'],
    ['assignment', { originalityCheck: 'yes' }, 'originalityCheck', '“originality check wanted” has to be yes or no.'],
    ['quiz', { minutesAllowed: 1441 }, 'minutesAllowed', '“minutes allowed” has to be a number from 0 to 1440.'],
    ['weblink', { url: 'javascript:x' }, 'url', '“address” has to be an address that begins with http:// or https://.'],
    [
      'weblink',
      { url: 'https://two words' },
      'url',
      '“address” has to be an address that begins with http:// or https://.',
    ],
    ['gradeCategory', { weight: 101 }, 'weight', '“weight, %” has to be a number from 0 to 100.'],
    ['scoreScale', { rounding: 'up' }, 'rounding', '“rounding” has to be one of half up, down, none.'],
    ['rubric', { rows: ['x'.repeat(501)] }, 'rows', '“rows” has to be lines of at most 500 characters.'],
    [
      'rubric',
      { rows: Array.from({ length: 101 }, () => 'x') },
      'rows',
      '“rows” has to be lines of at most 500 characters.',
    ],
    ['event', { place: 'x'.repeat(501) }, 'place', '“place” has to be a text of at most 500 characters.'],
  ])('%s refuses %j at its place', (kind, details, name, message) =>
    expect(problems(kind, details)).toEqual([[`/details/${name}`, message]]),
  );

  it.each<[Kind, Record<string, unknown>, string, string]>([
    ['page', { anything: 1 }, 'anything', '“anything” is nothing that such a thing has; leave it out.'],
    ['quiz', { questions: [] }, 'questions', '“questions” is nothing that such a thing has; leave it out.'],
    ['page', { 'a/b': 1 }, 'a~1b', '“a/b” is nothing that such a thing has; leave it out.'],
    [
      'questionBank',
      { questions: [5] },
      'questions',
      '“questions” has to be a list of questions, each with its words.',
    ],
    ['courseSettings', { menu: 'k1' }, 'menu', '“menu” has to be a list of things.'],
    [
      'questionBank',
      { questions: [{ stem: ' JavaScript:alert(1)' }] },
      'questions/0/stem',
      'An address has to begin with http://, https:// or mailto:.',
    ],
    ['rubric', { rows: ['data:text/html,x'] }, 'rows/0', 'An address has to begin with http://, https:// or mailto:.'],
  ])('%s refuses %j: unknown, of another form, or an address that would run', (kind, details, name, message) =>
    expect(problems(kind, details)).toEqual([[`/details/${name}`, message]]),
  );

  it('lets stay as it is what came with a thing from elsewhere', () => {
    const standing = { tags: ['a', 'b'] };
    expect(problems('page', { tags: ['a', 'b'] }, standing)).toEqual([]);
    expect(problems('page', { tags: null }, standing)).toEqual([]);
    expect(problems('page', { tags: ['a'] }, standing)).toHaveLength(1);
  });

  it('tells everything that is wrong at once', () => {
    expect(problems('event', { place: 5, url: 'x' })).toHaveLength(2);
  });
});

describe('links that a person sets', () => {
  it('are of types and to kinds that there are', () => {
    for (const fields of Object.values(LINK_FIELDS))
      for (const { type, to } of fields) {
        expect(LINK_TYPES).toContain(type);
        for (const kind of to) expect(KINDS).toContain(kind);
      }
  });
  it('work is graded in a line, a line in a category', () => {
    for (const kind of ['assignment', 'quiz', 'discussion'] as const)
      expect(LINK_FIELDS[kind]!.find(({ type }) => type === 'gradedIn')!.to).toEqual(['lineItem']);
    expect(LINK_FIELDS.lineItem![0]!.to).toEqual(['gradeCategory']);
  });
  it('no attribute has two meanings in one kind', () => {
    for (const attributes of Object.values(ATTRIBUTES)) {
      const names = attributes.map(({ name }) => name);
      expect(new Set(names).size).toBe(names.length);
    }
  });
});
