import type { PlanView, TermCalendar } from '@yarin/core';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { dumpCourse, lastState, startServer, type TestServer } from './testServer.js';

const SHELL = 'eco214-s27-03';
const PAUSE = { from: '2027-04-01', to: '2027-04-02', label: 'Spring pause', kind: 'holiday' } as const;

describe('while the writer is busy', () => {
  let server: TestServer;
  let ines: Awaited<ReturnType<TestServer['as']>>;
  let rhee: typeof ines;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    [ines, rhee] = [await server.as('p-marant'), await server.as('p-rhee')];
  });
  afterAll(() => server.close());

  const open = async (source: string): Promise<PlanView> => {
    const { body } = await ines
      .post('/api/plans')
      .send({ sources: [source], destination: SHELL })
      .expect(201);
    return (await ines.get(`/api/plans/${body.id}`).expect(200)).body;
  };
  let count = 0;
  /** A write that takes a while, so that what is sent meanwhile waits behind it. */
  const keepBusy = (): Promise<unknown> => {
    const id = `busy${count++}`;
    const items = Array.from({ length: 3000 }, (_, at) => ({
      id: `i${at}`,
      kind: 'page' as const,
      title: `Page ${at}`,
    }));
    const course = { id, code: 'TST', number: '1', section: '01', title: 'Busy', term: 'Spring 2027' };
    const calendar = { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' };
    return server.writer.run('addCourse', { termId: 'term-s27', staff: [], course: { course, calendar, items } });
  };

  it('a change that was sent before the run is not worked in unseen: the run is refused in its own transaction', async () => {
    const plan = await open('eco214-s26-01');
    const { body } = await rhee.get('/api/calendars').expect(200);
    const spring = (body.terms as TermCalendar[]).find(({ id }) => id === 'term-s27')!;
    const before = await dumpCourse(server.reading, SHELL);
    const calendar = { ...spring.own, closures: [...spring.own.closures!, PAUSE] };
    const busy = keepBusy();
    const saving = rhee
      .put(`/api/calendars/${spring.id}`)
      .send({ version: spring.version, name: spring.name, calendar })
      .then(({ status }) => status);
    // The calendar waits behind the busy write, and the run behind the calendar: the page’s plan still looked current.
    await new Promise((resolve) => setTimeout(resolve, 60));
    const { body: run } = await ines.post(`/api/plans/${plan.id}/runs`).send({ stands: plan.stands }).expect(202);
    expect(await lastState(ines, plan.id, run.id)).toMatchObject({
      is: 'failed',
      problem: {
        status: 409,
        detail: expect.stringContaining('changed since you opened this plan. Nothing was brought'),
      },
    });
    expect(await saving).toBe(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
    await busy;
  });

  it('another plan into the same shell is told whose goes first; the same plan joins', async () => {
    const [first, second] = [await open('eco214-s26-01'), await open('geo305-f26-01')];
    const busy = keepBusy();
    const { body: run } = await ines.post(`/api/plans/${first.id}/runs`).send({}).expect(202);
    const { body: refused } = await rhee.post(`/api/plans/${second.id}/runs`).send({}).expect(409);
    expect(refused.detail).toBe(
      'Ines Marant is bringing another plan into this shell, and that goes first. Nothing of yours was brought; look again when it is done.',
    );
    const { body: same } = await rhee.post(`/api/plans/${first.id}/runs`).send({}).expect(202);
    expect(same).toEqual({ id: run.id, joined: true });
    // Watching it by the address of another plan shows nothing.
    await ines.get(`/api/plans/${second.id}/runs/${run.id}/events`).expect(404);
    expect(await lastState(ines, first.id, run.id)).toMatchObject({ is: 'done', outcome: { outcome: 'brought' } });
    await busy;
  });

  it('a run that nobody knows any more did not finish, or its record stands', async () => {
    const plan = await open('eco214-s26-01');
    const { body } = await ines.get(`/api/plans/${plan.id}/runs/lost/events`).expect(404);
    expect(body.detail).toBe('This run did not finish, and nothing was written. Press again.');
  });
});
