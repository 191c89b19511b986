import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { DeskView, PlanView, SetUpEffect, SetUpInto, SetUpView } from '@yarin/core';
import { dumpCourse, runPlan, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
const LAST = 'eco214-s26-01';
const SHELL = 'eco214-s27-02';
const OTHER = 'apc120-s27-01';

describe('the gradebook set-up by itself', () => {
  let server: TestServer;
  let ines: Agent;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
  });
  afterAll(() => server.close());

  const view = async (): Promise<SetUpView> => (await ines.get(`/api/courses/${LAST}/gradebook/into`).expect(200)).body;
  const into = async (id: string): Promise<Omit<SetUpInto, 'effect'> & { effect: SetUpEffect }> =>
    (await view()).into.find(({ course }) => course.id === id) as never;
  const open = async (destination: string, scope?: string): Promise<string> =>
    (
      await ines
        .post('/api/plans')
        .send({ sources: [LAST], destination, scope })
        .expect(201)
    ).body.id;

  it('says what the course has, and what each course of mine would get', async () => {
    const { setUp, categories, right } = await view();
    expect(setUp).toEqual({ categories: 5, lines: 33, rubrics: 4, hasScale: true, weights: 100 });
    expect(categories.reduce((sum, { lines }) => sum + lines, 0)).toBe(33);
    expect(right).toEqual({ may: true });
    const { effect, isRunning, planId } = await into(SHELL);
    expect([isRunning, planId]).toEqual([false, null]);
    expect(effect.holds).toMatchObject({ categories: 1, lines: 0 });
    expect(effect.after).toEqual(setUp);
    expect(effect.changed).toEqual(['Lab reports']);
  });
  it('is a plan of its own, beside that of the course; neither writes into the other', async () => {
    const [course, setUp] = [await open(SHELL), await open(SHELL, 'gradebook')];
    expect(setUp).not.toBe(course);
    expect(await open(SHELL, 'gradebook')).toBe(setUp);
    const plan = (await ines.get(`/api/plans/${setUp}`).expect(200)).body as PlanView;
    expect([plan.scope, plan.decisions.choices.all]).toEqual(['gradebook', 'leave']);
    expect(((await ines.get(`/api/plans/${course}`)).body as PlanView).decisions.choices.all).toBeUndefined();
  });
  it('goes into two courses, doubles nothing when pressed again, and each is taken back by itself', async () => {
    const before = await dumpCourse(server.reading, OTHER);
    const runs = [];
    for (const id of [SHELL, OTHER]) runs.push(await runPlan(ines, await open(id, 'gradebook')));
    expect((await into(OTHER)).effect.holds).toEqual((await view()).setUp);
    expect([(await into(SHELL)).toWrite, (await into(OTHER)).toWrite]).toEqual([0, 0]);
    expect(await runPlan(ines, await open(OTHER, 'gradebook'))).toMatchObject({
      last: { outcome: { outcome: 'nothingToBring' } },
    });

    // The shell is not filled by it: the Desk still offers the plan of the course, and that brings what is missing.
    const desk = (await ines.get('/api/desk').expect(200)).body as DeskView;
    expect(desk.shells.find(({ shell }) => shell.id === SHELL)).toMatchObject({ done: null });
    const course = await open(SHELL);
    await runPlan(ines, course);
    const { items } = (await ines.get(`/api/courses/${SHELL}`)).body;
    expect(items.filter(({ kind }: { kind: string }) => kind === 'lineItem')).toHaveLength(33);

    await ines.post(`/api/runs/${runs[1]!.id}/takeBack`).send({}).expect(200);
    expect(await dumpCourse(server.reading, OTHER)).toBe(before);
  });
  it('whoever may not use the course is told so, and gets nothing', async () => {
    const brandt = await server.as('p-brandt');
    await brandt.get(`/api/courses/${LAST}/gradebook/into`).expect(403);
    const lindqvist = await server.as('p-lindqvist');
    const told = (await lindqvist.get(`/api/courses/${LAST}/gradebook/into`).expect(200)).body as SetUpView;
    expect([told.right.may, told.into]).toEqual([false, []]);
  });
});
