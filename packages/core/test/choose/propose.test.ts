import { describe, expect, it } from '@jest/globals';
import { proposeJobProblems } from '../../src/choose/checkProposeJob.js';
import { propose, type ProposeCandidate } from '../../src/choose/propose.js';
import type { ProposeJob } from '../../src/schemas/proposeJob.js';

const SHELL: ProposeJob['shell'] = {
  id: 'shell',
  code: 'ECO',
  number: '214',
  section: '02',
  campus: 'Main',
  mode: 'on site',
  term: 'Spring 2027',
  firstDay: '2027-01-11',
  instructors: ['ines'],
};
const course = (id: string, rest: Partial<ProposeCandidate> = {}): ProposeCandidate => ({
  id,
  code: 'ECO',
  number: '214',
  section: '01',
  campus: 'Main',
  mode: 'on site',
  term: 'Spring 2026',
  firstDay: '2026-01-12',
  lastDay: '2026-05-08',
  instructors: ['ines'],
  type: 'course',
  things: 236,
  stockThings: 8,
  ...rest,
});
const verdictOf = (courses: ProposeCandidate[], more: Partial<ProposeJob> = {}) => {
  const { verdict, candidates } = propose({ shell: SHELL, courses, ...more });
  return [verdict, ...candidates.map(({ course: id }) => id)];
};

