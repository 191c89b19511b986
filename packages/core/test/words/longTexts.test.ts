import { describe, expect, it } from '@jest/globals';
import { readDateColumn } from '../../src/typed/readDateColumn.js';
import { readClosureList } from '../../src/typed/readClosureList.js';
import { readTypedDate } from '../../src/typed/readTypedDate.js';
import { addressesIn, readdressed } from '../../src/words/text/addresses.js';
import { findModeWords } from '../../src/words/english/findModeWords.js';
import { ENGLISH } from '../../src/words/english/english.js';
import { findWords } from '../../src/words/findWords.js';
import type { WordContext } from '../../src/words/found/found.js';
import { hasContent } from '../../src/words/text/hasContent.js';
import { nestingOf } from '../../src/words/text/nesting.js';
import { proseOf, type Prose } from '../../src/words/text/prose.js';
import { seenMarkup } from '../../src/words/text/seenMarkup.js';

const calendar = { firstDay: '2026-01-12', lastDay: '2026-05-08', timeZone: 'America/Chicago' };
const CONTEXT: WordContext = {
  calendar,
  termName: 'Spring 2026',
  courseTitle: 'Freshwater Ecology',
  room: 'Haskell 114',
  meetings: [{ weekday: 1, start: '10:00', end: '11:15' }],
  code: { id: 'eco214-s26-01', code: 'ECO', number: '214', section: '01' },
  instructors: [{ id: 'p1', name: 'Ines Marant' }],
  monthFirst: true,
  meetingHosts: ['meet.example'],
};

/** A text as it stands, whatever is read out of it. */
const plain = (text: string): Prose => ({
  text,
  words: text,
  titleLength: 0,
  addresses: [],
  placeOf: ({ start, end }) => ({ field: 'title', start, end }),
});

/** What reads or searches texts that somebody wrote. */
const READERS: Readonly<Record<string, (text: string) => unknown>> = {
  ...Object.fromEntries(ENGLISH.finders.map((finder) => [finder.name, (text) => finder(plain(text), CONTEXT)])),
  findWords: (text) => findWords(plain(text), CONTEXT),
  findModeWords: (text) => findModeWords(plain(text), 'on site', 'online', CONTEXT),
  proseOf: (text) => proseOf(text, []),
  seenMarkup,
  hasContent,
  addressesIn,
  readdressed: (text) => readdressed(text, 'old', 'new', () => undefined),
  nestingOf,
  readTypedDate: (text) => readTypedDate(text, { order: 'dayFirst', calendar }),
  readDateColumn: (text) => readDateColumn([{ text }], { order: 'dayFirst', calendar }),
  readClosureList: (text) => readClosureList(text, calendar, 'dayFirst'),
};

/** Letters that a search could begin with again and again, and words that it could. */
const WORST =
  '!|a|1| |(|“|"|<|&|,|-|–|:|#|=|é|😀|a.|a-|a@|a@a.|www.|http://|</|<!--|<a href="|<b>|Mon |Mon, |Wednesday |on Wed |every |and |Jan |1, |1 and |May 1, |1-|1.|1:|1/1 |.pdf|a)|(a|room |in room |of |passcode |meeting id |ID 1|2026 |Fall 20|on='.split(
    '|',
  );
const SHORT = 64_000;
const LONG = 256_000;
/** What a text of 256,000 letters may take whatever a shorter one takes, in milliseconds. */
const ALWAYS_FINE_MS = 400;
/** Four times the letters take four times as long; sixteen times would be the square. */
const MOST_GROWTH = 10;
const TRIES = 3;

function took(read: (text: string) => unknown, letters: string, size: number): number {
  const text = letters.repeat(Math.ceil(size / letters.length)).slice(0, size);
  const begun = performance.now();
  read(text);
  return performance.now() - begun;
}

/** Whether the longest text takes about as many times longer as it is longer; a busy machine gets more tries. */
function growsInLine(read: (text: string) => unknown, letters: string): boolean {
  for (let tried = 0; tried < TRIES; tried++) {
    const long = took(read, letters, LONG);
    if (long < ALWAYS_FINE_MS || long / took(read, letters, SHORT) < MOST_GROWTH) return true;
  }
  return false;
}

describe('a long text of the worst letters takes as many times longer as it is longer', () => {
  it.each(Object.keys(READERS))('%s', (name) => {
    const read = READERS[name]!;
    expect(WORST.filter((letters) => !growsInLine(read, letters))).toEqual([]);
  });
});
