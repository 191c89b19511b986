import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { decisionChanges, type Decisions, type PlanView } from '@yarin/core';
import { deciding, runPlan, startServer, type TestServer } from './testServer.js';

const LETTERS = 390_000;

describe('what people decide in one plan', () => {
  let server: TestServer;
  let ines: Awaited<ReturnType<TestServer['as']>>;
  let tomas: typeof ines;
  let planId: string;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    [ines, tomas] = [await server.as('p-marant'), await server.as('p-rhee')];
    const pair = { sources: ['eco214-s26-01'], destination: 'eco214-s27-02' };
    planId = (await ines.post('/api/plans').send(pair).expect(201)).body.id;
  });
  afterAll(() => server.close());
  const plan = async (): Promise<PlanView> => (await ines.get(`/api/plans/${planId}`).expect(200)).body;
  const save = (asker: typeof ines, version: number, before: Decisions, after: Decisions) =>
    asker.patch(`/api/plans/${planId}/decisions`).send({ version, changes: decisionChanges(before, after) });

  it('is saved entry by entry: what is not named stays', async () => {
    const { version, decisions } = await plan();
    await save(ines, version, decisions, {
      ...decisions,
      byHand: { 'eco214-s26-01.q1-due': '2027-01-14T12:00' },
    }).expect(200);
    const left: Decisions = { ...decisions, choices: { kinds: { survey: 'leave' } } };
    await save(tomas, version + 1, decisions, left).expect(200);
    const now = await plan();
    expect(now.decisions.byHand).toEqual({ 'eco214-s26-01.q1-due': '2027-01-14T12:00' });
    expect(now.decisions.choices.kinds).toEqual({ survey: 'leave' });
  });

  it('is refused on a version that does not stand, and nothing of it is done', async () => {
    const { version, decisions } = await plan();
    const { body } = await save(tomas, version - 1, decisions, { ...decisions, choices: { all: 'leave' } }).expect(409);
    expect(body.detail).toBe('This plan was changed elsewhere meanwhile. Nothing was done; load it again.');
    expect((await plan()).decisions).toEqual(decisions);
  });

  it('may be three long answers', async () => {
    for (const id of ['one', 'two', 'three']) {
      const { version, decisions } = await plan();
      const answers = { ...decisions.answers, [id]: { body: { text: `<p>${id.repeat(LETTERS / id.length)}</p>` } } };
      await save(ines, version, decisions, { ...decisions, answers }).expect(200);
    }
    expect(Object.keys((await plan()).decisions.answers!)).toEqual(['one', 'two', 'three']);
    const { version, decisions } = await plan();
    await save(ines, version, decisions, { ...decisions, answers: {} }).expect(200);
  });

  it('reaches no other place than its own', async () => {
    const { version, decisions } = await plan();
    for (const at of [['__proto__', 'isAdmin'], ['constructor'], ['byHand', 'a', 'b']])
      await tomas
        .patch(`/api/plans/${planId}/decisions`)
        .send({ version, changes: [{ at, to: 'bring' }] })
        .expect(422);
    expect(({} as Record<string, unknown>).isAdmin).toBeUndefined();
    expect((await plan()).decisions.byHand).toEqual(decisions.byHand);
  });

  it('is not carried out unseen: a press on an older version brings nothing', async () => {
    const seen = await plan();
    await tomas
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version: seen.version, changes: deciding({ choices: { all: 'leave' } }) })
      .expect(200);
    const press = { version: seen.version, stands: seen.stands };
    const { body } = await ines.post(`/api/plans/${planId}/runs`).send(press).expect(409);
    expect(body.detail).toContain('Somebody decided something else in this plan since you looked. Nothing was brought');
    expect((await plan()).runs).toEqual([]);
  });

  it('nor is what is decided while the press is under way', async () => {
    const { version, stands } = await plan();
    const run = {
      runId: 'late',
      planId,
      doer: { personId: 'p-marant', forPersonId: null },
      at: '2026-11-24T09:00',
      stands,
    };
    const decided = {
      planId,
      version,
      decisions: { choices: {}, byHand: {}, settled: {} },
      doer: run.doer,
      at: run.at,
    };
    const [saved, brought] = await Promise.allSettled([
      server.writer.run('saveDecisions', decided),
      server.writer.run('bring', { ...run, version }),
    ]);
    expect([saved.status, brought.status]).toEqual(['fulfilled', 'rejected']);
    expect((await plan()).runs).toEqual([]);
    expect((await runPlan(ines, planId)).last.is).toBe('done');
  });
});
