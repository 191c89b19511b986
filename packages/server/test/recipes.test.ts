import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { PlanView, RecipesView } from '@yarin/core';
import { deciding, runPlan, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
const KNOWS = { kinds: ['page', 'survey'], findings: ['meetingLink'] };
const RECIPE = { name: 'Field courses', isShared: false, choices: { kinds: { survey: 'leave' } }, knows: KNOWS };

describe('recipes', () => {
  let server: TestServer;
  let [ines, ana, tomas, science]: Agent[] = [];
  let mine: string;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    [ines, ana, tomas, science] = [
      await server.as('p-marant'),
      await server.as('p-brandt'),
      await server.as('p-rhee'),
      await server.as('p-oda'),
    ];
    mine = (await ines.post('/api/recipes').send(RECIPE).expect(201)).body.id;
  });
  afterAll(() => server.close());

  const seenBy = async (agent: Agent | undefined): Promise<string[]> =>
    ((await agent!.get('/api/recipes').expect(200)).body as RecipesView).recipes.map(({ name }) => name);
  const planOf = async (agent: Agent | undefined, source: string, destination: string): Promise<PlanView> => {
    const { id } = (
      await agent!
        .post('/api/plans')
        .send({ sources: [source], destination })
        .expect(201)
    ).body;
    return (await agent!.get(`/api/plans/${id}`).expect(200)).body;
  };

  it('are kept to oneself until they are shared', async () => {
    expect(await seenBy(ines)).toEqual(['Field courses']);
    expect(await seenBy(ana)).toEqual([]);
    await ines!.put(`/api/recipes/${mine}`).send({ isShared: true }).expect(204);
    expect(await seenBy(ana)).toEqual(['Field courses']);
  });
  it('are changed and removed by their owner only', async () => {
    const { body } = await ana!.delete(`/api/recipes/${mine}`).expect(403);
    expect(body.detail).toContain('somebody else’s');
    await ana!.put(`/api/recipes/${mine}`).send({ isShared: false }).expect(403);
    await server.anybody.get('/api/recipes').expect(401);
  });
  it('have each name once, and name no single thing', async () => {
    const { body } = await ines!.post('/api/recipes').send(RECIPE).expect(409);
    expect(body.detail).toContain('already');
    const byItem = { ...RECIPE, name: 'Other', choices: { items: { p: 'leave' } } };
    const refused = await ines!.post('/api/recipes').send(byItem).expect(422);
    expect(refused.body.problems[0].where).toBe('/choices/items');
    await ines!
      .post('/api/recipes')
      .send({ ...RECIPE, name: '  ' })
      .expect(422);
  });
  it('stand for others by the word of an administrator, of a department for that alone', async () => {
    await ines!.put(`/api/recipes/${mine}`).send({ standsFor: 'institution' }).expect(403);
    const own = (
      await science!
        .post('/api/recipes')
        .send({ ...RECIPE, name: 'Science' })
        .expect(201)
    ).body.id;
    await science!.put(`/api/recipes/${own}`).send({ standsFor: 'institution' }).expect(403);
    await science!.put(`/api/recipes/${own}`).send({ standsFor: 'department', department: 'Arts' }).expect(403);
    await science!.put(`/api/recipes/${own}`).send({ standsFor: 'department' }).expect(204);
    await science!.put(`/api/recipes/${own}`).send({ standsFor: null }).expect(204);
    await science!.delete(`/api/recipes/${own}`).expect(204);
  });
  it('that stand for the college are what a new plan begins with, and locked parts hold in the run too', async () => {
    const choices = { kinds: { survey: 'leave' }, landing: 'draft' };
    const { id } = (
      await tomas!
        .post('/api/recipes')
        .send({ ...RECIPE, name: 'College', choices })
        .expect(201)
    ).body;
    const bad = await tomas!.put(`/api/recipes/${id}`).send({ standsFor: 'institution', locks: ['kinds.wiki'] });
    expect([bad.status, bad.body.problems[0].code]).toEqual([422, 'noSuchPart']);
    await tomas!
      .put(`/api/recipes/${id}`)
      .send({ standsFor: 'institution', locks: ['kinds.survey'] })
      .expect(204);

    const plan = await planOf(ines, 'eco214-s26-01', 'eco214-s27-02');
    expect(plan.decisions).toMatchObject({ choices, recipe: { id, name: 'College' } });
    expect(plan.standingRecipe).toMatchObject({ id, locks: ['kinds.survey'] });
    const decisions = { ...plan.decisions, choices: { kinds: { survey: 'bring' }, landing: 'as it was' } };
    await ines!
      .patch(`/api/plans/${plan.id}/decisions`)
      .send({ version: plan.version, changes: deciding(decisions) })
      .expect(200);
    await runPlan(ines!, plan.id);
    const { items } = (await ines!.get('/api/courses/eco214-s27-02')).body as {
      items: { kind: string; state: string }[];
    };
    expect(items.filter(({ kind }) => kind === 'survey')).toEqual([]);
    expect(items.filter(({ kind, state }) => kind === 'page' && state === 'open').length).toBeGreaterThan(20);
  });
  it('of a department go before the college’s', async () => {
    const choices = { landing: 'hidden' };
    const { id } = (
      await tomas!
        .post('/api/recipes')
        .send({ ...RECIPE, name: 'Arts', choices })
        .expect(201)
    ).body;
    const { department } = await planOf(tomas, 'prn110-s26-01', 'prn110-s27-01');
    await tomas!.put(`/api/recipes/${id}`).send({ standsFor: 'department', department }).expect(204);
    expect((await planOf(tomas, 'prn110-f25-01', 'prn110-s27-01')).decisions.choices).toEqual(choices);
    expect((await planOf(ines, 'eco214-s26-01', 'eco214-s27-03')).decisions.recipe).toMatchObject({ name: 'College' });
  });
});
