import type { CourseCalendarView, ItemView, TermCalendar } from '@yarin/core';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { startServer, type TestServer } from './testServer.js';

const SHELL = 'eco214-s27-02';
/** Dates that are none, or that no term has. */
const ODD_DATES = [
  '0000-00-00',
  '2027-13-45',
  '2027-02-30',
  '9999-12-31',
  '0001-01-01',
  '-001-01-01',
  '2027-1-1',
  '',
  '2027-01-11\u0000',
];

describe('odd input is refused with a sentence and never fails', () => {
  let server: TestServer;
  let ines: Awaited<ReturnType<TestServer['as']>>;
  let rhee: typeof ines;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    [ines, rhee] = [await server.as('p-marant'), await server.as('p-rhee')];
  });
  afterAll(() => server.close());

  it.each(ODD_DATES.map((date) => [encodeURI(date), date] as const))(
    'a term, a closed day and a course’s own day at “%s”',
    async (_shown, date) => {
      const { body } = await rhee.get('/api/calendars').expect(200);
      const { id, version, name, own } = (body.terms as TermCalendar[]).find((term) => term.id === 'term-s27')!;
      const closed = { from: date, to: date, kind: 'holiday' };
      const calendars = [
        { ...own, firstDay: date },
        { ...own, lastDay: date },
        { ...own, closures: [closed] },
        { ...own, swaps: [{ date, runsAs: 1 }] },
        { ...own, periods: [{ name: 'P', from: date, to: date }] },
      ];
      const view: CourseCalendarView = (await ines.get(`/api/courses/${SHELL}/calendar`).expect(200)).body;
      for (const calendar of calendars) {
        expect((await rhee.post(`/api/calendars/${id}/effect`).send({ calendar })).status).toBeLessThan(500);
        const saved = await rhee.put(`/api/calendars/${id}`).send({ version, name, calendar });
        expect([200, 409, 422]).toContain(saved.status);
        const { firstDay, lastDay, timeZone } = calendar;
        expect((await ines.post('/api/closures').send({ text: 'x', firstDay, lastDay, timeZone })).status).toBe(422);
      }
      const time = { partId: null, additions: { closures: [closed], swaps: [{ date, runsAs: 1 }] }, meetings: [] };
      const own422 = await ines.put(`/api/courses/${SHELL}/calendar`).send({ version: view.version, ...time });
      expect(own422.status).toBeLessThan(500);
      const holidays = await ines.get('/api/holidays/days').query({ country: 'US', from: date, to: date });
      expect(holidays.status).toBeLessThan(500);
    },
  );

  it('a date with the id of another thing’s date', async () => {
    const { body: made } = await ines
      .post(`/api/courses/${SHELL}/items`)
      .send({ kind: 'assignment', title: 'First', parent: null })
      .expect(201);
    const { body: second } = await ines
      .post(`/api/courses/${SHELL}/items`)
      .send({ kind: 'assignment', title: 'Second', parent: null })
      .expect(201);
    const path = (key: string): string => `/api/courses/${SHELL}/items/${encodeURIComponent(key)}`;
    const moments = [{ id: 'mine', role: 'due', at: '2027-03-01T23:59' }];
    const version = async (key: string): Promise<number> => (await ines.get(path(key))).body.version;
    const save = async (key: string, changes: object) =>
      ines.put(path(key)).send({ version: await version(key), changes });
    expect((await save(made.key, { moments })).status).toBe(200);
    const taken: ItemView = (await ines.get(path(made.key))).body;
    const other = await save(second.key, {
      moments: [{ id: taken.item.moments![0]!.id, role: 'due', at: '2027-03-02T23:59' }],
    });
    expect(other.status).toBeLessThan(500);
    const twice = await save(second.key, { moments: [...moments, ...moments] });
    expect(twice.status).toBeLessThan(500);
    expect((await ines.get(path(made.key))).body.item.moments).toEqual(taken.item.moments);
  });

  it.each(['a\u0000b.txt', '..', '/etc/passwd', '\u202Egpj.exe', 'x'.repeat(400), '', '%00', 'CON'])(
    'a file called “%s”',
    async (name) => {
      const { status } = await ines
        .post(`/api/courses/${SHELL}/files`)
        .attach('file', Buffer.from('hello'), { filename: name, contentType: 'text/plain' });
      expect(status).toBeLessThan(500);
    },
  );

  it.each(['%', '%00', '%2e%2e', '%E0%A4%A', '%F0%9F%98%80', "'", '"', ';', '\\', '%0d%0a', 'a'.repeat(3000)])(
    'the address part “%s”',
    async (part) => {
      for (const path of [
        `/api/courses/${part}`,
        `/api/courses/${SHELL}/items/${part}`,
        `/api/courses/${SHELL}/files/${part}`,
        `/api/plans/${part}`,
        `/api/calendars/${part}.ics`,
        `/api/courses?find=${part}`,
        `/api/holidays?country=${part}`,
      ])
        expect([path, (await ines.get(path)).status < 500]).toEqual([path, true]);
    },
  );
});
