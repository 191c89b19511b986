import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { CourseView, PlanView } from '@yarin/core';
import { dumpCourse, runPlan, startServer, type TestServer } from './testServer.js';

const SHELL = 'eco214-s27-02';

describe('dates that a plan moved after its run', () => {
  let server: TestServer;
  let ines: Awaited<ReturnType<TestServer['as']>>;
  let planId: string;
  let stock: string;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
    stock = await dumpCourse(server.reading, SHELL);
    planId = (await ines.post('/api/plans').send({ sources: ['eco214-s26-01'], destination: SHELL })).body.id;
    await runPlan(ines, planId);
  });
  afterAll(() => server.close());

  const course = async (): Promise<CourseView> => (await ines.get(`/api/courses/${SHELL}`).expect(200)).body;
  const plan = async (): Promise<PlanView> => (await ines.get(`/api/plans/${planId}`).expect(200)).body;
  const move = async (title: string, at: string, fix: boolean): Promise<void> => {
    const { summary, items } = await course();
    const { id } = items.find((item) => item.title === title)!.moments!.find(({ role }) => role === 'due')!;
    const body = { version: summary.version, moves: { [id]: at }, fix };
    await ines.put(`/api/courses/${SHELL}/moments`).send(body).expect(200);
  };

  it('are listed, the last first, and put back one by one', async () => {
    await move('Quiz 7', '2027-04-09T10:00', true);
    await move('Quiz 8', '2027-04-16T10:00', true);
    const { runs } = await plan();
    expect(runs[0]!.fixes.map(({ canBe }) => canBe)).toEqual(['takenBack', 'takenBack']);
    await ines.post(`/api/courses/${SHELL}/deeds/${runs[0]!.fixes[1]!.id}/takeBack`).expect(200);
    expect((await plan()).runs[0]!.fixes.map(({ id }) => id)).toEqual([runs[0]!.fixes[0]!.id]);
  });

  it('stay when a run is taken back that did not bring them', async () => {
    const pair = { sources: ['geo305-s26-01'], destination: SHELL };
    const { body: other } = await ines.post('/api/plans').send(pair).expect(201);
    const { last } = await runPlan(ines, other.id);
    const before = (await plan()).runs[0]!.fixes.map(({ id }) => id);
    expect(before).toHaveLength(1);
    await ines.post(`/api/runs/${last.outcome!.runId}/takeBack`).send({}).expect(200);
    expect((await plan()).runs[0]!.fixes.map(({ id }) => id)).toEqual(before);
  });

  it('are nothing that somebody changed when the run is taken back; a date that a person moved is', async () => {
    const { id } = (await plan()).runs[0]!;
    await move('Quiz 6', '2027-04-02T10:00', false);
    const { body } = await ines.post(`/api/runs/${id}/takeBack`).send({}).expect(409);
    expect(body.problems.map(({ message }: { message: string }) => message)).toEqual(['Quiz 6']);
    // Nothing was done: the fix stands.
    expect((await plan()).runs[0]!.fixes).toHaveLength(1);
    const [deed] = (await course()).deeds;
    await ines.post(`/api/courses/${SHELL}/deeds/${deed!.id}/takeBack`).expect(200);
    await ines.post(`/api/runs/${id}/takeBack`).send({}).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(stock);
  });
});
