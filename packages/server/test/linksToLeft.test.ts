import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Choices, CourseView, ItemView, PlanView } from '@yarin/core';
import { deciding, dumpCourse, runPlan, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
const LAST = 'geo305-f26-01';
const SHELL = 'prn110-s27-01';

describe('links to what stays', () => {
  let server: TestServer;
  let ines: Agent;
  let page: string;
  let target: string;
  const itemsOf = async (course: string): Promise<CourseView['items']> =>
    ((await ines.get(`/api/courses/${course}`).expect(200)).body as CourseView).items;
  const landed = async (): Promise<ItemView['item']> =>
    ((await ines.get(`/api/courses/${SHELL}/items/${encodeURIComponent(page)}`).expect(200)).body as ItemView).item;
  const runWith = async (choices: Choices): Promise<string> => {
    const pair = { sources: [LAST], destination: SHELL };
    const planId: string = (await ines.post('/api/plans').send(pair).expect(201)).body.id;
    const { version, decisions } = (await ines.get(`/api/plans/${planId}`)).body as PlanView;
    const changes = deciding({ ...decisions, choices });
    await ines.patch(`/api/plans/${planId}/decisions`).send({ version, changes }).expect(200);
    const { last } = await runPlan(ines, planId);
    return last.outcome!.runId;
  };
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
    const items = await itemsOf(LAST);
    [page, target] = items.filter(({ kind }) => kind === 'page').map(({ id }) => id) as [string, string];
    const { version } = (await ines.get(`/api/courses/${LAST}/items/${encodeURIComponent(page)}`)).body as ItemView;
    const body = `<p>Read <a href="item:${target}">this</a> first.</p>`;
    await ines
      .put(`/api/courses/${LAST}/items/${encodeURIComponent(page)}`)
      .send({ version, changes: { body } })
      .expect(200);
  });
  afterAll(() => server.close());

  it('become plain words in the new course alone; taken back, nothing of it is left', async () => {
    const before = await dumpCourse(server.reading, SHELL);
    const title = (await itemsOf(LAST)).find(({ id }) => id === target)!.title;
    const run = await runWith({ items: { [target]: 'leave' }, plainWords: { [target]: true } });
    const { body, links } = await landed();
    expect(body).toBe(`<p>Read this (${title}) first.</p>`);
    expect(links.filter(({ type }) => type === 'links')).toEqual([]);
    const { body: old } = (await ines.get(`/api/courses/${LAST}/items/${encodeURIComponent(page)}`)).body.item;
    expect(old).toContain('<a href');

    // A second press finds what was brought, words and all, and writes nothing.
    const { body: plan } = await ines.post('/api/plans').send({ sources: [LAST], destination: SHELL });
    expect((await runPlan(ines, plan.id)).last).toMatchObject({ outcome: { outcome: 'nothingToBring' } });
    await ines.post(`/api/runs/${run}/takeBack`).send({}).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
  });
  it('lead to something of the shell that stands for it', async () => {
    const own = (await itemsOf(SHELL)).find(({ kind }) => kind === 'page')!;
    await runWith({ items: { [target]: 'leave' }, equivalents: { [target]: own.id } });
    const { body, links } = await landed();
    expect(links.find(({ type }) => type === 'links')).toMatchObject({ to: own.id, title: own.title });
    // The text keeps the key that it names, and that finds the shell's own.
    expect(body).toContain('this</a>');
    const way = `/api/courses/${SHELL}/items/${encodeURIComponent(target)}`;
    const { item } = (await ines.get(way).expect(200)).body as ItemView;
    expect(item.id).toBe(own.id);
  });
});
