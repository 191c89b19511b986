import { describe, expect, it } from '@jest/globals';
import { handNotes } from '../../src/retime/handNotes.js';
import { indexTerms } from '../../src/retime/terms.js';
import { SPRING_2026, SPRING_2027 } from '../terms.js';

const terms = indexTerms(SPRING_2026, SPRING_2027);
/** Of work that was due at the start of class, or at night. */
const notes = (set: string, at = '2026-02-02T23:59'): string[] => handNotes(terms, { at, role: 'due' }, set);

describe('a date that was set by hand says beside it when it stands on', () => {
  it.each([
    ['2027-02-18T12:00', ['Charter Day']],
    ['2027-03-17T12:00', ['Spring break']],
    ['2027-02-20T12:00', ['a Saturday']],
    ['2027-02-21T12:00', ['a Sunday']],
    ['2027-01-08T12:00', ['before the term begins']],
    ['2027-05-08T12:00', ['after the term ends']],
    ['2027-05-04T12:00', []],
    ['2027-02-16T12:00', []],
  ])('%s', (set, expected) => expect(notes(set)).toEqual(expected));
  it('a day without the class that it was due at', () => {
    expect(notes('2027-02-17T14:00', '2026-02-02T10:00')).toEqual(['away from its class']);
    expect(notes('2027-02-18T14:00', '2026-02-02T10:00')).toEqual(['Charter Day', 'away from its class']);
    expect(notes('2027-02-16T14:00', '2026-02-02T10:00')).toEqual([]);
  });
});
