import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { CourseView, PlanView, SnapshotItem } from '@yarin/core';
import { deciding, runPlan, startServer, type TestServer } from './testServer.js';

const LAST = 'eco214-s26-01';
const SHELL = 'eco214-s27-02';

describe('a course in which learners work', () => {
  let server: TestServer;
  beforeAll(async () => void (server = await startServer({ demo: true })));
  afterAll(() => server.close());

  it('keeps what they have begun as it is, in the run as on the page, and brings the rest', async () => {
    const ines = await server.as('p-marant');
    const things = async (): Promise<readonly SnapshotItem[]> =>
      ((await ines.get(`/api/courses/${SHELL}`).expect(200)).body as CourseView).items;
    const stock = (await things()).find(({ title }) => title === 'Lab reports')!;
    const pair = { sources: [LAST], destination: SHELL };
    const planId: string = (await ines.post('/api/plans').send(pair).expect(201)).body.id;
    const seen = { courseId: SHELL, learnerId: 'learner', at: '2026-11-24T09:00', says: '17' };
    await server.writer.run('addLearnerRecords', [{ ...seen, sort: 'mark', itemKey: stock.id }]);

    // It may not be taken out either, whoever asks.
    const { version, decisions } = (await ines.get(`/api/plans/${planId}`)).body as PlanView;
    const changes = deciding({ ...decisions, choices: { takeOut: { [stock.id]: true } } });
    await ines.patch(`/api/plans/${planId}/decisions`).send({ version, changes }).expect(200);
    expect((await runPlan(ines, planId)).last).toMatchObject({ is: 'done', outcome: { outcome: 'brought' } });

    const after = await things();
    const kept = after.find(({ id }) => id === stock.id)!;
    expect([kept.contentHash, kept.begun]).toEqual([stock.contentHash, true]);
    expect(after.length).toBeGreaterThan(200);
  });

  it('what was brought and learners have begun since is named before the run is taken back', async () => {
    const ines = await server.as('p-marant');
    const destination = 'eco214-s27-03';
    const pair = { sources: [LAST], destination };
    const planId: string = (await ines.post('/api/plans').send(pair).expect(201)).body.id;
    const { runId } = (await runPlan(ines, planId)).last.outcome!;
    const { items } = (await ines.get(`/api/courses/${destination}`).expect(200)).body as CourseView;
    const quiz = items.find(({ kind }) => kind === 'quiz')!;
    const attempt = { courseId: destination, learnerId: 'learner', at: '2027-01-20T09:00', says: '' };
    await server.writer.run('addLearnerRecords', [{ ...attempt, sort: 'attempt', itemKey: quiz.id }]);
    const { body } = await ines.post(`/api/runs/${runId}/takeBack`).send({}).expect(409);
    expect(JSON.stringify(body)).toContain(quiz.title);
    await ines.post(`/api/runs/${runId}/takeBack`).send({ changed: 'stay' }).expect(200);
    const after = (await ines.get(`/api/courses/${destination}`)).body as CourseView;
    expect(after.items.map(({ id }) => id)).toContain(quiz.id);
    expect(after.items.length).toBeLessThan(items.length);
  });
});
