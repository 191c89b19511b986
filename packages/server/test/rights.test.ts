import { describe, expect, it } from '@jest/globals';
import { textHash, type CourseSummary } from '@yarin/core';
import { makeClock } from '../src/clock.js';
import { readConfig } from '../src/config.js';
import { sanitise } from '../src/courses/sanitise.js';
import type { PersonRow } from '../src/database/entities/person.js';
import { mayChange, mayUse } from '../src/people/rights.js';
import { nativeHash } from '../src/runs/nativeHash.js';

const course = (rest: Partial<CourseSummary> = {}): CourseSummary =>
  ({
    id: 'c',
    code: 'ECO',
    number: '214',
    section: '02',
    term: 'Spring 2027',
    type: 'course',
    lastDay: '2027-05-07',
    instructorIds: ['ines'],
    instructors: ['Ines Marant'],
    ...rest,
  }) as CourseSummary;
const person = (id: string, role: PersonRow['role']): PersonRow => ({
  id,
  role,
  givenName: '',
  familyName: '',
  email: '',
});
const [ines, ana, rhee, jo] = [
  person('ines', 'instructor'),
  person('ana', 'instructor'),
  person('rhee', 'administrator'),
  person('jo', 'assistant'),
];

describe('who may do what', () => {
  const today = '2026-11-24';
  it.each([
    ['the instructor', ines, true, true],
    ['another instructor', ana, false, false],
    ['an administrator', rhee, true, true],
    ['an assistant', jo, false, false],
  ] as const)('%s', (_name, who, change, use) => {
    expect([mayChange(who, course(), today).may, mayUse(who, course()).may]).toEqual([change, use]);
  });
  it('nobody changes a finished course, and everybody is told why', () => {
    for (const who of [ines, rhee])
      expect(mayChange(who, course({ lastDay: '2026-05-08' }), today)).toMatchObject({
        may: false,
        why: expect.stringContaining('is a record'),
      });
  });
  it('everybody may use a shared template', () => {
    expect(mayUse(ana!, course({ type: 'template' })).may).toBe(true);
  });
  it('a course that nobody teaches yet says so', () => {
    expect(mayChange(ana!, course({ instructorIds: [], instructors: [] }), today)).toMatchObject({
      why: expect.stringContaining('nobody yet'),
    });
  });
});

describe('the platform’s hash', () => {
  it('is the core’s', () => {
    for (const text of ['', 'Riffles', '“Öl” – 3 µm']) expect(nativeHash(text)).toBe(textHash(text));
  });
});

describe('the clock', () => {
  it('stands where it is told to', () =>
    expect(makeClock('2026-11-24T09:00').now('Asia/Tokyo')).toBe('2026-11-24T09:00'));
  it('else tells the time of the zone', () => {
    expect(makeClock(undefined).now('UTC')).toMatch(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/);
  });
  it.each(['yesterday', '2026-02-30T09:00', '2026-11-24'])('refuses %s', (text) =>
    expect(() => makeClock(text)).toThrow('YARIN_NOW has to be a moment'),
  );
});

describe('the configuration', () => {
  it('refuses a port that is none', () => {
    for (const port of ['x', '-1', '70000']) expect(() => readConfig({ YARIN_PORT: port })).toThrow('from 0 to 65535');
    expect(readConfig({ YARIN_PORT: '4600' }).port).toBe(4600);
  });
});

describe('a body that is shown', () => {
  const keys: Record<string, string> = { 'old.map': 'old.map', 'old.start': 'new.start' };
  const shown = (body: string): string => sanitise(body, 'new', (address) => keys[address]);
  it('leads to things of the course, through a second key too', () => {
    expect(shown('<a href="item:old.start">Start</a>')).toBe('<a href="/course/new?item=new.start">Start</a>');
    expect(shown('<img src="item:old.map" alt="Map">')).toBe('<img alt="Map" src="/api/courses/new/files/old.map" />');
  });
  it('has no address that leads to nothing', () => expect(shown('<a href="item:gone">Gone</a>')).toBe('<a>Gone</a>'));
  it('keeps outside addresses, and drops what runs', () => {
    expect(shown('<a href="https://gauge.example/x">Gauge</a>')).toContain('href="https://gauge.example/x"');
    expect(shown('<iframe src="https://x.example"></iframe><style>p{}</style><p style="color:red">x</p>')).toBe(
      '<p>x</p>',
    );
  });
});