describe('which old course', () => {
  it.each<[string, ProposeCandidate[], string[]]>([
    ['nothing at all', [], ['none']],
    ['the one run', [course('a')], ['one', 'a']],
    ['not the shell itself', [course('shell')], ['none']],
    ['not an empty run', [course('a', { things: 8 })], ['none']],
    ['not another course', [course('a', { number: '310' })], ['none']],
    ['not a run that began later', [course('a', { firstDay: '2027-06-01' })], ['none']],
    ['the later of two runs of hers', [course('a', { firstDay: '2025-01-13' }), course('b')], ['one', 'b', 'a']],
    [
      'hers before another’s, but the other is newer',
      [course('a', { firstDay: '2025-01-13' }), course('b', { instructors: ['ana'] })],
      ['several', 'a', 'b'],
    ],
    [
      'two of others',
      [course('a', { instructors: ['ana'] }), course('b', { instructors: ['jo'], section: '02' })],
      ['several', 'b', 'a'],
    ],
    ['the same campus first', [course('a', { campus: 'Harbour' }), course('b')], ['one', 'b', 'a']],
    ['more things first', [course('a', { things: 100 }), course('b')], ['one', 'b', 'a']],
    ['by id at last', [course('b'), course('a')], ['one', 'a', 'b']],
    [
      'a development course edited since',
      [course('a'), course('dev', { type: 'development', editedAt: '2026-08-01T10:00', instructors: [] })],
      ['several', 'dev', 'a'],
    ],
    [
      'a development course left alone since',
      [course('a'), course('dev', { type: 'development', editedAt: '2026-02-01T10:00', firstDay: '2025-01-13' })],
      ['one', 'a', 'dev'],
    ],
    [
      'a development course alone, whatever its term',
      [course('dev', { type: 'development', firstDay: '2027-08-01', lastDay: '2027-12-01' })],
      ['one', 'dev'],
    ],
    ['a template alone', [course('t', { type: 'template', instructors: [] })], ['one', 't']],
    ['not a template of another course', [course('t', { type: 'template', number: '000' })], ['none']],
    ['not a development course of stock alone', [course('d', { type: 'development', things: 8 })], ['none']],
    ['one thing that is not stock is enough', [course('a', { things: 9 })], ['one', 'a']],
    [
      'a fresh development course of hers that no later term stands beside is sure',
      [
        course('a'),
        course('dev', {
          type: 'development',
          editedAt: '2026-08-01T10:00',
          firstDay: '2026-01-12',
          lastDay: '2026-12-11',
        }),
      ],
      ['one', 'dev', 'a'],
    ],
    [
      'edited on the last day of the run is not after it',
      [course('a'), course('dev', { type: 'development', editedAt: '2026-05-08T23:00', firstDay: '2025-01-13' })],
      ['one', 'a', 'dev'],
    ],
    [
      'a development course never edited is not fresh',
      [course('a'), course('dev', { type: 'development', instructors: [] })],
      ['one', 'a', 'dev'],
    ],
    [
      'fresh is measured by the latest run, whoever taught it',
      [
        course('a'),
        course('b', { firstDay: '2026-08-24', lastDay: '2026-12-11', instructors: ['ana'] }),
        course('dev', { type: 'development', editedAt: '2026-10-01T10:00', instructors: [], firstDay: '2025-01-13' }),
      ],
      ['several', 'a', 'b', 'dev'],
    ],
    [
      'the same section before more things',
      [course('a'), course('b', { section: '02', things: 50 })],
      ['one', 'b', 'a'],
    ],
    [
      'hers on another campus before another’s on hers',
      [course('a', { instructors: ['ana'] }), course('b', { campus: 'Harbour', firstDay: '2025-01-13' })],
      ['several', 'b', 'a'],
    ],
    [
      'two of hers in one term are sure: the fuller one',
      [course('a', { things: 100 }), course('b', { things: 200 })],
      ['one', 'b', 'a'],
    ],
    [
      'one of two instructors is enough',
      [course('a', { instructors: ['ana', 'ines'] }), course('b', { instructors: ['ana'] })],
      ['one', 'a', 'b'],
    ],
    ['the only one is sure, though another taught it', [course('a', { instructors: ['ana'] })], ['one', 'a']],
    ['a run of the very same first day is no predecessor', [course('a', { firstDay: '2027-01-11' })], ['none']],
    ['another code with the same number', [course('a', { code: 'BIO' })], ['none']],
  ])('%s', (_name, courses, expected) => expect(verdictOf(courses)).toEqual(expected));

  it('knows a former code from the roster', () => {
    const former = [{ code: 'ECO', number: '214', was: { code: 'BIO', number: '214' } }];
    expect(verdictOf([course('a', { code: 'BIO' })], { formerly: former })).toEqual(['one', 'a']);
    expect(verdictOf([course('a', { code: 'BIO' })])).toEqual(['none']);
  });
  it('a development course under a former code is none of this course', () => {
    const formerly = [{ code: 'ECO', number: '214', was: { code: 'BIO', number: '214' } }];
    expect(verdictOf([course('d', { code: 'BIO', type: 'development' })], { formerly })).toEqual(['none']);
  });
  it('holds nothing against a course that nobody knows: no campus, no mode', () => {
    const unknown = { campus: undefined, mode: undefined };
    const { candidates } = propose({ shell: SHELL, courses: [course('a', unknown)] });
    expect(candidates[0]!.against).toEqual([]);
  });
  it('a development course and a template say what they are', () => {
    const courses = [course('dev', { type: 'development' }), course('tmpl', { type: 'template' })];
    const reasons = new Map(propose({ shell: SHELL, courses }).candidates.map((each) => [each.course, each.for]));
    expect(reasons.get('dev')).toContain('development');
    expect(reasons.get('tmpl')).toContain('template');
    expect(reasons.get('tmpl')).not.toContain('development');
  });
  it('a run taken from it into another term is no reason', () => {
    const runs = [{ source: 'a', destination: 'x', term: 'Fall 2026' }];
    expect(propose({ shell: SHELL, courses: [course('a')], runs }).candidates[0]!.for).not.toContain('usedBefore');
  });
  it('less than half of the largest is few, half is not', () => {
    const { candidates } = propose({
      shell: SHELL,
      courses: [course('a'), course('b', { things: 118 }), course('c', { things: 117 })],
    });
    expect(candidates.map(({ course: id, against }) => [id, against.includes('fewThings')])).toEqual([
      ['a', false],
      ['b', false],
      ['c', true],
    ]);
  });
  it('refuses days on no calendar, terms the wrong way round, and an id twice, each at its place', () => {
    const problems = proposeJobProblems({
      shell: { ...SHELL, firstDay: '2027-02-30' },
      courses: [course('a', { lastDay: '2025-01-01' }), course('a', { firstDay: '2026-13-01', lastDay: '2026-13-02' })],
    });
    expect(problems.map(({ code, where }) => [code, where])).toEqual([
      ['noSuchDate', '/shell/firstDay'],
      ['reversedTerm', '/courses/0/lastDay'],
      ['noSuchDate', '/courses/1/firstDay'],
      ['noSuchDate', '/courses/1/lastDay'],
      ['twice', '/courses/1/id'],
    ]);
  });
  it('says its reasons for and against', () => {
    const { candidates } = propose({
      shell: SHELL,
      courses: [
        course('a'),
        course('b', { firstDay: '2025-01-13', instructors: ['ana'], campus: 'Harbour', mode: 'online', things: 90 }),
      ],
      runs: [
        { source: 'a', destination: 'section 03', term: 'Spring 2027' },
        { source: 'b', destination: 'shell', term: 'Spring 2027' },
      ],
    });
    expect(candidates).toEqual([
      { course: 'a', for: ['sameCourse', 'yours', 'latestRun', 'sameCampus', 'usedBefore'], against: [] },
      {
        course: 'b',
        for: ['sameCourse'],
        against: ['notYours', 'olderRun', 'otherCampus', 'otherMode', 'alreadyBrought', 'fewThings'],
      },
    ]);
  });
});
