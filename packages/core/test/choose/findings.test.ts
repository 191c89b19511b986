import { describe, expect, it } from '@jest/globals';
import { findFindings } from '../../src/choose/findings/findFindings.js';
import type { FindingName } from '../../src/names/findings.js';
import type { Item } from '../../src/schemas/course.js';
import { item, newShell, oldCourse, stock } from '../builders.js';

const found = (name: FindingName, items: Item[], shell: Item[] = []): string[] =>
  findFindings(oldCourse(...items), newShell(...shell))
    .filter(({ finding }) => finding === name)
    .map(({ item: id }) => id);
const announce = (id: string, body: string): Item => item('announcement', id, { body: `<p>${body}</p>` });
const event = (id: string, starts: string, ends: string, rest: Partial<Item> = {}): Item =>
  item('event', id, {
    ...rest,
    moments: [
      { id: `${id}-s`, role: 'starts', at: starts },
      { id: `${id}-e`, role: 'ends', at: ends },
    ],
  });

describe('announcements', () => {
  it('of last term stay, with the words that show it', () => {
    const [finding] = findFindings(oldCourse(announce('a', 'We start on Monday, January 12.')), newShell());
    expect(finding).toMatchObject({
      finding: 'lastTermsAnnouncement',
      default: 'leave',
      evidence: '“Monday, January 12”',
    });
  });
  it.each([
    'Welcome! Bring boots to every class this term.',
    'Office hours are on Tuesdays.',
    'Read the field code; it was written after the flood of 12 March 1928.',
    'Ask early.',
  ])('evergreen: %s', (body) => expect(found('lastTermsAnnouncement', [announce('a', body)])).toEqual([]));
  it.each([
    'The college is closed today.',
    'Join at https://meet.example/x',
    'Spring 2026 marks are out.',
    'Drafts are due this Sunday.',
    'See <a href="https://meet.example/y">here</a>.',
  ])('outdated: %s', (body) => expect(found('lastTermsAnnouncement', [announce('a', body)])).toEqual(['a']));
  it('one that a person marked evergreen comes', () => {
    const course = {
      ...oldCourse(announce('a', 'See you on Monday.')),
      marks: [{ item: 'a', mark: 'evergreen' as const }],
    };
    expect(findFindings(course, newShell())).toEqual([]);
  });
});

describe('events', () => {
  it('a Saturday trip is a one-off', () => {
    expect(found('oneOffEvent', [event('trip', '2026-04-18T08:00', '2026-04-18T16:00')])).toEqual(['trip']);
  });
  it('one within a class meeting is none, nor one at which something is due', () => {
    const exam = item('assignment', 'exam', { moments: [{ id: 'x', role: 'due', at: '2026-05-06T11:00' }] });
    expect(
      found('oneOffEvent', [
        event('in class', '2026-02-02T10:00', '2026-02-02T11:00'),
        event('sitting', '2026-05-06T09:00', '2026-05-06T11:00'),
        exam,
      ]),
    ).toEqual([]);
  });
  it('one on an exam day is none', () => {
    expect(found('oneOffEvent', [event('exam', '2026-05-05T18:00', '2026-05-05T20:00')])).toEqual([]);
  });
  it('one that recurs in three weeks is none, in two it is', () => {
    const hours = (id: string, day: string): Item =>
      event(id, `${day}T09:00`, `${day}T10:00`, { title: 'Bench hours' });
    const two = [hours('a', '2026-01-20'), hours('b', '2026-01-27')];
    expect(found('oneOffEvent', two)).toEqual(['a', 'b']);
    expect(found('oneOffEvent', [...two, hours('c', '2026-02-03')])).toEqual([]);
  });
  it('one that only names a closed day is one', () => {
    expect(found('oneOffEvent', [event('Spring break', '2026-03-09T00:00', '2026-03-09T23:59')])).toEqual([
      'Spring break',
    ]);
  });
});

