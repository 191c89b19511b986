import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { startServer, type TestServer } from './testServer.js';

const SPAN = { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' };
const calendar = (...lines: string[]): string =>
  ['BEGIN:VCALENDAR', 'BEGIN:VEVENT', 'UID:1', 'SUMMARY:Odd', ...lines, 'END:VEVENT', 'END:VCALENDAR'].join('\r\n');

describe('files that would keep everybody waiting', () => {
  let server: TestServer;
  let marant: Awaited<ReturnType<TestServer['as']>>;
  let rhee: Awaited<ReturnType<TestServer['as']>>;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    [marant, rhee] = [await server.as('p-marant'), await server.as('p-rhee')];
  });
  afterAll(() => server.close());

  it('a rule by the second that can never happen is refused where it stands, in both readers', async () => {
    const text = calendar('DTSTART:20270101T000000', 'RRULE:FREQ=SECONDLY;BYMONTH=2;BYMONTHDAY=30');
    const { body } = await marant
      .post('/api/closures')
      .send({ text, ...SPAN })
      .expect(200);
    expect(body).toEqual({ closures: [], unread: ['“Odd” repeats more often than daily.'] });
    const { body: found } = await marant
      .post('/api/courses/eco214-s27-02/calendar/meetings')
      .send({ text })
      .expect(200);
    expect(found).toEqual({ found: [], unread: ['Odd'] });
  });

  it('a rule whose next time takes for ever is given up after two seconds of work, while others are answered', async () => {
    // Every seventh day from a Tuesday is no Monday: no part of the rule is impossible by itself.
    const text = calendar('DTSTART:20270302T000000', 'RRULE:FREQ=DAILY;INTERVAL=7;BYDAY=MO');
    const given = marant.post('/api/closures').send({ text, ...SPAN });
    const answered = given.then((response) => response);
    let isAnswered = false;
    void answered.then(() => (isAnswered = true));
    let slowest = 0;
    let reads = 0;
    while (!isAnswered) {
      const from = performance.now();
      await rhee.get('/api/session').expect(200);
      slowest = Math.max(slowest, performance.now() - from);
      reads++;
    }
    const { status, body } = await answered;
    expect(status).toBe(422);
    expect(body.detail).toMatch(/^The file takes more than 2 seconds to read and was given up\. Nothing was kept/);
    expect(reads).toBeGreaterThan(5);
    // Were it read where requests are answered, one of them would have waited for all of it.
    expect(slowest).toBeLessThan(1900);
    // The next file is read as ever.
    const sound = calendar('DTSTART;VALUE=DATE:20270218');
    const { body: read } = await marant
      .post('/api/closures')
      .send({ text: sound, ...SPAN })
      .expect(200);
    expect(read.closures).toEqual([{ from: '2027-02-18', to: '2027-02-18', label: 'Odd', kind: 'holiday' }]);
  });

  it('a roster of junk is refused in a sentence, and nothing of it stays on the disk', async () => {
    const junk = Buffer.alloc(9 * 1024 * 1024, 'a,"b",c\n');
    const upload = ['academicSessions', 'courses', 'classes', 'users', 'enrollments'].reduce(
      (request, name) => request.attach('files', junk, `${name}.csv`),
      rhee.post('/api/roster'),
    );
    const { status, body } = await upload;
    expect(status).toBe(422);
    expect(body.detail).toMatch(/Nothing was/);
    expect(readdirSync(join(server.dataFolder, 'incoming'))).toEqual([]);
    expect((await rhee.get('/api/roster').expect(200)).body.last).not.toBeUndefined();
  });

  it('a roster of thousands of bad rows is none: its few good ones are not taken over', async () => {
    const rows = Buffer.from(`sourcedId,title\n${'x,\n'.repeat(3000)}`);
    const upload = ['academicSessions', 'courses', 'classes', 'users', 'enrollments'].reduce(
      (request, name) => request.attach('files', rows, `${name}.csv`),
      rhee.post('/api/roster'),
    );
    const { body } = await upload.expect(422);
    expect(body.detail).toBe(
      'More than 5000 rows are bad, so this is hardly a roster in OneRoster 1.1. Nothing was loaded; the first: A term needs a sourcedId and a title.',
    );
  });

  it('files that are too many megabytes together are refused before they are read', async () => {
    const large = Buffer.alloc(21 * 1024 * 1024, 'x');
    const upload = ['academicSessions', 'courses', 'classes'].reduce(
      (request, name) => request.attach('files', large, `${name}.csv`),
      rhee.post('/api/roster'),
    );
    const { body } = await upload.expect(422);
    expect(body.detail).toBe('The files of a roster may have 60 MB together; these have 63. Nothing was loaded.');
    expect(readdirSync(join(server.dataFolder, 'incoming'))).toEqual([]);
  });
});
