import { describe, expect, it } from '@jest/globals';
import { findableWords, holdsWords, nearlyBegins, wordsAsked, wordsIn } from '../../src/find/findWords.js';

describe('words of a text', () => {
  it.each([
    ['ECO_214-02', ['eco', '214', '02']],
    ['  Öl & Wasser, Marañón ', ['ol', 'wasser', 'maranon']],
    ['ｆｕｌｌ width', ['full', 'width']],
    ['—', []],
  ])('%s', (text, words) => expect(wordsIn(text)).toEqual(words));
});

describe('the words that a course is found by', () => {
  const words = findableWords({
    id: 'eco214-s27-02',
    code: 'ECO',
    number: '214',
    section: '02',
    title: 'Freshwater Ecology',
    term: 'Spring 2027',
    campus: 'Main',
    people: ['Ines Marant'],
    type: 'development',
    archived: true,
    firstDay: '2027-01-11',
    weekdays: [4, 2, 4],
  });
  it.each([
    ...'eco 214 02 eco214 eco21402 freshwater marant main spring 2027 s27 sp27 spring27'.split(' '),
    ...'tuesday thursday tth development archived ay2026'.split(' '),
  ])('holds %s', (word) => expect(words).toContain(word));
  it('each once', () => expect(new Set(words).size).toBe(words.length));
  it('a term that is no season and year has no short form', () => {
    const other = findableWords({
      id: 'x',
      code: 'X',
      number: '1',
      section: '1',
      title: '',
      term: 'Block 3',
      campus: null,
      people: [],
      type: 'course',
      archived: false,
      firstDay: '2026-07-06',
      weekdays: [],
    });
    expect(other).toEqual(['x', '1', 'block', '3', 'x1', 'x11', 'ay2026']);
  });
});

describe('nearly begins', () => {
  it.each([
    ['freshw', 'freshwater', true],
    ['freshwoter', 'freshwater', true],
    ['frehs', 'freshwater', true],
    ['feshwater', 'freshwater', true],
    ['ffreshwater', 'freshwater', true],
    ['reshwater', 'freshwater', true],
    ['freshwaterr', 'freshwater', true],
    ['frashwoter', 'freshwater', false],
    ['ecp', 'eco', true],
    ['ec', 'eco', true],
    ['ez', 'eco', false],
    ['ecp', 'ecology', false],
    ['eco215', 'eco214', false],
    ['2026', '2027', false],
    ['marant', 'mar', false],
  ])('%s · %s: %s', (typed, word, nearly) => expect(nearlyBegins(typed, word)).toBe(nearly));
});

describe('a title that holds words', () => {
  it('in any order, each begun', () => {
    expect(holdsWords('Lab 5: drift nets', ['net', 'lab'])).toBe(true);
    expect(holdsWords('Lab 5: drift nets', ['nets', 'kick'])).toBe(false);
    expect(holdsWords('Lab 5: drift nets', [])).toBe(true);
  });
});

describe('the words that somebody looks for', () => {
  it.each([
    ['eco 2025-26', ['eco', 'ay2025']],
    ['2025–2026 ecology', ['ay2025', 'ecology']],
    ['last year eco', ['ay2025', 'eco']],
    ['this academic year', ['ay2026']],
    ['2025-27', ['2025', '27']],
    ['ECO 214-02', ['eco', '214', '02']],
  ])('of “%s” on 24 November 2026', (typed, words) => expect(wordsAsked(typed, '2026-11-24')).toEqual(words));
  it('before July the last academic year began two years before', () =>
    expect(wordsAsked('last year', '2027-03-01')).toEqual(['ay2025']));
});
