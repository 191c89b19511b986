import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Worker } from 'node:worker_threads';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { openForWriting } from '../src/database/driver.js';
import { transact } from '../src/writer/transaction.js';
import { startServer, type TestServer } from './testServer.js';

const calendar = { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' };
const term = (id: string) => [{ id, name: id, calendar }];

describe('a writer that can’t write', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startServer({ demo: false });
  });
  afterAll(() => server.close());
  const terms = async (): Promise<string[]> =>
    (await server.reading.query('SELECT id FROM term ORDER BY id')).map(({ id }: { id: string }) => id);
  const health = () => server.anybody.get('/api/health');

  it('because another program holds the database says so, and writes again when it is let go', async () => {
    expect((await health().expect(200)).body).toEqual({ reads: 'yes', writes: 'yes' });
    const other = await openForWriting(server.dataFolder);
    await other.query('BEGIN IMMEDIATE');
    const waiting = ['a', 'b'].map((id) => server.writer.run('addTerms', term(id)));
    // The first waits for five seconds, the second for five more.
    const outcomes = await Promise.allSettled(waiting);
    for (const outcome of outcomes)
      expect(outcome).toMatchObject({
        status: 'rejected',
        reason: {
          details: { status: 503, detail: expect.stringContaining('Another program is holding the database') },
        },
      });
    expect((await health()).body.reads).toBe('yes');
    await other.query('ROLLBACK');
    await other.destroy();
    await server.writer.run('addTerms', term('c'));
    expect(await terms()).toEqual(['c']);
    expect((await health().expect(200)).body.writes).toBe('yes');
  });

  it('because its thread died tells whoever waited, and starts anew', async () => {
    const { worker } = server.writer as unknown as { worker: Worker };
    const items = Array.from({ length: 4000 }, (_, at) => ({
      id: `i${at}`,
      kind: 'page' as const,
      title: `Page ${at}`,
    }));
    const course = { id: 'large', code: 'TST', number: '1', section: '01', title: 'Test', term: 'Spring 2027' };
    const waiting = server.writer.run('addCourse', { termId: 'c', staff: [], course: { course, calendar, items } });
    const died = worker.terminate();
    await expect(waiting).rejects.toMatchObject({
      details: { status: 503, detail: expect.stringContaining('is being started anew') },
    });
    await died;
    await expect(server.writer.run('addTerms', term('e'))).rejects.toMatchObject({ details: { status: 503 } });
    expect((await health().expect(503)).body).toMatchObject({ reads: 'yes', writes: 'no' });
    const started = Date.now();
    while ((await health()).status !== 200 && Date.now() - started < 30_000);
    await server.writer.run('addTerms', term('f'));
    expect(await terms()).toContain('f');
    expect(await terms()).not.toContain('e');
    expect(await server.reading.query('SELECT count(*) AS courses FROM course')).toEqual([{ courses: 0 }]);
  });
});

describe('a full disk', () => {
  it('ends the transaction with a sentence, leaves nothing of it, and the next one is written', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'yarin-full-'));
    const source = await openForWriting(folder);
    try {
      const [{ page_count: pages }] = await source.query('PRAGMA page_count');
      await source.query(`PRAGMA max_page_count = ${pages + 4}`);
      const fill = (count: number, length: number) =>
        transact(source, async (manager) => {
          for (let at = 0; at < count; at++)
            await manager.query('INSERT INTO term (id, name, first_day, last_day, calendar) VALUES (?, ?, ?, ?, ?)', [
              `${count}-${at}`,
              'Spring 2027',
              '2027-01-11',
              '2027-05-07',
              'x'.repeat(length),
            ]);
        });
      await expect(fill(50, 5000)).rejects.toMatchObject({
        details: { status: 503, detail: expect.stringContaining('The disk is full. Nothing was changed') },
      });
      expect(await source.query('SELECT count(*) AS terms FROM term')).toEqual([{ terms: 0 }]);
      await fill(1, 10);
      expect(await source.query('SELECT count(*) AS terms FROM term')).toEqual([{ terms: 1 }]);
    } finally {
      await source.destroy();
      rmSync(folder, { recursive: true, force: true });
    }
  });
});
