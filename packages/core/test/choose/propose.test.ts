import { describe, expect, it } from '@jest/globals';
import { propose, type ProposeCandidate, type ProposeInput } from '../../src/choose/propose.js';

const SHELL: ProposeInput['shell'] = {
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
const verdictOf = (courses: ProposeCandidate[], more: Partial<ProposeInput> = {}) => {
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
  ])('%s', (_name, courses, expected) => expect(verdictOf(courses)).toEqual(expected));

  it('knows a former code from the roster', () => {
    const former = [{ code: 'ECO', number: '214', was: { code: 'BIO', number: '214' } }];
    expect(verdictOf([course('a', { code: 'BIO' })], { formerly: former })).toEqual(['one', 'a']);
    expect(verdictOf([course('a', { code: 'BIO' })])).toEqual(['none']);
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
