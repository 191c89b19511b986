import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { CourseLeftOver, CourseView } from '@yarin/core';
import { deskSentencesOf, runPlan, startServer, type TestServer } from './testServer.js';

const SHELL = 'eco214-s27-02';

describe('what is left over in a course', () => {
  let server: TestServer;
  let ines: Awaited<ReturnType<TestServer['as']>>;
  let planId: string;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
    planId = (await ines.post('/api/plans').send({ sources: ['eco214-s26-01'], destination: SHELL })).body.id;
  });
  afterAll(() => server.close());
  const leftOver = async (agent = ines): Promise<CourseLeftOver> =>
    (await agent.get(`/api/courses/${SHELL}/left-over`).expect(200)).body as CourseLeftOver;

  it('before the run is what can be seen of the shell alone', async () => {
    expect(await leftOver()).toMatchObject({ planId: null, doubts: 0, looseEnds: [{ code: 'notOpen' }] });
  });

  it('after it is the list of the plan, line by line, and every thing in it stands in the course', async () => {
    await runPlan(ines, planId);
    const left = await leftOver();
    expect(left.planId).toBe(planId);
    expect(left.looseEnds.map(({ code }) => code)).toEqual(['placeKept', 'reword', 'originalityCheck', 'notOpen']);
    const said = (await deskSentencesOf(ines))[SHELL]!.sentence!;
    expect([said.leftOver, said.doubts]).toEqual([left.looseEnds.length, left.doubts]);
    const { items } = (await ines.get(`/api/courses/${SHELL}`).expect(200)).body as CourseView;
    const known = new Set(items.map(({ id }) => id));
    expect(left.looseEnds.flatMap((end) => end.items.filter((id) => !known.has(id)))).toEqual([]);
  });

  it('is told to people who may read the course alone', async () => {
    await (await server.as('p-brandt')).get(`/api/courses/${SHELL}/left-over`).expect(403);
  });
});
