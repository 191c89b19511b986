import { afterAll, beforeAll, expect, it } from '@jest/globals';
import type { PlanView, SectionsView } from '@yarin/core';
import { deciding, runPlan, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
let server: TestServer;
let marant: Agent;
let id: string;
beforeAll(async () => {
  server = await startServer({ demo: true });
  marant = await server.as('p-marant');
  const pair = { sources: ['eco214-s26-01'], destination: 'eco214-s27-02' };
  id = (await marant.post('/api/plans').send(pair).expect(201)).body.id;
});
afterAll(() => server.close());
const sections = async (): Promise<SectionsView> => (await marant.get(`/api/plans/${id}/sections`).expect(200)).body;
const section = async (shell: string) => (await sections()).sections.find((each) => each.shell.id === shell)!;
const plan = async (planId: string): Promise<PlanView> => (await marant.get(`/api/plans/${planId}`).expect(200)).body;
const dueOf = (view: SectionsView, title: string): string =>
  view.moments.find((moment) => moment.title === title && moment.role === 'due')!.id;

it('parallel sections stand beside each other, each date on its own class days', async () => {
  const view = await sections();
  expect(view.sections.map(({ shell, follows, planId }) => [shell.section, follows, planId === null])).toEqual([
    ['02', true, false],
    ['03', false, true],
  ]);
  const quiz = dueOf(view, 'Quiz 3');
  const [second, third] = view.sections;
  // Section 02 meets Tue Thu, section 03 Mon Wed as the old course did.
  expect(new Date(second!.dates[quiz]!.to!).getDay()).not.toBe(new Date(third!.dates[quiz]!.to!).getDay());
  expect(view.moments).toHaveLength(134);
});

it('a section that follows takes over the choices, and keeps class days and dates of its own', async () => {
  const first = await plan(id);
  const decisions = { ...first.decisions, choices: { ...first.decisions.choices, kinds: { quiz: 'leave' } } };
  await marant
    .patch(`/api/plans/${id}/decisions`)
    .send({ version: first.version, changes: deciding(decisions) })
    .expect(200);
  const { body } = await marant
    .post(`/api/plans/${id}/sections`)
    .send({ destinations: ['eco214-s27-03'] })
    .expect(200);
  const third = (body as SectionsView).sections[1]!;
  expect(third.follows).toBe(true);
  const made = await plan(third.planId!);
  expect(made.decisions.choices.kinds).toEqual({ quiz: 'leave' });
  expect(made.decisions.policy).toBeUndefined();

  const byHand = { [dueOf(body, 'Lab 6: flow and discharge')]: '2027-02-24T23:59' };
  await marant
    .patch(`/api/plans/${made.id}/decisions`)
    .send({ version: made.version, changes: deciding({ ...made.decisions, byHand }) })
    .expect(200);
  await marant
    .post(`/api/plans/${id}/sections`)
    .send({ destinations: ['eco214-s27-03'] })
    .expect(200);
  expect((await plan(made.id)).decisions.byHand).toEqual(byHand);
});

it('a section that chooses otherwise is told', async () => {
  const { planId } = await section('eco214-s27-03');
  const { version, decisions } = await plan(planId!);
  await marant
    .patch(`/api/plans/${planId}/decisions`)
    .send({ version, changes: deciding({ ...decisions, choices: {} }) })
    .expect(200);
  expect((await section('eco214-s27-03')).follows).toBe(false);
});

it('a section that was brought shows the dates as they stand there', async () => {
  const { planId } = await section('eco214-s27-03');
  await runPlan(marant, planId!);
  const third = await section('eco214-s27-03');
  expect(third.toWrite).toBe(0);
  expect(third.dates[dueOf(await sections(), 'Lab 6: flow and discharge')]).toEqual({
    to: '2027-02-24T23:59',
    doubtful: false,
  });
});

it('when all are brought, every date stands beside the one that it came from', async () => {
  await runPlan(marant, id);
  const view = await sections();
  expect(view.sections.map(({ toWrite }) => toWrite)).toEqual([0, 0]);
  const lab = dueOf(view, 'Lab 6: flow and discharge');
  expect(view.moments.find((moment) => moment.id === lab)!.from).toBe('2026-02-18T23:59');
  expect(view.sections.map(({ dates }) => dates[lab]!.to)).toEqual(['2027-02-19T23:59', '2027-02-24T23:59']);
});

it('refuses what is no parallel section, and what is not the person’s', async () => {
  await marant
    .post(`/api/plans/${id}/sections`)
    .send({ destinations: ['prn110-s27-01'] })
    .expect(422);
  await marant.post(`/api/plans/${id}/sections`).send({ destinations: [] }).expect(422);
  const brandt = await server.as('p-brandt');
  await brandt.get(`/api/plans/${id}/sections`).expect(403);
  await brandt
    .post(`/api/plans/${id}/sections`)
    .send({ destinations: ['eco214-s27-03'] })
    .expect(403);
});
