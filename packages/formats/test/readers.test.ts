import { describe, expect, it } from '@jest/globals';
import { readCalendar } from '../src/readCalendar.js';
import { readCourse } from '../src/readCourse.js';
import { readJson } from '../src/readJson.js';
import { readRoster } from '../src/readRoster.js';
import { readTable } from '../src/readTable.js';

const calendar = { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' };
const course = (items: object[], more: object = {}): string =>
  JSON.stringify({
    course: { id: 'c', code: 'ECO', number: '214', section: '02', title: 'Freshwater Ecology', term: 'Spring 2027' },
    calendar,
    items,
    ...more,
  });
const problemsOf = (text: string): [string, string][] => {
  const result = readCourse(text);
  return result.ok ? [] : result.problems.map(({ code, where }) => [code, where]);
};

describe('a course as JSON', () => {
  it('is read', () => {
    const result = readCourse(
      course([
        { id: 'p', kind: 'page', title: 'Riffles', moments: [{ id: 'm', role: 'due', at: '2027-02-09T23:59' }] },
      ]),
    );
    expect(result.ok && result.value.items[0]!.title).toBe('Riffles');
  });
  it.each([
    ['not JSON', '{"course":', [['notJson', '']]],
    ['an unknown kind', course([{ id: 'p', kind: 'poem', title: 'x' }]), [['notAllowed', '/items/0/kind']]],
    ['a thing without a title', course([{ id: 'p', kind: 'page' }]), [['missing', '/items/0/title']]],
    [
      'points below zero',
      course([{ id: 'p', kind: 'quiz', title: 'x', points: -1 }]),
      [['minimum', '/items/0/points']],
    ],
    [
      'an id twice',
      course([
        { id: 'p', kind: 'page', title: 'a' },
        { id: 'p', kind: 'page', title: 'b' },
      ]),
      [['idTwice', '/items/1/id']],
    ],
    [
      'a date that does not exist',
      course([{ id: 'p', kind: 'page', title: 'a', moments: [{ id: 'm', role: 'due', at: '2027-02-30T10:00' }] }]),
      [['noSuchDate', '/items/0/moments/0/at']],
    ],
    [
      'a parent that is not there',
      course([{ id: 'p', kind: 'page', title: 'a', parent: 'u' }]),
      [['noSuchParent', '/items/0/parent']],
    ],
    [
      'a reversed term',
      course([], { calendar: { ...calendar, lastDay: '2026-01-01' } }),
      [['reversedTerm', '/calendar/lastDay']],
    ],
  ])('%s is told with its place', (_name, text, expected) => expect(problemsOf(text)).toEqual(expected));
  it('says what would be right', () => {
    const result = readCourse(
      course([{ id: 'p', kind: 'page', title: 'a', moments: [{ id: 'm', role: 'due', at: '9 Feb' }] }]),
    );
    expect(!result.ok && result.problems[0]!.message).toContain('A moment, YYYY-MM-DDTHH:mm');
  });
});

describe('a term calendar as JSON', () => {
  it('is read, or told what is wrong with it and where', () => {
    expect(readCalendar(JSON.stringify(calendar)).ok).toBe(true);
    const problems = (change: object): unknown => {
      const result = readCalendar(JSON.stringify({ ...calendar, ...change }));
      return result.ok ? [] : result.problems.map(({ code, where }) => [code, where]);
    };
    expect(problems({ timeZone: 'Mars/Olympus' })).toEqual([['unknownZone', '/timeZone']]);
    expect(problems({ closures: [{ from: '2027-03-15', to: '2027-03-21', kind: 'party' }] })).toEqual([
      ['notAllowed', '/closures/0/kind'],
    ]);
  });
});

describe('JSON and tables', () => {
  it('a byte order mark does no harm', () => {
    expect(readJson('\uFEFF{"a":1}')).toEqual({ ok: true, value: { a: 1 } });
    expect(readTable('\uFEFFa,b\n1,"x, y"\n\n3,4\n')).toEqual([
      { line: 2, cells: { a: '1', b: 'x, y' } },
      { line: 3, cells: { a: '3', b: '4' } },
    ]);
  });
});

describe('a roster', () => {
  const files = {
    academicSessions:
      'sourcedId,status,title,startDate,endDate\nt1,active,Spring 2027,2027-01-11,2027-05-07\nt2,active,Broken,2027-05-07,2027-01-11\n',
    orgs: 'sourcedId,status,name,type\no1,active,Main,school\nd1,active,Science,department\n',
    courses:
      'sourcedId,title,courseCode,orgSourcedId,metadata.formerly\nc1,Freshwater Ecology,ECO 214,d1,BIO 214\nc2,Odd,ODD9,d1,X\n',
    classes:
      'sourcedId,status,title,courseSourcedId,classCode,location,termSourcedIds,schoolSourcedId\nk1,active,,c1,ECO 214-02,Haskell 120,t1,o1\nk2,active,,none,X,,t1,o1\nk3,tobedeleted,,c1,ECO 214-03,,t1,\nk1,active,,c1,ECO 214-09,,t1,o1\n',
    users:
      'sourcedId,role,givenName,familyName,email,orgSourcedIds\np1,teacher,Ines,Marant,i@m.example,o1\np2,aide,Jo,Lindqvist,,o1\np3,administrator,Kenji,Oda,,"o1,d1"\ns1,student,Aino,Arden,,o1\n',
    enrollments:
      'classSourcedId,userSourcedId,role,metadata.designer\nk1,p1,teacher,\nk1,p2,aide,true\nk1,s1,student,\nk9,p1,teacher,\n',
  };
  const roster = readRoster(files);
  it('gives terms, classes and who teaches them', () => {
    const common = { code: 'ECO', number: '214', title: 'Freshwater Ecology', termId: 't1', department: 'Science' };
    expect(roster.classes).toEqual([
      { ...common, id: 'k1', section: '02', room: 'Haskell 120', campus: 'Main', isCancelled: false },
      { ...common, id: 'k3', section: '03', room: undefined, campus: undefined, isCancelled: true },
    ]);
    expect(roster.teaching).toEqual([
      { classId: 'k1', personId: 'p1', role: 'instructor' },
      { classId: 'k1', personId: 'p2', role: 'designer' },
    ]);
  });
  it('knows an earlier code of a course', () => {
    expect(roster.formerly).toEqual([{ code: 'ECO', number: '214', was: { code: 'BIO', number: '214' } }]);
  });
  it('drops learners and counts them', () => {
    expect(roster.people.map(({ id, department }) => [id, department])).toEqual([
      ['p1', null],
      ['p2', null],
      ['p3', 'Science'],
    ]);
    expect(roster.learnersDropped).toEqual({ people: 1, enrolments: 1 });
  });
  it('keeps the good rows and tells the bad ones by line', () => {
    expect(roster.problems.map(({ where, code }) => [where, code])).toEqual([
      ['/academicSessions.csv/3', 'noSuchDate'],
      ['/classes.csv/3', 'noSuchCourse'],
      ['/classes.csv/5', 'twice'],
      ['/courses.csv/3', 'wrongForm'],
      ['/enrollments.csv/5', 'noSuchClass'],
    ]);
  });
});
