import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { DeskView } from '@yarin/core';
import { unusable } from '../src/http/httpProblem.js';
import { ThreadPool } from '../src/threads/threadPool.js';
import { deskSentencesOf, startServer, type TestServer } from './testServer.js';

const PLANS = 60;

describe('what is heavy', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startServer({ demo: true });
  });
  afterAll(() => server.close());

  it('keeps nobody waiting: while an administrator’s Desk is worked out others are answered', async () => {
    const [tomas, ines] = await Promise.all([server.as('p-rhee'), server.as('p-marant')]);
    const ended: string[] = [];
    const sentences = deskSentencesOf(tomas).then((said) => (ended.push('all plans'), said));
    for (let read = 1; read <= 5; read++) {
      await ines.get('/api/terms').expect(200);
      ended.push(`read ${read}`);
    }
    const said = await sentences;
    expect(ended).toEqual(['read 1', 'read 2', 'read 3', 'read 4', 'read 5', 'all plans']);
    expect(Object.values(said).filter(({ sentence }) => sentence !== null).length).toBe(20);
  });

  it('keeps no Desk waiting: its rows are there at once, and what their plans say when it is known', async () => {
    const fresh = await startServer({ demo: true });
    try {
      const tomas = await fresh.as('p-rhee');
      const rowsOf = async () => ((await tomas.get('/api/desk').expect(200)).body as DeskView).shells;
      const first = await rowsOf();
      expect(first.map(({ shell }) => shell.id)).toContain('eco214-s27-02');
      expect(first.filter(({ said }) => said === 'underWay').length).toBeGreaterThan(10);
      const said = await deskSentencesOf(tomas);
      const second = await rowsOf();
      expect(Object.fromEntries(second.map(({ shell, said: what }) => [shell.id, what]))).toEqual(said);
    } finally {
      await fresh.close();
    }
  });

  it('keeps no Desk waiting behind plans either, where there is more than one thread for them', async () => {
    const several = await startServer({ demo: true, queryThreads: 2 });
    try {
      const tomas = await several.as('p-rhee');
      // Threads that have begun, so that none waits for another to load.
      await tomas.get('/api/desk').expect(200);
      const pair = { sources: ['eco214-s26-01'], destination: 'eco214-s27-02' };
      const { body: plan } = await tomas.post('/api/plans').send(pair).expect(201);
      await tomas.get(`/api/plans/${plan.id}`).expect(200);
      const ended: string[] = [];
      const plans = Array.from({ length: PLANS }, async () => {
        await tomas.get(`/api/plans/${plan.id}`).expect(200);
        ended.push('plan');
      });
      await tomas.get('/api/desk').expect(200);
      ended.push('Desk');
      await Promise.all(plans);
      // Behind plans it would be the last.
      expect(ended.indexOf('Desk')).toBeLessThan(PLANS / 2);
    } finally {
      await several.close();
    }
  });

  it('is kept by versions: the same Desk says the same, and after an edit its row says what is true now', async () => {
    const ines = await server.as('p-marant');
    const rowOf = async () => (await deskSentencesOf(ines))['apc120-s27-01']!.sentence!;
    const before = await rowOf();
    expect(await rowOf()).toEqual(before);
    const added = { kind: 'page', title: 'How to light a smoker', parent: null };
    await ines.post('/api/courses/apc120-dev/items').send(added).expect(201);
    expect((await rowOf()).of).toBe(before.of + 1);
  });

  it('is refused by the one who may not see it, in the words of every other route', async () => {
    const jo = await server.as('p-lindqvist');
    const refused = await jo.get('/api/courses/bot220-s26-01').expect(403);
    expect(refused.headers['content-type']).toContain('application/problem+json');
    await jo.get('/api/courses/nowhere').expect(404);
  });
});

describe('a thread of a pool', () => {
  const givenUp = {
    tooLong: () => unusable('too long'),
    tooLarge: () => unusable('too large'),
    tooMany: () => unusable('too many'),
  };
  const fail = (error: unknown): void => {
    throw error;
  };
  const limits = {
    entry: new URL('./taskWithoutEnd.mjs', import.meta.url),
    threads: 1,
    mostWaiting: 1,
    mostWorkMs: 300,
    mostMemoryMb: 64,
  };

  it('is ended when a task has no end, and the next task is done', async () => {
    const pool = new ThreadPool(limits, givenUp, fail);
    const endless = pool.run({ what: 'loop' });
    const next = pool.run({ what: 'done' });
    await expect(endless).rejects.toThrow('too long');
    expect(await next).toBe('done');
    await pool.close();
  });

  it('that is stopped in the middle of a task says so, to who waits and to who comes later', async () => {
    const pool = new ThreadPool({ ...limits, mostWorkMs: 60_000 }, givenUp, fail);
    expect(await pool.run({ what: 'done' })).toBe('done');
    const endless = expect(pool.run({ what: 'loop' })).rejects.toThrow('Yarin is being stopped.');
    await pool.close();
    await endless;
    await expect(pool.run({ what: 'done' })).rejects.toThrow('Yarin is being stopped.');
  });

  it('is ended when a task takes more memory than it may, and what waits beyond the limit is told', async () => {
    const pool = new ThreadPool({ ...limits, mostWorkMs: 60_000 }, givenUp, fail);
    expect(await pool.run({ what: 'the thread is up' })).toBe('the thread is up');
    const tasks = ['hoard', 'done', 'one too many'];
    const answers = await Promise.allSettled(tasks.map((what) => pool.run({ what })));
    const told = answers.map((each) => (each.status === 'fulfilled' ? each.value : (each.reason as Error).message));
    expect(told).toEqual(['too large', 'done', 'too many']);
    await pool.close();
  });
});
