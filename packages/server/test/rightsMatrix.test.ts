import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { ACTS, STANDINGS, type Act, type Standing } from '@yarin/core';
import type { RosteredPerson } from '../src/courses/courseWriter.js';
import { runPlan, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;

const calendar = { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' };
const COURSE = 'tst1-s27-01';
const person = (id: string, role: RosteredPerson['role'], department: string | null = null): RosteredPerson => ({
  id,
  givenName: id,
  familyName: 'Tester',
  email: '',
  role,
  department,
});

/** One person for each way of standing to the course. */
const WHO: Readonly<Record<Standing, RosteredPerson>> = {
  instructor: person('teaches', 'instructor'),
  designer: person('designs', 'instructor'),
  assistant: person('assists', 'assistant'),
  administrator: person('administers', 'administrator'),
  helper: person('helps', 'instructor'),
  guest: person('borrows', 'instructor'),
  anyone: person('passes', 'instructor'),
};

/** Who may do what, as docs/rules.md says it: ● may, · may not. */
const TABLE = `
                 read use change run takeBack mark archive share
  instructor      ●    ●    ●     ●     ●      ●      ●      ●
  designer        ●    ●    ●     ●     ●      ●      ·      ·
  assistant       ●    ·    ·     ·     ·      ·      ·      ·
  administrator   ●    ●    ●     ●     ●      ●      ●      ●
  helper          ●    ●    ●     ●     ●      ●      ·      ·
  guest           ●    ●    ·     ·     ·      ·      ·      ·
  anyone          ·    ·    ·     ·     ·      ·      ·      ·`;

/** The cells of the table: who, what, and whether they may. */
function cells(): (readonly [Standing, Act, boolean])[] {
  const [acts = [], ...rows] = TABLE.trim()
    .split('\n')
    .map((line) => line.trim().split(/\s+/));
  return rows.flatMap(([standing, ...signs]) =>
    signs.map((sign, at) => [standing as Standing, acts[at] as Act, sign === '●'] as const),
  );
}

const PAGE = `${COURSE}.page`;

/** What each act is on the API: a request that succeeds when the act is allowed. */
const REQUESTS: Readonly<Record<Act, (agent: Agent, server: TestServer, own: string) => Promise<number>>> = {
  read: async (agent) => (await agent.get(`/api/courses/${COURSE}`)).status,
  use: async (agent, _server, own) =>
    (await agent.post('/api/plans').send({ sources: [COURSE], destination: own })).status,
  change: async (agent) => {
    const { body } = await agent.get(`/api/courses/${COURSE}/items/${PAGE}`);
    const edit = { version: body.version ?? 1, changes: { title: 'Page' } };
    return (await agent.put(`/api/courses/${COURSE}/items/${PAGE}`).send(edit)).status;
  },
  run: async (agent, _server, own) =>
    (await agent.post('/api/plans').send({ sources: [own], destination: COURSE })).status,
  takeBack: async (agent, server, own) => {
    const owner = await server.as('administers');
    const { body: plan } = await owner.post('/api/plans').send({ sources: [own], destination: COURSE });
    const { last } = await runPlan(owner, plan.id);
    const runId = last.outcome!.runId;
    const { status } = await agent.post(`/api/runs/${runId}/takeBack`);
    if (status !== 200) await owner.post(`/api/runs/${runId}/takeBack`).expect(200);
    return status;
  },
  mark: async (agent) =>
    (await agent.put(`/api/courses/${COURSE}/items/${PAGE}/mark`).send({ mark: 'reword', note: 'x' })).status,
  archive: async (agent, server) => {
    const { status } = await agent.put(`/api/courses/${COURSE}/archived`).send({ archived: true });
    if (status < 300)
      await (await server.as('teaches')).put(`/api/courses/${COURSE}/archived`).send({ archived: false });
    return status;
  },
  share: async (agent) => (await agent.patch(`/api/courses/${COURSE}`).send({ openForReuse: false })).status,
};

describe('who may do what, cell by cell on the API', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startServer({ demo: false });
    const { writer } = server;
    await writer.run('addTerms', [
      { id: 't', name: 'Spring 2027', calendar },
      { id: 'old', name: 'Spring 2026', calendar: { ...calendar, firstDay: '2026-01-12', lastDay: '2026-05-08' } },
    ]);
    await writer.run('addPeople', [...Object.values(WHO), person('scienceAdmin', 'administrator', 'Science')]);
    const add = (
      id: string,
      termId: string,
      staff: { personId: string; role: 'instructor' | 'designer' | 'assistant' }[],
    ) =>
      writer.run('addCourse', {
        termId,
        staff,
        department: 'Arts',
        course: {
          course: { id, code: 'TST', number: '1', section: '01', title: 'Test', term: 'Spring 2027' },
          calendar,
          items: [{ id: 'page', kind: 'page', title: id, editedAt: '2026-11-01T09:00' }],
        },
      });
    await add(COURSE, 't', [
      { personId: 'teaches', role: 'instructor' },
      { personId: 'designs', role: 'designer' },
      { personId: 'assists', role: 'assistant' },
    ]);
    for (const { id } of Object.values(WHO)) await add(`own-${id}`, 't', [{ personId: id, role: 'instructor' }]);
    await add('finished', 'old', [{ personId: 'teaches', role: 'instructor' }]);
    const owner = await server.as('teaches');
    for (const [who, wants] of [
      ['helps', 'change'],
      ['borrows', 'use'],
    ]) {
      const { body } = await (
        await server.as(who!)
      )
        .post('/api/access')
        .send({ course: COURSE, wants, words: '' })
        .expect(201);
      await owner.put(`/api/access/${body.id}`).send({ answer: 'granted', words: '' }).expect(204);
    }
  });
  afterAll(() => server.close());

  it('the table has a cell for everybody and every act', () => {
    const named = (of: readonly string[]): string[] => [...of].sort();
    expect(named([...new Set(cells().map(([standing]) => standing))])).toEqual(named(STANDINGS));
    expect(named([...new Set(cells().map(([, act]) => act))])).toEqual(named(ACTS));
    expect(cells()).toHaveLength(STANDINGS.length * ACTS.length);
  });
  it.each(cells())('%s · %s: %s', async (standing, act, may) => {
    const { id } = WHO[standing];
    // The administrator's other course has to be one that the helper of the cell may use: their own.
    const status = await REQUESTS[act](await server.as(id), server, `own-${id}`);
    expect(may ? status < 300 : status === 403).toBe(true);
  });

  it('nobody changes a finished course; its instructor still reads, marks, archives and shares it', async () => {
    const teaches = await server.as('teaches');
    const { body } = await teaches.get('/api/courses/finished').expect(200);
    const may = Object.fromEntries(ACTS.map((act) => [act, body.rights[act].may]));
    expect(may).toEqual({
      read: true,
      use: true,
      change: false,
      run: false,
      takeBack: false,
      mark: true,
      archive: true,
      share: true,
    });
    expect(body.rights.change.why).toContain('A finished course is a record');
    await teaches
      .put('/api/courses/finished/items/finished.page')
      .send({ version: 1, changes: { title: 'x' } })
      .expect(403);
    await teaches.put('/api/courses/finished/items/finished.page/mark').send({ mark: 'never', note: null }).expect(204);
  });
  it('an administrator of another department neither reads nor changes it', async () => {
    const science = await server.as('scienceAdmin');
    await science.get(`/api/courses/${COURSE}`).expect(403);
    await science.put(`/api/courses/${COURSE}/archived`).send({ archived: true }).expect(403);
  });
  it('an administrator acts for an instructor with that person’s rights, and the history says both', async () => {
    const admin = await server.as('administers');
    const dates = { order: 'monthFirst', clock: 12 };
    await admin.patch('/api/session/dates').send(dates).expect(204);
    const { body } = await admin.put('/api/session/for').send({ person: 'teaches' }).expect(200);
    expect([body.person.id, body.actor.id]).toEqual(['teaches', 'administers']);
    expect(body.dates).toEqual(dates);
    const item = (await admin.get(`/api/courses/${COURSE}/items/${PAGE}`)).body;
    await admin
      .put(`/api/courses/${COURSE}/items/${PAGE}`)
      .send({ version: item.version, changes: { title: 'Acted' } })
      .expect(200);
    const view = (await admin.get(`/api/courses/${COURSE}`)).body;
    expect(view.deeds[0]).toMatchObject({ what: 'changed “Acted”', by: 'administers Tester for teaches Tester' });
    await admin.get('/api/courses/own-passes').expect(403);
    await admin.put('/api/session/for').send({ person: null }).expect(200);
    await admin.get('/api/courses/own-passes').expect(200);
  });
  it('an administrator limited to a department acts for somebody in that department only', async () => {
    const science = await server.as('scienceAdmin');
    await science.put('/api/session/for').send({ person: 'teaches' }).expect(200);
    const { body } = await science.get(`/api/courses/${COURSE}`).expect(403);
    expect(body.detail).toContain('not in the department that you act in');
  });
  it('nobody else acts for somebody', async () => {
    await (await server.as('teaches')).put('/api/session/for').send({ person: 'passes' }).expect(403);
    await (await server.as('administers')).put('/api/session/for').send({ person: 'scienceAdmin' }).expect(403);
    await (await server.as('administers')).put('/api/session/for').send({ person: 'nobody' }).expect(404);
  });
});

