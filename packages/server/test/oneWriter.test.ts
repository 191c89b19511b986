import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { openForReading, openForWriting } from '../src/database/driver.js';
import { Writer } from '../src/writer/writer.js';
import { startServer, type TestServer } from './testServer.js';

const calendar = { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' };
const courseWith = (id: string, things: number) => ({
  termId: 't',
  staff: [],
  course: {
    course: { id, code: 'TST', number: '1', section: '01', title: 'Test', term: 'Spring 2027' },
    calendar,
    items: Array.from({ length: things }, (_, index) => ({
      id: `i${index}`,
      kind: 'page' as const,
      title: `Page ${index}`,
    })),
  },
});

describe('one writer', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startServer({ demo: false });
    await server.writer.run('addTerms', [{ id: 't', name: 'Spring 2027', calendar }]);
  });
  afterAll(() => server.close());

  it('runs fifty commands at once: those that fail leave nothing, those that succeed leave all', async () => {
    // Every fifth brings a course whose id another of the fifty took, and fails in its last statement.
    const commands = Array.from({ length: 50 }, (_, index) =>
      courseWith(index % 5 === 4 ? `c${index - 1}` : `c${index}`, 40),
    );
    const results = await Promise.allSettled(commands.map((input) => server.writer.run('addCourse', input)));
    expect(results.filter(({ status }) => status === 'rejected')).toHaveLength(10);
    const [{ courses }] = await server.reading.query('SELECT count(*) AS courses FROM course');
    const [{ things }] = await server.reading.query('SELECT count(*) AS things FROM item');
    expect([courses, things]).toEqual([40, 1600]);
  });

  it('leaves nothing of a command that fails half way', async () => {
    const half = courseWith('half', 3);
    half.course.items.push({ id: 'i0', kind: 'page', title: 'The same id again' });
    await expect(server.writer.run('addCourse', half)).rejects.toThrow('UNIQUE');
    const [{ rows }] = await server.reading.query(
      "SELECT (SELECT count(*) FROM course WHERE id = 'half') + (SELECT count(*) FROM item WHERE course_id = 'half') AS rows",
    );
    expect(rows).toBe(0);
  });

  it('lets others read while it writes', async () => {
    let isWritten = false;
    const writing = server.writer.run('addCourse', courseWith('large', 4000)).then(() => (isWritten = true));
    const [{ rows }] = await server.reading.query("SELECT count(*) AS rows FROM item WHERE course_id = 'large'");
    expect([rows, isWritten]).toEqual([0, false]);
    await writing;
    const [{ rows: after }] = await server.reading.query("SELECT count(*) AS rows FROM item WHERE course_id = 'large'");
    expect(after).toBe(4000);
  });

  it('reads can’t write', async () => {
    await expect(server.reading.query("DELETE FROM item WHERE course_id = 'large'")).rejects.toThrow('readonly');
  });
});

describe('the tables', () => {
  it('that the migrations make are those that the entities describe', async () => {
    const server = await startServer({ demo: false });
    try {
      const { upQueries } = await server.reading.driver.createSchemaBuilder().log();
      expect(upQueries.map(({ query }) => query)).toEqual([]);
    } finally {
      await server.close();
    }
  });

  it('of an older database are brought up to date with its courses in them, which are found then; and down again', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'yarin-older-'));
    try {
      const older = await openForWriting(folder);
      // Back to the first tables: everything that came since is undone, the newest first.
      while ((await older.query('SELECT count(*) AS made FROM migration'))[0].made > 1)
        await older.undoLastMigration({ transaction: 'each' });
      await older.query(
        `INSERT INTO term (id, name, first_day, last_day, calendar) VALUES ('t', 'Spring 2027', '2027-01-11', '2027-05-07', '{}')`,
      );
      await older.query(
        `INSERT INTO course (id, code, number, section, title, term_id, type, locale, open_to_learners, archived, meetings, version, search_text)
         VALUES ('c', 'ECO', '214', '02', 'Freshwater Ecology', 't', 'course', 'en-US', 0, 0, '[]', 1, '')`,
      );
      await older.destroy();
      const writer = await Writer.start(folder);
      const reading = await openForReading(folder);
      const found = await reading.query(
        `SELECT id FROM course WHERE find_id IN (SELECT rowid FROM course_find WHERE course_find MATCH '"eco214"* AND "freshw"*')`,
      );
      expect(found).toEqual([{ id: 'c' }]);
      await writer.close();
      await reading.destroy();
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  });
});

describe('two people who press at once on one shell', () => {
  it('make one run, and the second is told', async () => {
    const server = await startServer({ demo: true });
    try {
      const [ines, admin] = [await server.as('p-marant'), await server.as('p-rhee')];
      const { body: plan } = await ines
        .post('/api/plans')
        .send({ sources: ['eco214-s26-01'], destination: 'eco214-s27-03' });
      await ines.get(`/api/plans/${plan.id}`).expect(200);
      const [first, second] = await Promise.all([
        ines.post(`/api/plans/${plan.id}/runs`),
        admin.post(`/api/plans/${plan.id}/runs`),
      ]);
      expect([first.body.joined, second.body.joined].sort()).toEqual([false, true]);
      expect(first.body.id).toBe(second.body.id);
      await ines.get(`/api/plans/${plan.id}/runs/${first.body.id}/events`).expect(200);
      const [{ runs }] = await server.reading.query('SELECT count(*) AS runs FROM run');
      expect(runs).toBe(1);
    } finally {
      await server.close();
    }
  });
});
