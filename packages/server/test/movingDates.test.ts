import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { formatDay, parseDay, type CalendarsView, type CourseView, type PlanView, type Redated } from '@yarin/core';
import { deciding, dumpCourse, runPlan, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
const COURSE = 'eco214-s27-02';
const PAUSE = { from: '2027-04-01', to: '2027-04-02', label: 'Storm', kind: 'holiday' } as const;

describe('the dates of a course after it was brought', () => {
  let server: TestServer;
  let marant: Agent;
  let planId: string;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    marant = await server.as('p-marant');
    const pair = { sources: ['eco214-s26-01'], destination: COURSE };
    planId = (await marant.post('/api/plans').send(pair).expect(201)).body.id;
    const { version, decisions }: PlanView = (await marant.get(`/api/plans/${planId}`).expect(200)).body;
    const byHand = { 'eco214-s26-01.journal-due': '2027-04-01T12:00' };
    await marant
      .patch(`/api/plans/${planId}/decisions`)
      .send({ version, changes: deciding({ ...decisions, byHand }) })
      .expect(200);
    await runPlan(marant, planId);
  });
  afterAll(() => server.close());

  const course = async (): Promise<CourseView> => (await marant.get(`/api/courses/${COURSE}`).expect(200)).body;
  const moments = async () =>
    new Map((await course()).items.flatMap((item) => (item.moments ?? []).map((each) => [each.id, { ...each, item }])));
  const move = async (moves: Record<string, string>, agent = marant) =>
    agent.put(`/api/courses/${COURSE}/moments`).send({ version: (await course()).summary.version, moves });
  const redated = async (): Promise<Redated> =>
    (await marant.get(`/api/courses/${COURSE}/moments/redated`).expect(200)).body;
  const changeTerm = async (closures: readonly object[]): Promise<void> => {
    const rhee = await server.as('p-rhee');
    const { terms }: CalendarsView = (await rhee.get('/api/calendars').expect(200)).body;
    const { id, version, name, own } = terms.find((term) => term.id === 'term-s27')!;
    const others = own.closures!.filter(({ label }) => label !== PAUSE.label);
    await rhee
      .put(`/api/calendars/${id}`)
      .send({ version, name, calendar: { ...own, closures: [...others, ...closures] } })
      .expect(200);
  };

  it('many move in one step, with one line in the history, and are put back to where they stood', async () => {
    const before = await moments();
    const later = [...before.values()].filter(({ at }) => at >= '2027-02-22');
    expect(later.length).toBeGreaterThan(40);
    const aWeekOn = (at: string): string => `${formatDay(parseDay(at) + 7)}${at.slice(10)}`;
    const moves = Object.fromEntries(later.map(({ id, at }) => [id, aWeekOn(at)]));
    const first = before.get('eco214-s26-01.q7-due') ?? later.find(({ role }) => role === 'due')!;
    const response = await move({ [first.id]: '2027-04-09T10:00', [later[0]!.id]: later[0]!.at });
    expect(response.status).toBe(200);
    expect(response.body.before).toEqual({ [first.id]: first.at });
    const { deeds } = await course();
    expect(deeds[0]!.what).toBe('moved 1 date on 1 thing');
    expect((await moments()).get(first.id)!.at).toBe('2027-04-09T10:00');
    await move(response.body.before);
    expect((await moments()).get(first.id)!.at).toBe(first.at);

    const whole = await move(moves);
    expect(Object.keys(whole.body.before)).toHaveLength(later.length);
    expect((await moments()).get(first.id)!.at).toBe(aWeekOn(first.at));
    await move(whole.body.before);
    expect([...(await moments()).values()].map(({ id, at }) => `${id} ${at}`)).toEqual(
      [...before.values()].map(({ id, at }) => `${id} ${at}`),
    );
  });

  it('refuses dates on no calendar, ends before their starts, what is gone and what somebody changed, and moves nothing', async () => {
    const before = await dumpCourse(server.reading, COURSE);
    const all = [...(await moments()).values()];
    const starts = all.find(
      ({ role, item }) => role === 'starts' && item.moments!.some((each) => each.role === 'ends'),
    )!;
    const due = all.find(({ role }) => role === 'due')!;
    expect((await move({ [due.id]: '2027-02-30T10:00' })).body.problems).toMatchObject([{ code: 'noSuchDate' }]);
    expect((await move({ [starts.id]: '2027-05-06T23:00' })).body.problems).toMatchObject([{ code: 'reversed' }]);
    expect((await move({ 'no-such': '2027-02-03T10:00' })).status).toBe(422);
    expect((await move({})).status).toBe(422);
    await marant
      .put(`/api/courses/${COURSE}/moments`)
      .send({ version: 1, moves: { [due.id]: '2027-02-03T10:00' } })
      .expect(409);
    await (
      await server.as('p-brandt')
    )
      .put(`/api/courses/${COURSE}/moments`)
      .send({ version: 1, moves: { [due.id]: '2027-02-03T10:00' } })
      .expect(403);
    expect(await dumpCourse(server.reading, COURSE)).toBe(before);
  });

  it('after the calendar changed it says where the plan would date things now; dates by hand stay, edited ones are told', async () => {
    await marant
      .post('/api/plans')
      .send({ sources: ['eco214-s26-01'], destination: COURSE })
      .expect(201);
    const quiet = await redated();
    const known = new Set(quiet.dates.map(({ id }) => id));
    await changeTerm([PAUSE]);
    const { brought, dates } = await redated();
    expect(brought).toBe(134);
    const fresh = dates.filter(({ id }) => !known.has(id));
    expect(fresh).toContainEqual(
      expect.objectContaining({ title: 'Quiz 7', role: 'due', is: '2027-04-01T23:59', would: '2027-03-31T23:59' }),
    );
    expect(fresh.map(({ id }) => id)).not.toContain('eco214-s26-01.journal-due');

    const quiz = fresh.find(({ title, role }) => title === 'Quiz 7' && role === 'due')!;
    const { key, version } = await (async () => {
      const { item } = (await moments()).get(quiz.id)!;
      return { key: item.id, version: item.version! };
    })();
    await marant
      .put(`/api/courses/${COURSE}/items/${key}`)
      .send({ version, changes: { title: 'Quiz 7, rivers' } })
      .expect(200);
    expect((await redated()).dates.find(({ id }) => id === quiz.id)).toMatchObject({ touched: true });
    await changeTerm([]);
  });

  it('a course into which nothing was brought has no rule to go by', async () => {
    expect((await marant.get('/api/courses/eco214-s27-03/moments/redated').expect(200)).body).toEqual({
      brought: 0,
      dates: [],
    });
    await (await server.as('p-brandt')).get('/api/courses/eco214-s27-03/moments/redated').expect(403);
  });
});

