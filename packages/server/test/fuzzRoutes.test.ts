import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { fuzzRoutes, routesOf } from './fuzz/fuzzRoutes.js';
import { startServer, type TestServer } from './testServer.js';

const REQUESTS = Number(process.env.FUZZ_REQUESTS ?? 2000);
const SEED = Number(process.env.FUZZ_SEED ?? 20_270_111);

describe('requests of every kind to every route', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startServer({ demo: true, requestsAMinute: 1_000_000 });
  });
  afterAll(() => server.close());

  const count = async (sql: string): Promise<number> =>
    (await server.reading.query<{ count: number }[]>(`SELECT count(*) AS count ${sql}`))[0]!.count;

  it('are answered or refused with a sentence, never with a failure, and nothing is lost', async () => {
    const records =
      "FROM item JOIN course ON course.id = item.course_id JOIN term ON term.id = course.term_id WHERE term.last_day < '2026-11-24'";
    const before = { records: await count(records), learners: await count('FROM learner_record') };
    const routes = routesOf(server.app);
    expect(routes.length).toBeGreaterThan(60);
    const told =
      process.env.FUZZ_REQUESTS === undefined ? undefined : (sent: number) => process.stderr.write(`${sent} `);
    const { faults, statuses } = await fuzzRoutes(server, routes, {
      seed: SEED,
      requests: REQUESTS,
      ...(told && { told }),
    });
    expect(faults).toEqual([]);
    // Chance gets behind the checks often enough to mean something.
    const answered = [...statuses].reduce((sum, [status, times]) => sum + (status < 300 ? times : 0), 0);
    expect(answered).toBeGreaterThan(REQUESTS / 10);
    expect(
      [...statuses.keys()].every((status) => [200, 201, 202, 204, 400, 401, 403, 404, 409, 413, 422].includes(status)),
    ).toBe(true);
    expect({ records: await count(records), learners: await count('FROM learner_record') }).toEqual(before);
    expect(await server.reading.query('PRAGMA integrity_check')).toEqual([{ integrity_check: 'ok' }]);
    expect(await server.reading.query('PRAGMA foreign_key_check')).toEqual([]);
    await server.anybody.get('/api/health').expect(200, { reads: 'yes', writes: 'yes' });
  });
});
