import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import type { CourseView, PlanView } from '@yarin/core';
import { openForWriting } from '../src/database/driver.js';
import { deciding, dumpCourse, runPlan, serverOn, startServer, undoMigration, type TestServer } from './testServer.js';

const DEV = 'apc120-dev';
const SHELL = 'apc120-s27-01';

/** A first run brings a unit with one page in it; the page leaves the old course, and a second run takes it out. */
describe('two runs, of which the second takes out what the first brought', () => {
  let server: TestServer;
  let ines: Awaited<ReturnType<TestServer['as']>>;
  let planId: string;
  let unit: string;
  let page: string;
  let stock: string;
  let first: string;
  let second: string;

  const add = async (kind: string, title: string, parent: string | null): Promise<string> =>
    (await ines.post(`/api/courses/${DEV}/items`).send({ kind, title, parent }).expect(201)).body.key;
  const bring = async (): Promise<string> => (await runPlan(ines, planId)).last.outcome!.runId as string;
  const takeBack = (run: string) => ines.post(`/api/runs/${run}/takeBack`).send({});
  const parentOf = async (key: string): Promise<string | null | undefined> => {
    const [row] = await server.reading.query<{ parent: string | null }[]>(
      'SELECT parent_key AS parent FROM item WHERE course_id = ? AND key = ?',
      [SHELL, key],
    );
    return row?.parent;
  };

  beforeEach(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
    stock = await dumpCourse(server.reading, SHELL);
    unit = await add('unit', 'Wintering', null);
    page = await add('page', 'Feeding in winter', unit);
    const pair = { sources: [DEV], destination: SHELL };
    planId = (await ines.post('/api/plans').send(pair).expect(201)).body.id;
    first = await bring();
    await ines.delete(`/api/courses/${DEV}/items/${page}`).expect(204);
    const view: PlanView = (await ines.get(`/api/plans/${planId}`).expect(200)).body;
    const changes = deciding({ ...view.decisions, choices: { takeOut: { [page]: true } } });
    await ines.patch(`/api/plans/${planId}/decisions`).send({ version: view.version, changes }).expect(200);
    second = await bring();
    expect(await parentOf(page)).toBeUndefined();
  });
  afterEach(() => server.close());

  it('are taken back the last one first, and then the shell is as it was', async () => {
    const stood = await dumpCourse(server.reading, SHELL);
    const { body } = await takeBack(first).expect(409);
    expect(body.detail).toBe('A later run (2026-11-24 09:00) took 1 out. Take that one back first.');
    expect(await dumpCourse(server.reading, SHELL)).toBe(stood);
    await takeBack(second).expect(200);
    expect(await parentOf(page)).toBe(unit);
    await takeBack(first).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(stock);
  });

  it('put the thing back at the end of the course when somebody removed its unit meanwhile', async () => {
    await ines.delete(`/api/courses/${SHELL}/items/${unit}`).expect(204);
    await takeBack(second).expect(200);
    expect(await parentOf(page)).toBeNull();
    const { body } = await ines.get(`/api/courses/${SHELL}`).expect(200);
    const outside = (body as CourseView).items.filter(({ parent }) => parent === undefined);
    expect(outside.at(-1)!.id).toBe(page);
  });

  it('are taken back from a database of before journals were rows, and so is what was removed by hand', async () => {
    await ines.delete(`/api/courses/${SHELL}/items/${unit}`).expect(204);
    const folder = mkdtempSync(join(tmpdir(), 'yarin-journals-'));
    const kept = join(folder, 'kept');
    try {
      await server.keepAs(kept);
      const older = await openForWriting(kept);
      await undoMigration(older, 'Journals');
      const [run] = await older.query('SELECT operations FROM run WHERE id = ?', [second]);
      expect(JSON.parse(run.operations)).toContainEqual(
        expect.objectContaining({
          op: 'takenOut',
          key: page,
          from: page,
          before: {
            item: expect.objectContaining({ title: 'Feeding in winter', parent_key: unit }),
            moments: [],
            links: [],
          },
        }),
      );
      const [removed] = await older.query('SELECT stored FROM removed_item WHERE course_id = ? AND key = ?', [
        SHELL,
        unit,
      ]);
      expect(JSON.parse(removed.stored).item).toMatchObject({ course_id: SHELL, key: unit, kind: 'unit' });
      await older.destroy();

      const newer = await serverOn(kept);
      try {
        const again = await newer.as('p-marant');
        await again.post(`/api/courses/${SHELL}/items/${unit}/putBack`).expect(204);
        await again.post(`/api/runs/${second}/takeBack`).send({}).expect(200);
        await again.post(`/api/runs/${first}/takeBack`).send({}).expect(200);
        expect(await dumpCourse(newer.reading, SHELL)).toBe(stock);
      } finally {
        await newer.close();
      }
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
});
