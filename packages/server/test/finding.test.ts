import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { FoundView } from '@yarin/core';
import { openForWriting } from '../src/database/driver.js';
import { serverOn, startServer, undoMigration, type TestServer } from './testServer.js';

describe('finding', () => {
  let server: TestServer;
  const agents = new Map<string, Awaited<ReturnType<TestServer['as']>>>();
  beforeAll(async () => {
    server = await startServer({ demo: true });
    for (const person of ['p-marant', 'p-brandt', 'p-rhee', 'p-oda', 'p-sato'])
      agents.set(person, await server.as(person));
  });
  afterAll(() => server.close());

  const find = async (query: Record<string, string>, person = 'p-marant'): Promise<FoundView> =>
    (await agents.get(person)!.get('/api/find').query(query).expect(200)).body;
  const ids = async (words: string, more: Record<string, string> = {}, person?: string): Promise<string[]> =>
    (await find({ words, ...more }, person)).courses.map(({ id }) => id);
  const ECO = ['eco214-s27-02', 'eco214-s27-03', 'eco214-s26-01'];

  it.each<[string, string, string[]]>([
    ['code and number run together', 'eco214', ECO],
    ['in capitals with a space', 'ECO 214', ECO],
    ['with section and other separators', 'ECO_214-02', ['eco214-s27-02']],
    ['all run together', 'eco21403', ['eco214-s27-03']],
    ['half a word', 'freshw', ECO],
    ['title, instructor and season', 'freshwater marant spring', ECO],
    ['a term in short', 'eco s26', ['eco214-s26-01']],
    ['a term run together', 'eco spring26', ['eco214-s26-01']],
    ['class days', 'eco tue thu', ['eco214-s27-02']],
    ['class days written together', 'eco tth', ['eco214-s27-02']],
    ['an academic year', 'eco 2025-26', ['eco214-s26-01']],
    ['the last academic year', 'freshwater last year', ['eco214-s26-01']],
    ['what it is', 'beekeeping development', ['apc120-dev']],
    ['an id', 'eco214-s26-01', ['eco214-s26-01']],
    ['words in any order', '2026 marant ecology', ['eco214-s26-01']],
    ['accents left out or put in', 'máránt freshwáter s26', ['eco214-s26-01']],
    ['nothing that is there', 'glaciology', []],
  ])('%s', async (_name, words, expected) => expect(await ids(words)).toEqual(expected));

  it.each([
    ['another letter', 'freshwoter'],
    ['a missing letter', 'freshwatr'],
    ['one too many', 'freshhwater'],
    ['two swapped', 'freshwaetr'],
    ['the first one', 'greshwater'],
  ])('a typo: %s', async (_name, words) => {
    const found = await find({ words: `${words} 214` });
    expect(found.courses.map(({ id }) => id)).toEqual(ECO);
    expect(found.instead).toEqual([{ typed: words, words: ['freshwater'] }]);
  });

  it('class days by which a course is found follow those that are set', async () => {
    const marant = agents.get('p-marant')!;
    const { body } = await marant.get('/api/courses/eco214-s27-03/calendar').expect(200);
    expect(await ids('eco friday')).toEqual([]);
    const time = {
      version: body.version,
      partId: null,
      additions: body.additions,
      meetings: [{ weekday: 5, start: '09:00', end: '10:00' }],
    };
    await marant.put('/api/courses/eco214-s27-03/calendar').send(time).expect(204);
    expect(await ids('eco friday')).toEqual(['eco214-s27-03']);
  });
  it('a database of before courses were found by class days is indexed anew when it is opened', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'yarin-found-'));
    const kept = join(folder, 'kept');
    try {
      await server.keepAs(kept);
      const older = await openForWriting(kept);
      await undoMigration(older, 'FoundByMore');
      expect(await older.query('SELECT 1 FROM course_find')).toEqual([]);
      await older.destroy();
      const newer = await serverOn(kept);
      try {
        const { body } = await (await newer.as('p-marant')).get('/api/find').query({ words: 'eco tth' }).expect(200);
        expect((body as FoundView).courses.map(({ id }) => id)).toEqual(['eco214-s27-02']);
      } finally {
        await newer.close();
      }
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
  it('a course that is not open is found by code, term and teacher alone, and tells nothing else', async () => {
    const { courses, closed } = await find({ words: 'eco214 marant' }, 'p-brandt');
    expect(courses).toEqual([]);
    // The shells of the coming term hold nothing that anybody could bring.
    expect(closed).toEqual([
      {
        ...{ id: 'eco214-s26-01', code: 'ECO', number: '214', section: '01', type: 'course', term: 'Spring 2026' },
        ...{ instructors: ['Ines Marant'], asked: false },
      },
    ]);
    expect((await find({ words: 'freshwater' }, 'p-brandt')).closed).toEqual([]);
    expect((await find({ words: 'eco214 fall' }, 'p-brandt')).closed).toEqual([]);
    expect((await find({ words: 'eco214', term: 'Fall 2026' }, 'p-brandt')).closed).toEqual([]);
    expect((await find({ words: 'eco214 s26' })).closed).toEqual([]);
    expect((await find({ words: '' }, 'p-brandt')).closed).toEqual([]);
    await agents.get('p-brandt')!.post('/api/access').send({ course: 'eco214-s26-01', wants: 'use', words: '' });
    expect((await find({ words: 'eco214 s26' }, 'p-brandt')).closed).toMatchObject([{ asked: true }]);
  });
  it('templates are found by themselves', async () => {
    expect((await find({ template: 'yes' })).courses.map(({ type }) => type)).toEqual(['template']);
    expect((await find({ campus: 'Nowhere' })).total).toBe(0);
  });
  it('a typo in a code that runs into its number', async () => {
    const { courses, instead } = await find({ words: 'ecp214' });
    expect(courses.map(({ id }) => id)).toEqual(ECO);
    expect(instead).toEqual([{ typed: 'ecp', words: ['eco'] }]);
  });
  it('a typo beside a word of letters and digits that is right', async () => {
    expect(await ids('freshwoter s26')).toEqual(['eco214-s26-01']);
  });
  it('a year that no course has is no typo of another year', async () => {
    expect(await ids('eco214 2024')).toEqual([]);
  });
  it('says the total and hides none of it', async () => {
    const { total, courses } = await find({ words: 'spring 2026', most: '5' }, 'p-rhee');
    expect([total, courses.length]).toEqual([15, 5]);
    expect((await find({ words: 'spring 2026', most: '100' }, 'p-rhee')).courses).toHaveLength(15);
  });
  it('the latest term comes first, so that runs of one course read apart', async () => {
    expect((await find({ words: 'geo' })).courses.map(({ term }) => term)).toEqual([
      'Spring 2027',
      'Fall 2026',
      'Spring 2026',
      'Fall 2025',
    ]);
  });
  it('filters by time, by whose, by term, and by what holds something', async () => {
    expect(await ids('geo', { when: 'current' })).toEqual(['geo305-f26-01']);
    expect(await ids('geo', { when: 'past' })).toEqual(['geo305-s26-01', 'geo305-f25-01']);
    expect(await ids('geo', { when: 'coming' })).toEqual(['geo305-s27-01']);
    expect(await ids('geo', { term: 'Fall 2025' })).toEqual(['geo305-f25-01']);
    expect(await ids('prn', { mine: 'yes' })).toEqual(['prn110-s27-01', 'prn110-f25-01']);
    expect(await ids('prn', { holds: 'yes' })).toEqual(['prn110-s26-01', 'prn110-f25-01']);
  });
  it('only what the person may read: own, assisted, open for reuse, templates; of a department; everything', async () => {
    expect(await ids('prn 2026')).toEqual(['prn110-s26-01']);
    expect(await ids('eco214', {}, 'p-brandt')).toEqual([]);
    expect(await ids('shared template', {}, 'p-brandt')).toEqual(['tmpl-field']);
    expect((await find({}, 'p-rhee')).total).toBe(57);
    expect(await ids('prn 2027', {}, 'p-oda')).toEqual([]);
    expect(await ids('eco214', {}, 'p-oda')).toEqual(ECO);
  });
  it('finds things inside my courses by their title, and says of which term', async () => {
    const { things, thingsTotal } = await find({ words: 'drift nets' });
    expect(things.map(({ title, term, kind }) => [title, term, kind])).toContainEqual([
      'Lab 5: drift nets',
      'Spring 2026',
      'assignment',
    ]);
    expect(thingsTotal).toBe(things.length);
    expect((await find({ words: 'drift nets' }, 'p-sato')).things).toEqual([]);
  });
  it('a query that makes no sense is told what would', async () => {
    for (const query of [{ when: 'soon' }, { most: '0' }, { color: 'red' }])
      await agents.get('p-marant')!.get('/api/find').query(query).expect(422);
    expect((await find({ words: '"*) OR (' })).total).toBeGreaterThanOrEqual(0);
  });
});
