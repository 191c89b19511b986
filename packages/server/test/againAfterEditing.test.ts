import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { PlanView } from '@yarin/core';
import { deciding, dumpCourse, runPlan, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
const DEV = 'apc120-dev';
const SHELL = 'apc120-s27-01';

describe('bringing again after both sides were edited', () => {
  let server: TestServer;
  let ines: Agent;
  let planId: string;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
    planId = (
      await ines
        .post('/api/plans')
        .send({ sources: [DEV], destination: SHELL })
        .expect(201)
    ).body.id;
    await runPlan(ines, planId);
  });
  afterAll(() => server.close());

  const write = async (course: string, key: string, changes: object): Promise<void> => {
    const path = `/api/courses/${course}/items/${encodeURIComponent(key)}`;
    const { version } = (await ines.get(path).expect(200)).body;
    await ines.put(path).send({ version, changes }).expect(200);
  };
  const textOf = async (course: string, key: string): Promise<string> =>
    (await ines.get(`/api/courses/${course}/items/${encodeURIComponent(key)}`).expect(200)).body.item.body;
  const keyed = async (title: string, course = DEV): Promise<string> =>
    (await ines.get(`/api/courses/${course}`)).body.items.find((each: { title: string }) => each.title === title).id;
  const honesty = (): Promise<string> => keyed('Academic honesty, from the college', SHELL);

  it('brings what changed in the source, keeps what a person wrote in the shell, and asks where both did', async () => {
    const [queens, swarming, mites] = [await keyed('Queens'), await keyed('Swarming'), await keyed('Mites')];
    await write(DEV, queens, { body: '<p>New in the old course.</p>' });
    await write(SHELL, swarming, { body: '<p>New in the shell.</p>' });
    await write(DEV, mites, { body: '<p>The old course says this.</p>' });
    await write(SHELL, mites, { body: '<p>The shell says that.</p>' });
    const { last } = await runPlan(ines, planId);
    expect(last.outcome).toMatchObject({ outcome: 'brought' });
    expect(await textOf(SHELL, queens)).toBe('<p>New in the old course.</p>');
    expect(await textOf(SHELL, swarming)).toBe('<p>New in the shell.</p>');
    expect(await textOf(SHELL, mites)).toBe('<p>The shell says that.</p>');
    const view: PlanView = (await ines.get(`/api/plans/${planId}`)).body;
    expect(view.runs[0]!.counts).toMatchObject({ things: 1, added: 0, changed: 1 });
  });
  it('what a person changed in the shell counts as changed too when only its state or a link is another', async () => {
    const [hive, foraging] = [await keyed('The hive as an animal'), await keyed('Foraging and bloom')];
    await write(SHELL, hive, { state: 'hidden' });
    await write(DEV, hive, { body: '<p>New text, but it was hidden in the shell.</p>' });
    await write(SHELL, foraging, { links: [{ type: 'links', to: hive }] });
    await write(DEV, foraging, { body: '<p>New text, but it was linked in the shell.</p>' });
    await runPlan(ines, planId);
    const standing = async (key: string) =>
      (await ines.get(`/api/courses/${SHELL}/items/${encodeURIComponent(key)}`).expect(200)).body.item;
    expect((await standing(hive)).state).toBe('hidden');
    expect((await standing(foraging)).links).toMatchObject([{ type: 'links', to: hive }]);
    expect((await standing(foraging)).body).not.toContain('linked in the shell');
  });
  it('an edit that was begun before the run is told that it is late', async () => {
    const key = await keyed('Queens');
    const path = `/api/courses/${SHELL}/items/${encodeURIComponent(key)}`;
    const { version } = (await ines.get(path)).body;
    await write(DEV, key, { body: '<p>Newer still.</p>' });
    await runPlan(ines, planId);
    await ines
      .put(path)
      .send({ version, changes: { title: 'Late' } })
      .expect(409);
    expect(await textOf(SHELL, key)).toBe('<p>Newer still.</p>');
  });
  it('what was removed in the shell by hand does not come again', async () => {
    const key = await keyed('Winter stores');
    await ines.delete(`/api/courses/${SHELL}/items/${encodeURIComponent(key)}`).expect(204);
    await write(DEV, key, { body: '<p>Changed, but not wanted.</p>' });
    await runPlan(ines, planId);
    await ines.get(`/api/courses/${SHELL}/items/${encodeURIComponent(key)}`).expect(404);
  });
  it('the first run is not taken back under later ones that built on it; the last one is, and they can come again', async () => {
    const runs = async (): Promise<PlanView['runs']> => (await ines.get(`/api/plans/${planId}`)).body.runs;
    const [last, , first] = await runs();
    const { body: refused } = await ines.post(`/api/runs/${first!.id}/takeBack`).expect(409);
    expect(refused.detail).toContain('Take that one back first.');
    const queens = await keyed('Queens');
    await ines.post(`/api/runs/${last!.id}/takeBack`).expect(200);
    expect(await textOf(SHELL, queens)).toBe('<p>New in the old course.</p>');
    await runPlan(ines, planId);
    expect(await textOf(SHELL, queens)).toBe('<p>Newer still.</p>');
  });
  it('taking back names what was edited since and leaves everything as it is', async () => {
    const view: PlanView = (await ines.get(`/api/plans/${planId}`)).body;
    for (const { id, undoneAt } of view.runs.slice(0, -1))
      if (undoneAt === null) await ines.post(`/api/runs/${id}/takeBack`).expect(200);
    const before = await dumpCourse(server.reading, SHELL);
    const { body } = await ines.post(`/api/runs/${view.runs.at(-1)!.id}/takeBack`).expect(409);
    expect(body.detail).toContain('“Swarming”');
    expect(body.detail).toContain('“The hive as an animal”');
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
  });
  it('what was marked never to carry on is left by the next plan, and the note is in it', async () => {
    const key = await keyed('Mites');
    await ines
      .put(`/api/courses/${DEV}/items/${encodeURIComponent(key)}/mark`)
      .send({ mark: 'never', note: 'Dated.' })
      .expect(204);
    const view: PlanView = (await ines.get(`/api/plans/${planId}`)).body;
    expect(view.sources[0]!.source.marks).toContainEqual({ item: key, mark: 'never', note: 'Dated.' });
  });
  it('what left the source stays, is taken out when somebody asks for it, and comes back with the run taken back', async () => {
    const key = await keyed('Swarming');
    await ines.delete(`/api/courses/${DEV}/items/${encodeURIComponent(key)}`).expect(204);
    await runPlan(ines, planId);
    expect(await textOf(SHELL, key)).toContain('New in the shell.');
    const before = await dumpCourse(server.reading, SHELL);
    const view: PlanView = (await ines.get(`/api/plans/${planId}`)).body;
    const decisions = { ...view.decisions, choices: { takeOut: { [key]: true } } };
    await ines
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version: view.version, changes: deciding(decisions) })
      .expect(200);
    const { last } = await runPlan(ines, planId);
    expect(last.outcome).toMatchObject({ outcome: 'brought' });
    await ines.get(`/api/courses/${SHELL}/items/${encodeURIComponent(key)}`).expect(404);
    const [run] = ((await ines.get(`/api/plans/${planId}`)).body as PlanView).runs;
    expect(run!.counts).toMatchObject({ things: 0, takenOut: 1 });
    // It is gone on both sides now: nothing more to say or do.
    expect((await runPlan(ines, planId)).last.outcome).toMatchObject({ outcome: 'nothingToBring' });
    await ines.post(`/api/runs/${run!.id}/takeBack`).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
    await ines.post(`/api/courses/${DEV}/items/${encodeURIComponent(key)}/putBack`).expect(204);
  });
  it('what only the shell has is taken out with the run, and stands again to the byte when that is taken back', async () => {
    await ines.post(`/api/courses/${SHELL}/items`).send({ kind: 'page', title: 'My own page', parent: null });
    const key = await keyed('My own page', SHELL);
    const before = await dumpCourse(server.reading, SHELL);
    const view: PlanView = (await ines.get(`/api/plans/${planId}`)).body;
    const decisions = { ...view.decisions, choices: { takeOut: { [key]: true, [await honesty()]: true } } };
    await ines
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version: view.version, changes: deciding(decisions) })
      .expect(200);
    expect((await runPlan(ines, planId)).last.outcome).toMatchObject({ outcome: 'brought' });
    await ines.get(`/api/courses/${SHELL}/items/${encodeURIComponent(key)}`).expect(404);
    const [run] = ((await ines.get(`/api/plans/${planId}`)).body as PlanView).runs;
    expect(run!.counts).toMatchObject({ things: 0, takenOut: 1 });
    await ines.post(`/api/runs/${run!.id}/takeBack`).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
  });
  it('what was taken out by hand is put back by the plan under its key; taken back, it is out again, and known to be', async () => {
    const key = await keyed('Foraging and bloom');
    await ines.delete(`/api/courses/${SHELL}/items/${encodeURIComponent(key)}`).expect(204);
    const before = await dumpCourse(server.reading, SHELL);
    const view: PlanView = (await ines.get(`/api/plans/${planId}`)).body;
    const decisions = { ...view.decisions, choices: { putBack: { [key]: true } } };
    await ines
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version: view.version, changes: deciding(decisions) })
      .expect(200);
    expect((await runPlan(ines, planId)).last.outcome).toMatchObject({ outcome: 'brought' });
    await ines.get(`/api/courses/${SHELL}/items/${encodeURIComponent(key)}`).expect(200);
    expect((await runPlan(ines, planId)).last.outcome).toMatchObject({ outcome: 'nothingToBring' });
    const [run] = ((await ines.get(`/api/plans/${planId}`)).body as PlanView).runs;
    await ines.post(`/api/runs/${run!.id}/takeBack`).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
  });
  it('what the college put into a course is neither removed nor hidden', async () => {
    const path = `/api/courses/${SHELL}/items/${encodeURIComponent(await honesty())}`;
    expect((await ines.delete(path).expect(409)).body.detail).toContain('is the college’s');
    const { body } = await ines.get(path).expect(200);
    const hidden = await ines
      .put(path)
      .send({ version: body.version, changes: { state: 'hidden' } })
      .expect(422);
    expect(hidden.body.problems[0].where).toBe('/changes/state');
  });
});

