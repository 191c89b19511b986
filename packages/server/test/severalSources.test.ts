import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { joinSources, policiesInForce, previewPlan, type Choices, type PlanView, type Preview } from '@yarin/core';
import { deciding, dumpCourse, runPlan, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
const LAST = 'eco214-s26-01';
const TEMPLATE = 'tmpl-field';
const SHELL = 'eco214-s27-02';

describe('one plan that brings from two courses', () => {
  let server: TestServer;
  let ines: Agent;
  let planId: string;
  let shellBefore: string;
  let comeBefore = 0;
  const view = async (): Promise<PlanView> => (await ines.get(`/api/plans/${planId}`).expect(200)).body;
  const previewOf = (plan: PlanView): Preview => {
    const ground = joinSources(plan.sources, plan.decisions.choices, true);
    const policies = policiesInForce(plan.sources, plan.decisions);
    const result = previewPlan({ ...ground, ...policies, shell: plan.shell, decisions: plan.decisions });
    if (!result.ok) throw new Error('calendar');
    return result.value;
  };
  const choose = async (choices: Choices): Promise<void> => {
    const { version, decisions } = await view();
    await ines
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version, changes: deciding({ ...decisions, choices }) })
      .expect(200);
  };
  const changeTo = async (sources: string[], status = 200): Promise<string> => {
    const { version } = await view();
    return (await ines.put(`/api/plans/${planId}/sources`).send({ version, sources }).expect(status)).body.detail;
  };
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
    shellBefore = await dumpCourse(server.reading, SHELL);
    const pair = { sources: [LAST, TEMPLATE], destination: SHELL };
    planId = (await ines.post('/api/plans').send(pair).expect(201)).body.id;
  });
  afterAll(() => server.close());

  it('is one plan, also when the first course is chosen alone again', async () => {
    const again = await ines
      .post('/api/plans')
      .send({ sources: [LAST], destination: SHELL })
      .expect(201);
    expect(again.body.id).toBe(planId);
    expect((await view()).sources.map(({ source }) => source.course.id)).toEqual([LAST, TEMPLATE]);
  });
  it('lets another course go before; each keeps the rule of its dates', async () => {
    const { version, decisions } = await view();
    const decided = { ...decisions, policy: { rule: 'offset' }, policies: { [TEMPLATE]: { rule: 'clear' } } };
    await ines
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version, changes: deciding(decided) })
      .expect(200);
    await changeTo([TEMPLATE, LAST]);
    const turned = await view();
    expect(turned.sources.map(({ source }) => source.course.id)).toEqual([TEMPLATE, LAST]);
    expect(turned.decisions).toMatchObject({ policy: { rule: 'clear' }, policies: { [LAST]: { rule: 'offset' } } });
    await changeTo([LAST, TEMPLATE]);
    const { version: now, decisions: kept } = await view();
    expect(kept).toMatchObject({ policy: { rule: 'offset' }, policies: { [TEMPLATE]: { rule: 'clear' } } });
    const changes = [{ at: ['policy'] }, { at: ['policies'] }];
    await ines.patch(`/api/plans/${planId}/decisions`).send({ version: now, changes }).expect(200);
    expect((await view()).decisions).not.toHaveProperty('policy');
  });
  it.each<[string, string[], number, string]>([
    ['the shell itself', [LAST, SHELL], 409, 'can’t be brought into itself'],
    ['a course that she may not use', [LAST, 'mat160-f26-01'], 403, ''],
    ['a course that is not there', [LAST, 'nowhere'], 404, ''],
    ['the same course twice', [LAST, LAST], 422, ''],
    ['no course at all', [], 422, ''],
  ])('refuses %s as a source and changes nothing', async (_, sources, status, said) => {
    expect((await changeTo(sources, status)) ?? '').toContain(said);
    expect((await view()).sources).toHaveLength(2);
  });
  it('refuses a change over somebody else’s', async () => {
    const { version } = await view();
    const body = { version: version - 1, sources: [TEMPLATE] };
    await ines.put(`/api/plans/${planId}/sources`).send(body).expect(409);
  });

  it('brings both in one run, the overlaps once, as the preview showed them', async () => {
    const plan = await view();
    const [, template] = plan.sources;
    const overlapping = template!.source.items.find(({ title }) => title === 'Start here')!.id;
    const preview = previewOf(plan);
    comeBefore = preview.lines.filter(({ verb }) => verb !== 'leave' && verb !== 'here').length;
    expect(preview.items.map(({ id }) => id)).not.toContain(overlapping);
    const { last } = await runPlan(ines, planId);
    expect(last).toMatchObject({ outcome: { outcome: 'brought' } });
    const after = await view();
    const told = (items: readonly Preview['items'][number][]) =>
      items
        .map(({ id, kind, title, parent, state, points, moments = [] }) => ({
          id,
          kind,
          title,
          parent,
          state,
          points: points ?? null,
          dates: moments.map(({ id: moment, at }) => `${moment} ${at}`).sort(),
        }))
        .sort((a, b) => (a.id < b.id ? -1 : 1));
    expect(told(after.shell.items as Preview['items'])).toEqual(told(preview.items));
    const { counts } = after.runs[0]!;
    expect(counts.bySource).toMatchObject([{ course: LAST }, { course: TEMPLATE }]);
    expect(counts.bySource!.reduce((sum, { things }) => sum + things, 0)).toBe(counts.things);
    expect(counts.bySource![1]!.things).toBeGreaterThan(15);
    expect(Object.values(counts.learners).every((many) => many === 0)).toBe(true);
  });
  it('says where what stands in the shell is from', async () => {
    const [brought] = (await view()).standing.brought;
    expect(brought!.from).toBe('ECO 214-01, Spring 2026 and one more course');
    const pair = (await ines.get(`/api/courses/${SHELL}/pair?as=shell`).expect(200)).body;
    expect(pair.plans).toEqual([{ id: planId, sourceIds: [LAST, TEMPLATE], destinationId: SHELL }]);
    const carried = (await ines.get(`/api/courses/${TEMPLATE}/pair?as=source`).expect(200)).body;
    expect(carried.plans.map(({ id }: { id: string }) => id)).toContain(planId);
  });
  it('a second press does nothing', async () => {
    const before = await dumpCourse(server.reading, SHELL);
    // What the run brought says nothing about what the shell had: everything stands decided as it was.
    const verbs = new Set(previewOf(await view()).lines.map(({ verb }) => verb));
    expect([...verbs].sort()).toEqual(['here', 'leave', 'same']);
    const come = previewOf(await view()).lines.filter(({ verb }) => verb === 'same').length;
    expect(come).toBe(comeBefore);
    expect((await runPlan(ines, planId)).last).toMatchObject({ outcome: { outcome: 'nothingToBring' } });
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
  });
  it('one press takes both back, to the byte', async () => {
    const [run] = (await view()).runs;
    await ines.post(`/api/runs/${run!.id}/takeBack`).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(shellBefore);
  });

  it('what led to the one that stays behind finds the one that came', async () => {
    const { sources } = await view();
    const [last, template] = sources.map(({ source }) => source);
    const own = last!.items.find(({ title, kind }) => title === 'Start here' && kind === 'unit')!.id;
    const other = template!.items.find(({ title, kind }) => title === 'Start here' && kind === 'unit')!.id;
    await choose({ sources: { [own]: TEMPLATE } });
    await runPlan(ines, planId);
    const { body: found } = await ines.get(`/api/courses/${SHELL}/items/${own}`).expect(200);
    const { body: came } = await ines.get(`/api/courses/${SHELL}/items/${other}`).expect(200);
    expect(found.item.id).toBe(came.item.id);
    const [run] = (await view()).runs;
    await ines.post(`/api/runs/${run!.id}/takeBack`).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(shellBefore);
  });
  it('what one of them brought earlier is not brought again from the other', async () => {
    await choose({});
    await changeTo([TEMPLATE]);
    await runPlan(ines, planId);
    const before = (await view()).shell.items.length;
    await changeTo([LAST, TEMPLATE]);
    const { lines, items } = previewOf(await view());
    expect(items.filter(({ title, kind }) => title === 'Start here' && kind === 'unit')).toHaveLength(1);
    expect(lines.filter(({ verb, source }) => verb === 'add' && source === TEMPLATE)).toEqual([]);
    expect(items.length).toBeGreaterThan(before + 150);
  });
  it('a course that may not be used any more falls out of the plan when it is opened', async () => {
    const ana = await server.as('p-brandt');
    const asked = (await ana.post('/api/access').send({ course: LAST, wants: 'use', words: '' }).expect(201)).body;
    await ines.put(`/api/access/${asked.id}`).send({ answer: 'granted', words: '' }).expect(204);
    const pair = { sources: ['prn110-s26-01', LAST], destination: 'prn110-s27-02' };
    const { id } = (await ana.post('/api/plans').send(pair).expect(201)).body;
    await ana.get(`/api/plans/${id}`).expect(200);
    await ines.put(`/api/access/${asked.id}`).send({ answer: 'withdrawn', words: '' }).expect(204);
    await ana.get(`/api/plans/${id}`).expect(403);
    const again = await ana
      .post('/api/plans')
      .send({ ...pair, sources: ['prn110-s26-01'] })
      .expect(201);
    expect(again.body.id).toBe(id);
    const left: PlanView = (await ana.get(`/api/plans/${id}`).expect(200)).body;
    expect(left.sources.map(({ source }) => source.course.id)).toEqual(['prn110-s26-01']);
  });
});
