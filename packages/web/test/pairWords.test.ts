import { describe, expect, it } from '@jest/globals';
import type { CourseSummary } from '@yarin/core';
import { courseLine, courseName, termLabel } from '../src/shared/courseLine.js';
import { reasonsOf, verdictWords } from '../src/pair/reasons.js';

const course = (rest: Partial<CourseSummary> = {}): CourseSummary =>
  ({
    id: 'c',
    code: 'ECO',
    number: '214',
    section: '01',
    title: 'Freshwater Ecology',
    type: 'course',
    term: 'Spring 2026',
    mode: 'on site',
    campus: 'Main',
    meetings: [],
    things: 236,
    stockThings: 0,
    editedAt: '2026-08-01T10:00',
    archived: false,
    cancelled: false,
    instructorIds: ['ines'],
    instructors: ['Ines Marant'],
    ...rest,
  }) as CourseSummary;

describe('reasons in words, with their facts', () => {
  const shell = course({ section: '02', term: 'Spring 2027' });
  const words = (reasons: object, source: Partial<CourseSummary> = {}, usedInto: string[] = []) =>
    reasonsOf({ for: [], against: [], ...reasons }, { source: course(source), shell, usedInto });
  it('for', () => {
    expect(
      words({ for: ['sameCourse', 'yours', 'latestRun', 'sameCampus', 'usedBefore'] }, {}, ['ECO 214-03', 'ECO 214-04'])
        .for,
    ).toEqual([
      'same course, ECO 214',
      'taught by Ines Marant too',
      'the last to run, Spring 2026',
      'same campus, Main',
      'brought into ECO 214-03 and ECO 214-04 already',
    ]);
    expect(words({ for: ['formerCode', 'development', 'template'] }, { code: 'BIO' }).for).toEqual([
      'ran as BIO 214, which is ECO 214 now',
      'the development course, last edited 2026-08-01',
      'a shared template',
    ]);
    expect(words({ for: ['development'] }, { editedAt: null }).for).toEqual(['the development course']);
  });
  it('against', () => {
    expect(
      words(
        { against: ['notYours', 'olderRun', 'otherCampus', 'otherMode', 'alreadyBrought', 'fewThings'] },
        { instructors: [], campus: 'Harbour', mode: 'online', things: 1 },
      ).against,
    ).toEqual([
      'taught by nobody yet, the shell by Ines Marant',
      'an older run, Spring 2026',
      'of another campus, Harbour',
      'held online, the shell is on site',
      'was brought into this shell already',
      'holds only 1 thing',
    ]);
  });
  it('one, two and none are told apart', () => {
    expect(verdictWords('one', 3)).toContain('This one is it');
    expect(verdictWords('several', 2)).toContain('Two could be it');
    expect(verdictWords('several', 4)).toContain('4 could be it');
    expect(verdictWords('none', 0)).toContain('No earlier course has this code');
    expect(verdictWords('none', 0, 2)).toContain('Ask whoever taught it');
  });
});

describe('a course in a list', () => {
  it('is told apart by its term, or by what it is', () => {
    expect(termLabel(course())).toBe('Spring 2026');
    expect([termLabel(course({ type: 'development' })), termLabel(course({ type: 'template' }))]).toEqual([
      'development',
      'template',
    ]);
    expect([courseName(course()), courseName(course({ type: 'template' }))]).toEqual([
      'ECO 214-01 Freshwater Ecology',
      'ECO 214 Freshwater Ecology',
    ]);
  });
  it('says what it holds and what is odd about it', () => {
    expect(courseLine(course())).toBe('section 01 · no class days · Ines Marant · 236 things · Main');
    expect(courseLine(course({ things: 5, stockThings: 5, instructors: [], archived: true, campus: null }))).toBe(
      'section 01 · no class days · no instructor yet · 5 stock things · archived',
    );
    expect(courseLine(course({ things: 0, stockThings: 0, cancelled: true }))).toContain(
      'empty · Main · taken off by the registrar',
    );
  });
});