it('two sections that share a shell get dates of their own, and all of it is taken back to the byte', async () => {
  const server = await startServer({ demo: true });
  try {
    const marant = await server.as('p-marant');
    const path = `/api/courses/${COURSE}/calendar`;
    const { version, additions } = (await marant.get(path).expect(200)).body;
    const meets = (weekday: number, section: string) => ({ weekday, start: '14:00', end: '15:15', for: section });
    const meetings = [meets(2, 'A'), meets(4, 'A'), meets(1, 'B'), meets(3, 'B')];
    await marant.put(path).send({ version, partId: null, additions, meetings }).expect(204);
    const before = await dumpCourse(server.reading, COURSE);
    const pair = { sources: ['eco214-s26-01'], destination: COURSE };
    const { id } = (await marant.post('/api/plans').send(pair).expect(201)).body;
    const { last } = await runPlan(marant, id);
    const { items }: CourseView = (await marant.get(`/api/courses/${COURSE}`).expect(200)).body;
    const lab = items.find(({ title }) => title === 'Lab 3: macroinvertebrate count')!;
    const dues = lab.moments!.filter(({ role }) => role === 'due').map(({ for: section, at }) => `${section} ${at}`);
    // Mon 2 Feb 2026 is Monday of week 4: Tue 2 Feb for A, Mon 1 Feb for B.
    expect(dues.sort()).toEqual(['A 2027-02-02T23:59', 'B 2027-02-01T23:59']);
    expect((await marant.get(`/api/courses/${COURSE}/moments/redated`).expect(200)).body.dates).toEqual([]);
    await marant.post(`/api/runs/${last.outcome!.runId}/takeBack`).expect(200);
    expect(await dumpCourse(server.reading, COURSE)).toBe(before);
  } finally {
    await server.close();
  }
});
