import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { deciding, dumpCourse, startServer, type TestServer } from './testServer.js';

const OLD = 'eco214-s26-01';
const SHELL = 'eco214-s27-02';

describe('what is refused', () => {
  let server: TestServer;
  let ines: Awaited<ReturnType<TestServer['as']>>;
  let ana: typeof ines;
  let jo: typeof ines;
  let planId: string;
  let before: string;

  beforeAll(async () => {
    server = await startServer({ demo: true });
    [ines, ana, jo] = [await server.as('p-marant'), await server.as('p-brandt'), await server.as('p-lindqvist')];
    planId = (await ines.post('/api/plans').send({ sources: [OLD], destination: SHELL })).body.id;
    before = await dumpCourse(server.reading, SHELL);
  });
  afterAll(async () => {
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
    await server.close();
  });

  const EACH_ROUTE: [method: 'get' | 'post' | 'put' | 'patch', path: string][] = [
    ['get', '/api/desk'],
    ['get', '/api/desk/sentences'],
    ['get', '/api/courses?find=eco'],
    ['get', `/api/courses/${OLD}`],
    ['get', `/api/courses/${OLD}/items/x`],
    ['get', `/api/courses/${OLD}/files/x`],
    ['patch', '/api/session/dates'],
    ['post', '/api/plans'],
    ['get', '/api/plans/x'],
    ['patch', '/api/plans/x/decisions'],
    ['post', '/api/plans/x/runs'],
    ['get', '/api/plans/x/runs/y/events'],
    ['post', '/api/runs/x/takeBack'],
  ];
  it.each(EACH_ROUTE)('%s %s without a session', async (method, path) => {
    const response = await server.anybody[method](path).expect(401);
    expect(response.headers['content-type']).toContain('application/problem+json');
    expect(response.body).toMatchObject({ status: 401, detail: 'Sign in first; nothing was done.' });
  });

  it('a session that was made up', async () => {
    await server.anybody.get('/api/desk').set('Cookie', 'yarin=s%3Amade-up.signature').expect(401);
  });
  it('dates in an order that nobody reads', async () => {
    for (const change of [{ order: 'yearFirst', clock: 24 }, { order: 'dayFirst', clock: 13 }, { style: 'dayFirst' }])
      await ana.patch('/api/session/dates').send(change).expect(422);
    expect((await ana.get('/api/session').expect(200)).body.dates).toEqual({ order: 'dayFirst', clock: 24 });
  });
  it('an order and a clock that are chosen at once both hold', async () => {
    const choose = (change: object) => ana.patch('/api/session/dates').send(change).expect(204);
    await Promise.all([choose({ order: 'monthFirst' }), choose({ clock: 12 })]);
    expect((await ana.get('/api/session').expect(200)).body.dates).toEqual({ order: 'monthFirst', clock: 12 });
    await choose({ order: 'dayFirst', clock: 24 });
  });
  it('signing in as nobody', async () => {
    const { body } = await server.anybody.post('/api/session').send({ person: 'p-nobody' }).expect(404);
    expect(body.detail).toBe('There is nobody with the id “p-nobody”; choose one of the people listed.');
  });

  it('someone else’s shell: planning into it, reading its plan, bringing, taking back', async () => {
    const { body } = await ana
      .post('/api/plans')
      .send({ sources: ['prn110-s26-01'], destination: SHELL })
      .expect(403);
    expect(body.detail).toBe(
      'ECO 214-02 (Spring 2027) is taught by Ines Marant. Only they, its designers or an administrator can change it.',
    );
    await ana.get(`/api/plans/${planId}`).expect(403);
    await ana.post(`/api/plans/${planId}/runs`).expect(403);
    await ana.patch(`/api/plans/${planId}/decisions`).send({}).expect(403);
  });
  it('someone else’s course as a source, or to read', async () => {
    const { body } = await ana
      .post('/api/plans')
      .send({ sources: [OLD], destination: 'prn110-s27-02' })
      .expect(403);
    expect(body.detail).toContain('Ask them to open it for reuse.');
    await ana.get(`/api/courses/${OLD}`).expect(403);
    await ana.get(`/api/courses/${OLD}/files/${OLD}.f-reach-map`).expect(403);
  });
  it('an assistant may read the course they assist, and not change it', async () => {
    await jo.get(`/api/courses/${SHELL}`).expect(200);
    await jo
      .post('/api/plans')
      .send({ sources: [OLD], destination: SHELL })
      .expect(403);
  });

  it.each([
    [
      'a source that isn’t there',
      { sources: ['none'], destination: SHELL },
      404,
      'There is no course with the id “none”.',
    ],
    ['a plan onto itself', { sources: [SHELL], destination: SHELL }, 409, 'A course can’t be brought into itself.'],
    [
      'a finished course as destination',
      { sources: ['apc120-dev'], destination: OLD },
      403,
      'A finished course is a record',
    ],
    ['a body that lacks a side', { sources: [OLD] }, 422, '“destination” is missing; it has to be given.'],
    [
      'a body with a name nobody knows',
      { sources: [OLD], destination: SHELL, force: true },
      422,
      '“force” is no name that is known here',
    ],
  ])('%s', async (_name, body, status, sentence) => {
    const response = await ines.post('/api/plans').send(body).expect(status);
    expect(response.body.detail).toContain(sentence);
    expect(JSON.stringify(response.body)).not.toContain('at Object');
  });
  it('a request that is not JSON', async () => {
    const { body } = await ines
      .post('/api/plans')
      .set('content-type', 'application/json')
      .send('{"source":')
      .expect(400);
    expect(body.title).toBe('The request can’t be read');
  });
  it('a request of more than a megabyte', async () => {
    const { body } = await ines
      .patch(`/api/plans/${planId}/decisions`)
      .send({ filler: 'x'.repeat(2_100_000) })
      .expect(400);
    expect(body.detail).toBe('That is more than a request may hold (2 MB).');
  });
  it('an address where nothing is', async () => {
    const { body } = await ines.get('/api/nothing').expect(404);
    expect(body.detail).toBe('There is nothing at GET /nothing.');
  });
  it('a thing or a file that isn’t in the course', async () => {
    await ines.get(`/api/courses/${OLD}/items/none`).expect(404);
    await ines.get(`/api/courses/${OLD}/files/${OLD}.lab1`).expect(404);
  });

  const decisions = { choices: {}, byHand: {}, settled: {} };
  it('decisions that break the schema, each with its place', async () => {
    const { body } = await ines
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version: 1, changes: deciding({ ...decisions, policy: { rule: 'guess' }, byHand: { a: 'tomorrow' } }) })
      .expect(422);
    expect(body.problems.map(({ where }: { where: string }) => where).sort()).toEqual([
      '/decisions/byHand/a',
      '/decisions/policy/rule',
    ]);
  });
  it('a date set by hand that is on no calendar', async () => {
    const { body } = await ines
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version: 1, changes: deciding({ ...decisions, byHand: { m: '2027-02-30T10:00' } }) })
      .expect(422);
    expect(body.problems).toEqual([
      {
        code: 'noSuchDate',
        message: '2027-02-30 is not on any calendar; give a date that exists.',
        where: '/decisions/byHand/m',
      },
    ]);
  });
  it('decisions that somebody else overtook', async () => {
    await ines
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version: 1, changes: deciding(decisions) })
      .expect(200);
    const { body } = await ines
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version: 1, changes: deciding(decisions) })
      .expect(409);
    expect(body.detail).toContain('changed elsewhere meanwhile');
  });
  it('a run that isn’t there', async () => {
    await ines.get(`/api/plans/${planId}/runs/none/events`).expect(404);
    await ines.post('/api/runs/none/takeBack').expect(404);
  });
});

describe('a text that is not trusted', () => {
  it('loses its scripts and handlers where it is shown', async () => {
    const server = await startServer({ demo: false });
    try {
      await server.writer.run('addTerms', [
        {
          id: 't',
          name: 'Spring 2027',
          calendar: { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' },
        },
      ]);
      await server.writer.run('addPeople', [
        { id: 'p', givenName: 'Ines', familyName: 'Marant', email: '', role: 'instructor', department: null },
      ]);
      const body =
        '<p onclick="steal()">Hello<script>steal()</script><img src="javascript:steal()"><a href="javascript:steal()">x</a></p>';
      await server.writer.run('addCourse', {
        termId: 't',
        staff: [{ personId: 'p', role: 'instructor' }],
        course: {
          course: { id: 'c', code: 'TST', number: '1', section: '01', title: 'Test', term: 'Spring 2027' },
          calendar: { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' },
          items: [{ id: 'page', kind: 'page', title: 'Page', body }],
        },
      });
      const agent = await server.as('p');
      const { body: view } = await agent.get('/api/courses/c/items/c.page').expect(200);
      expect(view.item.body).toBe('<p>Hello<img /><a>x</a></p>');
    } finally {
      await server.close();
    }
  });
});
