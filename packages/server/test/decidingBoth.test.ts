import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { ItemView, PlanView } from '@yarin/core';
import { deciding, dumpCourse, runPlan, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
const SOURCE = 'geo305-s26-01';
const SHELL = 'geo305-s27-01';

describe('what both sides have is decided field by field', () => {
  let server: TestServer;
  let admin: Agent;
  let plan: PlanView;
  let before: string;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    admin = await server.as('p-rhee');
    before = await dumpCourse(server.reading, SHELL);
    const { id } = (
      await admin
        .post('/api/plans')
        .send({ sources: [SOURCE], destination: SHELL })
        .expect(201)
    ).body;
    plan = (await admin.get(`/api/plans/${id}`)).body;
  });
  afterAll(() => server.close());

  const idOf = (title: string, kind: string): string =>
    plan.sources[0]!.source.items.find((item) => item.title === title && item.kind === kind)!.id;
  const inShell = (title: string): string =>
    plan.shell.items.find((item) => item.title === title && item.kind === 'page')!.id;
  const read = async (course: string, key: string): Promise<ItemView> =>
    (await admin.get(`/api/courses/${course}/items/${encodeURIComponent(key)}`).expect(200)).body;
  const save = async (answers: object, version: number): Promise<number> => {
    const decisions = { choices: {}, byHand: {}, settled: {}, answers };
    const { body } = await admin
      .patch(`/api/plans/${plan.id}/decisions`)
      .send({ version, changes: deciding(decisions) })
      .expect(200);
    return body.version;
  };

  it('a text that somebody wrote is made safe before it is kept', async () => {
    const id = idOf('Horizons', 'page');
    await save({ [id]: { body: { text: '<p>Ours<script>steal()</script></p>' } } }, plan.version);
    const view: PlanView = (await admin.get(`/api/plans/${plan.id}`)).body;
    expect(view.decisions.answers![id]!.body).toEqual({ text: '<p>Ours</p>' });
    plan = view;
  });
  it('lands the old text where that was chosen, both where both were, under the shell’s own key', async () => {
    const [pit, horizons] = [idOf('Digging a pit', 'page'), idOf('Horizons', 'page')];
    const old = (await read(SOURCE, pit)).item.body;
    await save(
      {
        [pit]: { body: 'source' },
        [horizons]: { title: { text: 'Horizons, again' }, body: { text: '<p>One</p><p>Two</p>' } },
      },
      plan.version,
    );
    const { last } = await runPlan(admin, plan.id);
    expect(last.outcome).toMatchObject({ outcome: 'brought' });
    expect((await read(SHELL, inShell('Digging a pit'))).item.body).toBe(old);
    const landed = await read(SHELL, inShell('Horizons'));
    expect(landed.item).toMatchObject({ title: 'Horizons, again', body: '<p>One</p><p>Two</p>' });
  });
  it('is not asked again, and a second press does nothing', async () => {
    const { last } = await runPlan(admin, plan.id);
    expect(last.outcome).toMatchObject({ outcome: 'nothingToBring' });
  });
  it('taken back, the shell is as it was to the byte', async () => {
    const view: PlanView = (await admin.get(`/api/plans/${plan.id}`)).body;
    await admin.post(`/api/runs/${view.runs[0]!.id}/takeBack`).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
  });
});

describe('a heading that came for a child only', () => {
  it('gets its text when it is chosen later, and nothing is doubled', async () => {
    const server = await startServer({ demo: true });
    const admin = await server.as('p-rhee');
    const pair = { sources: ['apc120-dev'], destination: 'apc120-s27-01' };
    const { id } = (await admin.post('/api/plans').send(pair).expect(201)).body;
    const plan: PlanView = (await admin.get(`/api/plans/${id}`)).body;
    const unit = plan.sources[0]!.source.items.find((item) => item.kind === 'unit' && item.bodyHash !== undefined)!;
    const child = plan.sources[0]!.source.items.find(({ parent }) => parent === unit.id)!;
    const decide = async (choices: object, version: number): Promise<number> =>
      (
        await admin
          .patch(`/api/plans/${id}/decisions`)
          .send({ version, changes: deciding({ choices, byHand: {}, settled: {} }) })
          .expect(200)
      ).body.version;
    const version = await decide({ all: 'leave', items: { [child.id]: 'bring' } }, plan.version);
    await runPlan(admin, id);
    const landed = async (): Promise<{ body_hash: string | null }[]> =>
      server.reading.query('SELECT body_hash FROM item WHERE course_id = ? AND title = ?', [
        pair.destination,
        unit.title,
      ]);
    expect(await landed()).toEqual([{ body_hash: null }]);
    await decide({ all: 'leave', items: { [child.id]: 'bring', [unit.id]: 'bring' } }, version);
    await runPlan(admin, id);
    expect(await landed()).toEqual([{ body_hash: unit.bodyHash }]);
    await server.close();
  });
});