describe('moving things about at random', () => {
  let server: TestServer;
  let ines: Agent;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
  });
  afterAll(() => server.close());

  it('loses nothing, changes no content, and makes no circle', async () => {
    const read = async (): Promise<
      { id: string; kind: string; parent?: string; contentHash: string; position: number }[]
    > => (await ines.get(`/api/courses/${DEV}`)).body.items;
    const before = await read();
    let seed = 7;
    const next = (below: number): number => (seed = (seed * 1103515245 + 12345) % 2147483648) % below;
    for (let move = 0; move < 60; move++) {
      const items = await read();
      const item = items[next(items.length)]!;
      const units = items.filter(({ kind }) => kind === 'unit');
      const parent = next(3) === 0 ? null : units[next(units.length)]!.id;
      const siblings = items.filter((each) => (each.parent ?? null) === parent && each.id !== item.id);
      const before = siblings.length === 0 || next(2) === 0 ? null : siblings[next(siblings.length)]!.id;
      const { status } = await ines
        .put(`/api/courses/${DEV}/items/${encodeURIComponent(item.id)}/place`)
        .send({ parent, before });
      expect([204, 409]).toContain(status);
    }
    const after = await read();
    const contents = (items: typeof before): string[] =>
      items.map(({ id, contentHash }) => `${id} ${contentHash}`).sort();
    expect(contents(after)).toEqual(contents(before));
    const parents = new Map(after.map(({ id, parent }) => [id, parent]));
    for (const { id } of after) {
      let steps = 0;
      for (let at: string | undefined = id; at !== undefined; at = parents.get(at)) expect(++steps).toBeLessThan(60);
    }
    for (const parent of new Set(after.map((each) => each.parent))) {
      const positions = after.filter((each) => each.parent === parent).map(({ position }) => position);
      expect(new Set(positions).size).toBe(positions.length);
    }
  });
});
