import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import type { CourseView, PlanView } from '@yarin/core';
import { dumpCourse, runPlan, startServer, type TestServer } from './testServer.js';

const SOURCE = 'eco214-s26-01';
const SHELL = 'eco214-s27-02';
const inShell = (key: string): string => `${SOURCE}.${key}`;

/** What was done in the new course since the run decides what may be taken back. */
describe('taking back what somebody worked on since', () => {
  let server: TestServer;
  let ines: Awaited<ReturnType<TestServer['as']>>;
  let planId: string;
  let runId: string;
  let before: string;
  let stock: readonly string[];

  const course = async (): Promise<CourseView> => (await ines.get(`/api/courses/${SHELL}`).expect(200)).body;
  const keys = async (): Promise<string[]> => {
    const rows = await server.reading.query<{ key: string }[]>('SELECT key FROM item WHERE course_id = ?', [SHELL]);
    return rows.map(({ key }) => key).sort();
  };
  const move = async (moves: Record<string, string>): Promise<void> => {
    const { version } = (await course()).summary;
    await ines.put(`/api/courses/${SHELL}/moments`).send({ version, moves }).expect(200);
  };
  const takeBack = (changed?: 'stay' | 'go') =>
    ines.post(`/api/runs/${runId}/takeBack`).send(changed === undefined ? {} : { changed });

  beforeEach(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
    before = await dumpCourse(server.reading, SHELL);
    stock = await keys();
    const { body } = await ines.post('/api/plans').send({ sources: [SOURCE], destination: SHELL });
    planId = body.id;
    runId = (await runPlan(ines, planId)).id;
  });
  afterEach(() => server.close());

  it('is asked about first: nothing goes, and each changed thing is named', async () => {
    await move({ [inShell('lab6-due')]: '2027-02-17T23:59' });
    const stood = await dumpCourse(server.reading, SHELL);
    const { body } = await takeBack().expect(409);
    expect(body.detail).toBe(
      '“Lab 6: flow and discharge” changed since. Nothing was taken back, so that no work is lost.',
    );
    expect(body.problems).toEqual([
      { code: 'changedSince', message: 'Lab 6: flow and discharge', where: `/${inShell('lab6')}` },
    ]);
    expect(await dumpCourse(server.reading, SHELL)).toBe(stood);
    await takeBack('all' as 'go').expect(422);
  });

  it('goes too when asked for, and the shell is as it was', async () => {
    await move({ [inShell('lab6-due')]: '2027-02-17T23:59' });
    expect((await takeBack('go').expect(200)).body).toEqual({ things: 210 });
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
    await takeBack('go').expect(409);
  });

  it('stays when asked for, with its unit and what it would be broken without; the rest goes', async () => {
    const were = await keys();
    await move({ [inShell('lab6-due')]: '2027-02-17T23:59' });
    const rows = await server.reading.query<{ key: string; parent: string | null }[]>(
      'SELECT key, parent_key AS parent FROM item WHERE course_id = ?',
      [SHELL],
    );
    const parents = new Map(rows.map(({ key, parent }) => [key, parent]));
    const { body } = await takeBack('stay').expect(200);
    const stayed = (await keys()).filter((key) => !stock.includes(key));
    expect(stayed).toContain(inShell('lab6'));
    expect(stayed).toContain(parents.get(inShell('lab6')));
    expect(body.things).toBe(210 - stayed.length);
    expect(stayed.length).toBeLessThan(8);
    expect(were).toEqual(expect.arrayContaining(stayed));

    // What stays is whole: every link that it can't be without leads to something.
    const broken = await server.reading.query(
      `SELECT * FROM item_link AS link WHERE course_id = ? AND type IN ('gradedIn', 'draws', 'embeds', 'teams')
          AND NOT EXISTS (SELECT 1 FROM item WHERE item.course_id = link.course_id AND item.key = link.to_key)`,
      [SHELL],
    );
    expect(broken).toEqual([]);

    // Brought again, nothing is doubled, and the moved date stays where somebody put it.
    expect((await runPlan(ines, planId)).last.outcome).toMatchObject({ outcome: 'brought' });
    expect(await keys()).toEqual(were);
    const view: PlanView = (await ines.get(`/api/plans/${planId}`)).body;
    const lab = view.shell.items.find(({ id }) => id === inShell('lab6'))!;
    expect(lab.moments!.find(({ role }) => role === 'due')!.at).toBe('2027-02-17T23:59');
    expect((await course()).deeds.map(({ what }) => what)).toContainEqual(
      expect.stringMatching(/^took back \d+ things; \d+ stay, since somebody changed them$/),
    );
  });

  it('never takes what somebody made themselves: it stands where its unit stood', async () => {
    const unit = inShell('u1');
    await ines
      .post(`/api/courses/${SHELL}/items`)
      .send({ kind: 'page', title: 'My own page', parent: unit })
      .expect(201);
    const { body } = await takeBack().expect(409);
    expect(body.problems).toMatchObject([{ message: 'My own page' }]);
    await takeBack('go').expect(200);
    const mine = await server.reading.query<{ title: string; parent: string | null }[]>(
      `SELECT title, parent_key AS parent FROM item WHERE course_id = ? AND title = 'My own page'`,
      [SHELL],
    );
    expect(mine).toEqual([{ title: 'My own page', parent: null }]);
    expect((await keys()).filter((key) => key.startsWith(`${SOURCE}.`))).toEqual([]);
  });

  it('keeps the unit of what somebody made themselves when the changed things stay', async () => {
    const unit = inShell('u1');
    await ines
      .post(`/api/courses/${SHELL}/items`)
      .send({ kind: 'page', title: 'My own page', parent: unit })
      .expect(201);
    await takeBack('stay').expect(200);
    expect((await keys()).filter((key) => key.startsWith(`${SOURCE}.`))).toEqual([unit]);
  });
});
