import { DEEPEST_NESTING, nestingOf, type ItemView } from '@yarin/core';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { sanitise, storable } from '../src/courses/sanitise.js';
import { openForWriting } from '../src/database/driver.js';
import { deskSentencesOf, startServer, type TestServer } from './testServer.js';

const OLD = 'eco214-s26-01';
const SHELL = 'eco214-s27-02';
/** 15 kB of tags in each other, which calls into calls could not follow. */
const DEEP = `${'<b>'.repeat(2500)}x${'</b>'.repeat(2500)}`;

describe('texts whose parts stand deep in each other', () => {
  let server: TestServer;
  let ines: Awaited<ReturnType<TestServer['as']>>;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
  });
  afterAll(() => server.close());

  it('are refused where they would be saved, and the thing stays as it is', async () => {
    const [{ key }] = await server.reading.query(
      "SELECT key FROM item WHERE course_id = ? AND kind = 'page' AND body_hash IS NOT NULL ORDER BY key LIMIT 1",
      [SHELL],
    );
    const path = `/api/courses/${SHELL}/items/${encodeURIComponent(key)}`;
    const before: ItemView = (await ines.get(path).expect(200)).body;
    const { body } = await ines
      .put(path)
      .send({ version: before.version, changes: { body: DEEP } })
      .expect(422);
    expect(body.detail).toBe(
      'The parts of the text stand in each other more than 200 deep. Nothing was saved; paste it as plain text.',
    );
    expect((await ines.get(path).expect(200)).body).toEqual(before);
  });

  it('that stand in a course already take neither its plan nor anybody’s Desk down', async () => {
    const source = await openForWriting(server.dataFolder);
    await source.query(
      "UPDATE body SET text = ? WHERE hash IN (SELECT body_hash FROM item WHERE course_id = ? AND kind = 'page')",
      [DEEP.repeat(4), OLD],
    );
    // So that nothing that was kept of it is used again.
    await source.query('UPDATE course SET version = version + 1 WHERE id = ?', [OLD]);
    await source.destroy();
    await ines.get('/api/desk').expect(200);
    expect((await deskSentencesOf(ines))[SHELL]).toMatchObject({ sentence: { of: 236 } });
    const { body: plan } = await ines
      .post('/api/plans')
      .send({ sources: [OLD], destination: SHELL })
      .expect(201);
    await ines.get(`/api/plans/${plan.id}`).expect(200);
  });

  it('a predecessor that can’t be planned keeps its row, which says why; the others are as ever', async () => {
    const source = await openForWriting(server.dataFolder);
    await source.query("UPDATE item SET details = '{' WHERE course_id = ? AND kind = 'syllabus'", [OLD]);
    await source.query('UPDATE course SET version = version + 1 WHERE id = ?', [OLD]);
    await source.destroy();
    await ines.get('/api/desk').expect(200);
    const said = await deskSentencesOf(ines);
    expect(said[SHELL]).toEqual({
      sentence: null,
      why: 'its plan can’t be worked out: something in one of the two courses is broken; tell your administrator',
    });
    expect(Object.values(said).filter(({ sentence }) => sentence !== null).length).toBeGreaterThan(1);
  });
});

describe('a long text of the worst letters', () => {
  const LETTERS = [
    '<',
    '</',
    '<!--',
    '<a ',
    '<a href="',
    '<a on',
    ' on',
    ' onload=',
    'href=',
    '&',
    '&#',
    '<b',
    '<p>',
    '<!',
    '<?',
    '"',
    '=',
  ];
  it.each([
    ['is made storable', (text: string) => nestingOf(text) > DEEPEST_NESTING || storable(text, 'c')],
    ['is made safe to show', (text: string) => sanitise(text, 'c', () => undefined)],
  ])('%s in a time that grows as it does', (_what, make) => {
    const took = (letters: string, size: number): number => {
      const text = letters.repeat(Math.ceil(size / letters.length)).slice(0, size);
      const begun = performance.now();
      make(text);
      return performance.now() - begun;
    };
    const isSlow = (letters: string): boolean => {
      const long = took(letters, 256_000);
      return long > 600 && long / took(letters, 64_000) > 10;
    };
    expect(LETTERS.filter((letters) => isSlow(letters) && isSlow(letters))).toEqual([]);
  });
});
