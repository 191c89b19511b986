import { describe, expect, it } from '@jest/globals';
import {
  ACTS,
  mayDo,
  rightsOf,
  standingsOf,
  type Act,
  type RightsCourse,
  type RightsPerson,
} from '../../src/rights/rights.js';

const TODAY = '2026-11-24';
const course = (rest: Partial<RightsCourse> = {}): RightsCourse => ({
  code: 'ECO',
  number: '214',
  section: '02',
  term: 'Spring 2027',
  type: 'course',
  lastDay: '2027-05-07',
  archived: false,
  openForReuse: false,
  department: 'Science',
  staff: [
    { id: 'ines', name: 'Ines Marant', role: 'instructor' },
    { id: 'nell', name: 'Nell Farr', role: 'designer' },
    { id: 'jo', name: 'Jo Lindqvist', role: 'assistant' },
  ],
  granted: null,
  ...rest,
});
const person = (id: string, rest: Partial<RightsPerson> = {}): RightsPerson => ({
  id,
  role: 'instructor',
  department: null,
  actorsDepartment: null,
  ...rest,
});
const allowed = (who: RightsPerson, of = course()): Act[] => ACTS.filter((act) => mayDo(act, who, of, TODAY).may);

describe('who may do what', () => {
  const WORKING: Act[] = ['read', 'use', 'change', 'run', 'takeBack', 'mark'];
  it.each<[string, RightsPerson, RightsCourse, readonly Act[]]>([
    ['the instructor everything', person('ines'), course(), ACTS],
    ['the designer all but archiving and sharing', person('nell'), course(), WORKING],
    ['the assistant reads', person('jo', { role: 'assistant' }), course(), ['read']],
    ['somebody else nothing', person('ana'), course(), []],
    ['an administrator everything', person('rhee', { role: 'administrator' }), course(), ACTS],
    [
      'one of the department everything',
      person('oda', { role: 'administrator', department: 'Science' }),
      course(),
      ACTS,
    ],
    ['one of another department nothing', person('oda', { role: 'administrator', department: 'Arts' }), course(), []],
    [
      'one of a department in a course of none nothing',
      person('oda', { role: 'administrator', department: 'Arts' }),
      course({ department: null }),
      [],
    ],
    ['whom an owner let use it', person('ana'), course({ granted: 'use' }), ['read', 'use']],
    ['whom an owner let work in it', person('ana'), course({ granted: 'change' }), WORKING],
    ['everybody a shared template', person('ana'), course({ type: 'template' }), ['read', 'use']],
    ['everybody what was opened for reuse', person('ana'), course({ openForReuse: true }), ['read', 'use']],
    [
      'an assistant uses what was opened for reuse',
      person('jo', { role: 'assistant' }),
      course({ openForReuse: true }),
      ['read', 'use'],
    ],
    [
      'nobody changes a finished course',
      person('ines'),
      course({ lastDay: '2026-05-08' }),
      ['read', 'use', 'mark', 'archive', 'share'],
    ],
    ['on its last day it is not finished yet', person('ines'), course({ lastDay: TODAY }), ACTS],
    [
      'a template of an old term is never finished',
      person('ines'),
      course({ type: 'template', lastDay: '2025-05-08' }),
      ACTS,
    ],
    [
      'nobody changes an archived course',
      person('ines'),
      course({ archived: true }),
      ['read', 'use', 'mark', 'archive', 'share'],
    ],
    [
      'who acts for the instructor from the same department',
      person('ines', { actorsDepartment: 'Science' }),
      course(),
      ACTS,
    ],
    ['who acts for the instructor from another department', person('ines', { actorsDepartment: 'Arts' }), course(), []],
  ])('%s', (_name, who, of, acts) => expect(allowed(who, of)).toEqual(acts));

  it('stands in several ways at once', () => {
    expect(standingsOf(person('jo'), course({ granted: 'use', openForReuse: true }))).toEqual([
      'anyone',
      'assistant',
      'guest',
      'guest',
    ]);
  });
  it('says why not, and who could help', () => {
    const why = (act: Act, of = course()): string => {
      const right = mayDo(act, person('ana'), of, TODAY);
      return right.may ? '' : right.why;
    };
    expect(why('read')).toBe(
      'ECO 214-02 (Spring 2027) is not yours to read. It belongs to Ines Marant; ask to be let in.',
    );
    expect(why('use')).toBe('ECO 214-02 (Spring 2027) belongs to Ines Marant. Ask them to open it for reuse.');
    expect(why('run', course({ staff: [] }))).toContain('is taught by nobody yet');
    expect(why('change', course({ type: 'template' }))).toContain('ECO 214, shared template');
    for (const act of ACTS) expect(why(act)).toMatch(/^ECO 214-02 .*\.$/);
  });
  it('all at once is each by itself', () => {
    const rights = rightsOf(person('nell'), course(), TODAY);
    for (const act of ACTS) expect(rights[act]).toEqual(mayDo(act, person('nell'), course(), TODAY));
  });
});
