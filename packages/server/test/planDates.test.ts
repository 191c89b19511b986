import { afterAll, beforeAll, expect, it } from '@jest/globals';
import type { PlanView } from '@yarin/core';
import { deciding, startServer, type TestServer } from './testServer.js';

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

const sheet = async (agent = marant): Promise<string> =>
  (await agent.get(`/api/plans/${id}/dates.csv`).expect(200)).text;

it('the sheet holds every date of the plan; sent back as it is it changes nothing', async () => {
  const text = await sheet();
  const lines = text.split('\r\n').slice(0, -1);
  expect(lines[0]).toBe('\uFEFFid,thing,kind,role,was,will be,doubts,why');
  expect(lines).toHaveLength(1 + 134);
  const { body } = await marant.post(`/api/plans/${id}/dates/sheet`).send({ text, order: 'monthFirst' }).expect(200);
  expect(body).toEqual({ changed: {}, same: 134, problems: [] });
});

it('changed rows come back, bad ones by line; what is taken over stands in the plan and in the next sheet', async () => {
  const lines = (await sheet()).split('\r\n');
  const at = lines.findIndex((line) => line.includes(',Lab 6: flow and discharge,') && line.includes(',due,'));
  expect(lines[at]).toContain('2026-02-18 23:59,2027-02-19 23:59,closed day,');
  const edited = lines.with(at, lines[at]!.replace('2027-02-19 23:59', '2/17/2027 11:00 PM'));
  const bad = edited.with(1, edited[1]!.replace(/(,2026-[^,]*),2027-[^,]*,/, '$1,whenever,'));
  const { body } = await marant
    .post(`/api/plans/${id}/dates/sheet`)
    .send({ text: bad.join('\n'), order: 'monthFirst' })
    .expect(200);
  const [moment] = Object.keys(body.changed);
  expect(body).toMatchObject({ changed: { [moment!]: '2027-02-17T23:00' }, same: 132 });
  expect(body.problems).toMatchObject([{ code: 'noSuchDate', where: '/2' }]);

  const view: PlanView = (await marant.get(`/api/plans/${id}`).expect(200)).body;
  await marant
    .patch(`/api/plans/${id}/decisions`)
    .send({ version: view.version, changes: deciding({ ...view.decisions, byHand: body.changed }) })
    .expect(200);
  expect(await sheet()).toContain('2026-02-18 23:59,2027-02-17 23:00,,set by hand');
});

it('the calendar file has the dates of the plan', async () => {
  const { text, headers } = await marant.get(`/api/plans/${id}/dates.ics`).expect(200);
  expect(headers['content-disposition']).toBe('attachment; filename="ECO 214-02 dates.ics"');
  expect(text).toContain('X-WR-CALNAME:ECO 214-02, Spring 2027');
  expect(text).toContain('SUMMARY:due: Lab 6: flow and discharge');
});

it('nobody else gets at the dates of a plan', async () => {
  const brandt = await server.as('p-brandt');
  for (const path of ['dates.csv', 'dates.ics']) await brandt.get(`/api/plans/${id}/${path}`).expect(403);
  await brandt.post(`/api/plans/${id}/dates/sheet`).send({ text: 'id', order: 'dayFirst' }).expect(403);
  await marant.post(`/api/plans/${id}/dates/sheet`).send({ text: 'id', order: 'any' }).expect(422);
  await server.anybody.get(`/api/plans/${id}/dates.csv`).expect(401);
});
