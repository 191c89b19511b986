import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { CourseNews, PlanNews } from '@yarin/core';
import supertest from 'supertest';
import { makeApp } from '../src/app.js';
import { makeClock } from '../src/clock.js';
import { makeLog } from '../src/http/log.js';
import { RunJobs } from '../src/runs/runJobs.js';
import { runPlan, startServer, type TestServer } from './testServer.js';

const SHELL = 'eco214-s27-02';

describe('what open pages hear', () => {
  let server: TestServer;
  let ines: Awaited<ReturnType<TestServer['as']>>;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
  });
  afterAll(() => server.close());

  const newsOf = async (agent: typeof ines, courses: readonly string[]): Promise<Record<string, CourseNews>> =>
    (await agent.post('/api/news').send({ courses }).expect(200)).body as Record<string, CourseNews>;

  it('is told to people who may read the course, and to nobody else', async () => {
    const ana = await server.as('p-brandt');
    expect(Object.keys(await newsOf(ines, [SHELL, 'no such course']))).toEqual([SHELL]);
    expect(await newsOf(ana, [SHELL])).toEqual({});
    const { body: plan } = await ines.post('/api/plans').send({ sources: ['eco214-s26-01'], destination: SHELL });
    await ana.get(`/api/plans/${plan.id}/news`).expect(403);
    await server.anybody
      .post('/api/news')
      .send({ courses: [SHELL] })
      .expect(401);
    await ines.post('/api/news').send({ courses: 'all' }).expect(422);
  });

  it('says that a run changed the course and what the plan stands on, and that somebody decided', async () => {
    const { body: plan } = await ines.post('/api/plans').send({ sources: ['eco214-s26-01'], destination: SHELL });
    const planNews = async (): Promise<PlanNews> =>
      (await ines.get(`/api/plans/${plan.id}/news`).expect(200)).body as PlanNews;
    const { body: view } = await ines.get(`/api/plans/${plan.id}`).expect(200);
    const before = await planNews();
    expect(before).toEqual({ version: view.version, stands: view.stands, running: null });
    const course = (await newsOf(ines, [SHELL]))[SHELL]!;

    await ines
      .patch(`/api/plans/${plan.id}/decisions`)
      .send({ version: view.version, changes: [{ at: ['choices', 'landing'], to: 'draft' }] })
      .expect(200);
    expect((await planNews()).version).toBeGreaterThan(before.version);
    expect((await planNews()).stands).toBe(before.stands);

    await runPlan(ines, plan.id);
    expect((await newsOf(ines, [SHELL]))[SHELL]!.version).toBeGreaterThan(course.version);
    expect((await planNews()).stands).not.toBe(before.stands);
  });

  it('keeps nobody signed in: asking for it is no use of a session', async () => {
    const signedIn = await server.anybody.post('/api/session').send({ person: 'p-marant' }).expect(200);
    const cookie = signedIn.headers['set-cookie']!;
    const soon = Date.now() + 60_000;
    const sessions = () =>
      server.reading.query<{ id: string; at: number }[]>('SELECT id, expires_at AS at FROM session');
    for (const { id } of await sessions()) await server.writer.run('touchSession', { id, expiresAt: soon });
    // A server that was started meanwhile does not know when it was last written.
    const app = makeApp(
      { ...server, clock: makeClock('2026-11-24T09:00'), log: makeLog('silent') },
      { sessionSecret: 'for tests' },
    );
    const latest = async (): Promise<number> => {
      await server.writer.run('probe', null);
      return Math.max(...(await sessions()).map(({ at }) => at));
    };
    await supertest(app)
      .post('/api/news')
      .set('cookie', cookie)
      .send({ courses: [SHELL] })
      .expect(200);
    expect(await latest()).toBe(soon);
    await supertest(app).get('/api/desk').set('cookie', cookie).expect(200);
    expect(await latest()).toBeGreaterThan(soon);
  });
});

describe('a run under way', () => {
  it('is told by the shell that it goes into, with whoever pressed and how far it is', async () => {
    let end: () => void = () => undefined;
    let progress: (share: number) => void = () => undefined;
    const jobs = new RunJobs((_input, told) => {
      progress = told;
      return new Promise((resolve) => (end = () => resolve({ outcome: 'brought', runId: 'r' })));
    }, makeLog('silent'));
    expect(jobs.runningInto('shell')).toBeUndefined();
    const doer = { personId: 'p', forPersonId: null };
    await jobs.start({ planId: 'plan', doer, at: '2026-11-24T09:00' }, { destinationId: 'shell', by: 'Ines' }, () =>
      Promise.resolve({}),
    );
    progress(0.4);
    expect(jobs.runningInto('shell')).toEqual({ planId: 'plan', by: 'Ines', share: 0.4 });
    expect(jobs.runningInto('another')).toBeUndefined();
    end();
    await new Promise((done) => setImmediate(done));
    expect(jobs.runningInto('shell')).toBeUndefined();
  });
});