describe('other findings', () => {
  it('meetingLink stays on an event and comes in a page', () => {
    const findings = findFindings(
      oldCourse(
        item('page', 'p', { body: '<p>https://meet.example/x</p>' }),
        event('e', '2026-02-02T10:00', '2026-02-02T11:00', { details: { url: 'https://meet.example/x' } }),
      ),
      newShell(),
    );
    expect(findings.filter(({ finding }) => finding === 'meetingLink').map(({ default: what }) => what)).toEqual([
      'bring',
      'leave',
    ]);
  });
  it('heldOutside: the tool link with an outside id, and what launches it', () => {
    const tool = item('toolLink', 't', { details: { outsideCourseId: 'kx-2041' } });
    const work = item('assignment', 'w', { links: [{ type: 'launches', to: 't' }] });
    expect(found('heldOutside', [tool, work, item('toolLink', 'free')])).toEqual(['t', 'w']);
  });
  it('lastTermsSyllabus only when the shell’s has content of its own', () => {
    const locked = stock('syllabus', 's', { details: { sections: [{ title: 'x', body: '<p>y</p>', locked: true }] } });
    expect(found('lastTermsSyllabus', [item('syllabus', 'old')], [locked])).toEqual([]);
    expect(
      found('lastTermsSyllabus', [item('syllabus', 'old')], [item('syllabus', 's', { body: '<p>Mine</p>' })]),
    ).toEqual(['old']);
  });
  it('stockThing: kind and title, ignoring case, spaces and signs', () => {
    expect(
      found(
        'stockThing',
        [item('page', 'a', { title: 'Library: desk hours!' })],
        [stock('page', 'b', { title: 'library desk hours', body: '<p>8 to 20</p>' })],
      ),
    ).toEqual(['a']);
  });
  it('unused: a file that nothing embeds, in a link or in a body', () => {
    const page = item('page', 'p', { body: '<img src="item:used.png">' });
    expect(found('unused', [item('file', 'used.png'), item('file', 'loose.png'), page])).toEqual(['loose.png']);
  });
  it('unused: what stands in a unit is seen by learners', () => {
    const week = item('unit', 'week', { body: '<p>x</p>' });
    expect(found('unused', [week, item('file', 'map.png', { parent: 'week' }), item('questionBank', 'bank')])).toEqual([
      'bank',
    ]);
  });
  it('emptyUnit: no text, and nothing but empty units in it', () => {
    const items = [
      item('unit', 'a'),
      item('unit', 'b', { parent: 'a' }),
      item('unit', 'c'),
      item('page', 'p', { parent: 'c', body: '<p>x</p>' }),
    ];
    expect(found('emptyUnit', items)).toEqual(['a', 'b']);
  });
  it('double: “Essay (2)” is a copy of “Essay”, “Quiz 2” is none of “Quiz 1”', () => {
    const items = ['Essay', 'Essay (2)', 'Quiz 1', 'Quiz 2'].map((title) =>
      item('assignment', title, { body: `<p>${title}</p>` }),
    );
    expect(found('double', items)).toEqual(['Essay (2)']);
  });
  it('hiddenAllTerm, otherTerm, noPoints, originalityCheck', () => {
    expect(
      found('hiddenAllTerm', [
        item('page', 'h', { state: 'hidden' }),
        item('page', 'o', { state: 'hidden', everOpen: true }),
      ]),
    ).toEqual(['h']);
    expect(
      found('otherTerm', [item('task', 'k', { moments: [{ id: 'm', role: 'due', at: '2025-10-01T12:00' }] })]),
    ).toEqual(['k']);
    const weighted = item('gradeCategory', 'c', { details: { weight: 20 } });
    expect(
      found('noPoints', [weighted, item('quiz', 'q', { points: 0, links: [{ type: 'gradedIn', to: 'c' }] })]),
    ).toEqual(['q']);
    expect(found('originalityCheck', [item('assignment', 'w', { details: { originalityCheck: true } })])).toEqual([
      'w',
    ]);
  });
});