describe('asking to be let in', () => {
  let server: TestServer;
  beforeAll(async () => void (server = await startServer({ demo: true })));
  afterAll(() => server.close());
  const ASK = { course: 'eco214-s26-01', wants: 'use', words: 'For the field week.' };

  it('both see it; a refusal says why; what was granted opens the course, and closes again when withdrawn', async () => {
    const [ana, ines] = [await server.as('p-brandt'), await server.as('p-marant')];
    const { body: first } = await ana.post('/api/access').send(ASK).expect(201);
    expect((await ana.post('/api/access').send(ASK).expect(201)).body.id).toBe(first.id);
    expect((await ines.get('/api/access')).body.askedOfMe).toMatchObject([
      { id: first.id, person: 'Ana Brandt', wants: 'use', words: 'For the field week.', answer: null },
    ]);
    expect((await ines.get('/api/desk')).body.asked).toHaveLength(1);
    await ana.put(`/api/access/${first.id}`).send({ answer: 'granted', words: '' }).expect(403);
    await ines.put(`/api/access/${first.id}`).send({ answer: 'refused', words: 'Ask me in spring.' }).expect(204);
    expect((await ana.get('/api/access')).body.mine).toMatchObject([
      { answer: 'refused', answerWords: 'Ask me in spring.', answeredBy: 'Ines Marant' },
    ]);
    await ana.get('/api/courses/eco214-s26-01').expect(403);

    const { body: second } = await ana.post('/api/access').send(ASK).expect(201);
    await ines.put(`/api/access/${second.id}`).send({ answer: 'granted', words: '' }).expect(204);
    await ana.get('/api/courses/eco214-s26-01').expect(200);
    await ana.post('/api/access').send(ASK).expect(409);
    await ines.put(`/api/access/${second.id}`).send({ answer: 'granted', words: '' }).expect(409);
    await ines.put(`/api/access/${second.id}`).send({ answer: 'withdrawn', words: '' }).expect(204);
    await ana.get('/api/courses/eco214-s26-01').expect(403);
    const { deeds } = (await ines.get('/api/courses/eco214-s26-01')).body;
    expect(deeds.map(({ what }: { what: string }) => what).slice(0, 2)).toEqual([
      'no longer lets Ana Brandt use the course as a source',
      'let Ana Brandt use the course as a source',
    ]);
  });
  it('an owner lets a colleague in unasked; only an owner does, and nobody twice', async () => {
    const [sato, ines] = [await server.as('p-sato'), await server.as('p-marant')];
    const way = '/api/courses/eco214-s26-01/access';
    await sato.post(way).send({ person: 'p-sato', wants: 'use' }).expect(403);
    await ines.post(way).send({ person: 'nobody', wants: 'use' }).expect(404);
    await ines.post(way).send({ person: 'p-sato', wants: 'read' }).expect(422);
    await ines.post(way).send({ person: 'p-sato', wants: 'use' }).expect(204);
    await sato.get('/api/courses/eco214-s26-01').expect(200);
    expect((await sato.get('/api/access')).body.mine).toMatchObject([{ unasked: true, answer: 'granted', words: '' }]);
    expect((await ines.post(way).send({ person: 'p-sato', wants: 'use' }).expect(409)).body.detail).toBe(
      'Emi Sato may do this already.',
    );
    const { asks } = (await ines.get(way)).body;
    const { id } = asks.find(({ unasked }: { unasked: boolean }) => unasked);
    await ines.put(`/api/access/${id}`).send({ answer: 'withdrawn', words: '' }).expect(204);
    await sato.get('/api/courses/eco214-s26-01').expect(403);
  });
  it('who asked and is let in by another way is answered by it', async () => {
    const [sato, ines] = [await server.as('p-sato'), await server.as('p-marant')];
    const { body } = await sato
      .post('/api/access')
      .send({ ...ASK, wants: 'change' })
      .expect(201);
    await ines.post('/api/courses/eco214-s26-01/access').send({ person: 'p-sato', wants: 'change' }).expect(204);
    expect((await ines.get('/api/access')).body.askedOfMe).toContainEqual(
      expect.objectContaining({ id: body.id, answer: 'granted', unasked: false }),
    );
  });
  it('a course opened for reuse may be used by everybody', async () => {
    const [jonas, ines] = [await server.as('p-hale'), await server.as('p-marant')];
    await jonas.get('/api/courses/geo305-f26-01').expect(403);
    await ines.patch('/api/courses/geo305-f26-01').send({ openForReuse: true }).expect(204);
    await jonas.get('/api/courses/geo305-f26-01').expect(200);
    await jonas.post('/api/access').send({ course: 'geo305-f26-01', wants: 'use', words: '' }).expect(409);
  });
});
