import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Calendar, CalendarEffect, CalendarsView, CourseCalendarView, PlanView, TermCalendar } from '@yarin/core';
import { deciding, dumpCourse, runPlan, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
const PAUSE = { from: '2027-04-01', to: '2027-04-02', label: 'Spring pause', kind: 'holiday' } as const;

describe('calendars', () => {
  let server: TestServer;
  let rhee: Agent;
  let marant: Agent;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    rhee = await server.as('p-rhee');
    marant = await server.as('p-marant');
  });
  afterAll(() => server.close());

  const terms = async (): Promise<readonly TermCalendar[]> =>
    ((await rhee.get('/api/calendars').expect(200)).body as CalendarsView).terms;
  const term = async (id: string): Promise<TermCalendar> => (await terms()).find((each) => each.id === id)!;
  const spring = (): Promise<TermCalendar> => term('term-s27');
  const save = (agent: Agent, { id, version, name }: TermCalendar, calendar: Calendar) =>
    agent.put(`/api/calendars/${id}`).send({ version, name, calendar });
  const open = async (source: string, destination: string): Promise<string> =>
    (
      await marant
        .post('/api/plans')
        .send({ sources: [source], destination })
        .expect(201)
    ).body.id;
  const plan = async (id: string): Promise<PlanView> => (await marant.get(`/api/plans/${id}`).expect(200)).body;

  it('everybody reads the terms; only an administrator of the whole college changes them', async () => {
    const { body } = await marant.get('/api/calendars').expect(200);
    expect(body.terms.map(({ name }: TermCalendar) => name)).toContain('Spring 2027');
    expect(body.right).toMatchObject({ may: false });
    const held = await spring();
    await save(marant, held, held.own).expect(403);
    await save(await server.as('p-oda'), held, held.own).expect(403);
    await marant.post(`/api/calendars/${held.id}/effect`).send({ calendar: held.own }).expect(403);
    await marant.delete(`/api/calendars/${held.id}`).expect(403);
    await server.anybody.get('/api/calendars').expect(401);
  });

  it('a changed calendar says first what it moves, then moves it, and says so in each plan until it was seen', async () => {
    const id = await open('eco214-s26-01', 'eco214-s27-02');
    expect((await plan(id)).calendarChange).toBeNull();
    const held = await spring();
    const calendar = { ...held.own, closures: [...held.own.closures!, PAUSE] };
    const effect: CalendarEffect = (await rhee.post(`/api/calendars/${held.id}/effect`).send({ calendar }).expect(200))
      .body;
    expect(effect).toMatchObject({ looked: 1, brought: 0, plans: [{ planId: id }] });
    expect((await plan(id)).calendarChange).toBeNull();

    const versionBefore = (await plan(id)).version;
    expect((await save(rhee, held, calendar).expect(200)).body).toEqual({ version: held.version + 1 });
    const after = await plan(id);
    expect(after.shell.calendar.closures).toContainEqual(PAUSE);
    expect(after.version).toBe(versionBefore);
    const { what, dates } = after.calendarChange!;
    expect(what).toEqual(['Spring 2027: Spring pause, 1–2 Apr, is new']);
    expect(dates).toContainEqual(
      expect.objectContaining({ title: 'Quiz 7', role: 'due', was: '2027-04-01T23:59', is: '2027-03-31T23:59' }),
    );
    expect(effect.plans[0]!.dates).toEqual(dates);

    await marant.put(`/api/plans/${id}/seen`).expect(204);
    expect((await plan(id)).calendarChange).toBeNull();
    await save(rhee, await spring(), held.own).expect(200);
    expect((await plan(id)).calendarChange!.what).toEqual(['Spring 2027: Spring pause, 1–2 Apr, is taken out']);
    await marant.put(`/api/plans/${id}/seen`).expect(204);
  });

  it('what a person did not see is not brought: a changed calendar stops the run, and the run that follows counts as seen', async () => {
    const id = await open('eco214-s26-01', 'eco214-s27-03');
    const { stands } = await plan(id);
    const held = await spring();
    await save(rhee, held, { ...held.own, closures: [...held.own.closures!, PAUSE] }).expect(200);
    const before = await dumpCourse(server.reading, 'eco214-s27-03');
    const { body } = await marant.post(`/api/plans/${id}/runs`).send({ stands }).expect(409);
    expect(body.detail).toContain('Nothing was brought');
    expect(await dumpCourse(server.reading, 'eco214-s27-03')).toBe(before);

    const changed = await plan(id);
    expect(changed.calendarChange!.what).toEqual(['Spring 2027: Spring pause, 1–2 Apr, is new']);
    const { last } = await runPlan(marant, id, changed.stands);
    expect(last.outcome!.outcome).toBe('brought');
    expect((await plan(id)).calendarChange).toBeNull();
    await marant.post(`/api/runs/${last.outcome!.runId}/takeBack`).expect(200);
    await save(rhee, await spring(), held.own).expect(200);
    await marant.put(`/api/plans/${id}/seen`).expect(204);
  });

  it('a term that takes the place of another is another state for whatever is kept by terms', async () => {
    const id = await open('geo305-f26-01', 'geo305-s27-01');
    const add = async (name: string, firstDay: string, lastDay: string): Promise<string> =>
      (await rhee.post('/api/calendars').send({ name, parentId: null, firstDay, lastDay }).expect(201)).body.id;
    const states = [(await plan(id)).stands];
    const first = await add('Spring 2028', '2028-01-10', '2028-05-05');
    states.push((await plan(id)).stands);
    await rhee.delete(`/api/calendars/${first}`).expect(204);
    states.push((await plan(id)).stands);
    const second = await add('Spring 2028', '2028-01-17', '2028-05-12');
    states.push((await plan(id)).stands);
    expect(new Set(states).size).toBe(4);
    await rhee.delete(`/api/calendars/${second}`).expect(204);
  });

  it('dates set by hand stay when the calendar changes', async () => {
    const id = await open('eco214-s26-01', 'eco214-s27-02');
    const { version, decisions } = await plan(id);
    const moment = 'eco214-s26-01.q7-due';
    const known = (await plan(id)).sources[0]!.source.items.flatMap(({ moments = [] }) => moments);
    const due = known.find(({ id: key }) => key === moment) ?? known.find(({ role }) => role === 'due')!;
    const byHand = { [due.id]: '2027-04-01T12:00' };
    await marant
      .patch(`/api/plans/${id}/decisions`)
      .send({ version, changes: deciding({ ...decisions, byHand }) })
      .expect(200);
    const held = await spring();
    await save(rhee, held, { ...held.own, closures: [...held.own.closures!, PAUSE] }).expect(200);
    expect((await plan(id)).calendarChange!.dates.map((date) => date.id)).not.toContain(due.id);
    await save(rhee, await spring(), held.own).expect(200);
    await marant.put(`/api/plans/${id}/seen`).expect(204);
  });

  it('refuses a calendar that can’t be, at its place, and somebody else’s change in between', async () => {
    const held = await spring();
    const exams = { from: '2027-05-05', to: '2027-05-12', kind: 'exams' as const };
    const { body } = await save(rhee, held, { ...held.own, closures: [exams] }).expect(422);
    expect(body.problems).toMatchObject([{ code: 'examsOutsideTerm', where: '/calendar/closures/0' }]);
    expect(body.detail).toContain('2027-05-12');
    await save(rhee, held, { ...held.own, lastDay: '2027-02-30' }).expect(422);
    await save(rhee, { ...held, name: 'Spring 2026' }, held.own).expect(422);
    await save(rhee, held, { ...held.own, firstDay: 'soon' }).expect(422);
    await save(rhee, { ...held, version: held.version - 1 }, held.own).expect(409);
    expect((await spring()).version).toBe(held.version);
  });

  it('a part inherits from its term; a course can run in it, and its finish is the part’s', async () => {
    const part = { name: 'Spring 2027, first eight weeks', parentId: 'term-s27' };
    await rhee
      .post('/api/calendars')
      .send({ ...part, firstDay: '2027-01-04', lastDay: '2027-03-05' })
      .expect(422);
    const { body } = await rhee
      .post('/api/calendars')
      .send({ ...part, firstDay: '2027-01-11', lastDay: '2027-03-05' })
      .expect(201);
    const made = await term(body.id);
    expect(made.calendar.closures!.map(({ label }) => label)).toEqual(['Founders Day', 'Charter Day']);
    await rhee
      .post('/api/calendars')
      .send({ ...part, name: 'Part of a part', parentId: body.id, firstDay: '2027-01-11', lastDay: '2027-02-05' })
      .expect(409);

    const time: CourseCalendarView = (await marant.get('/api/courses/eco214-s27-02/calendar').expect(200)).body;
    expect(time.parts.map(({ name }) => name)).toEqual([
      'Spring 2027, first eight weeks',
      'Second half of Spring 2027',
    ]);
    const { additions, meetings, version } = time;
    await marant
      .put('/api/courses/eco214-s27-02/calendar')
      .send({ partId: body.id, additions, meetings, version })
      .expect(204);
    const course = (await marant.get('/api/courses/eco214-s27-02').expect(200)).body;
    expect(course.summary.lastDay).toBe('2027-03-05');
    expect(course.calendar.lastDay).toBe('2027-03-05');
    expect(course.deeds[0].what).toContain('The term ends Fri 5 Mar, it was Fri 7 May');
    await rhee.delete(`/api/calendars/${body.id}`).expect(409);

    // A term that no longer holds its part is refused, with the name of the part.
    const held = await spring();
    const refusal = await save(rhee, held, { ...held.own, firstDay: '2027-01-18' }).expect(422);
    expect(refusal.body.detail).toContain('Spring 2027, first eight weeks');

    await marant
      .put('/api/courses/eco214-s27-02/calendar')
      .send({ partId: null, additions, meetings, version: version + 1 })
      .expect(204);
    await rhee.delete(`/api/calendars/${body.id}`).expect(204);
    expect((await terms()).some(({ id }) => id === body.id)).toBe(false);
  });

  it('an instructor sets class days and what is closed for the course alone; plans of it say what that moves', async () => {
    const id = await open('eco214-s26-01', 'eco214-s27-03');
    const path = '/api/courses/eco214-s27-03/calendar';
    const { meetings, version }: CourseCalendarView = (await marant.get(path).expect(200)).body;
    const friday = { weekday: 5, start: '09:00', end: '11:50', series: 'lab', weeks: [1, 3, 5], room: 'Pit 2' };
    const time = {
      partId: null,
      additions: { closures: [{ ...PAUSE, label: 'Field days' }], swaps: [{ date: '2027-04-06', runsAs: 5 }] },
      meetings: [...meetings, friday],
    };
    const effect = (await marant.post(`${path}/effect`).send(time).expect(200)).body as CalendarEffect;
    expect(effect.plans.map(({ planId }) => planId)).toEqual([id]);
    await (
      await server.as('p-brandt')
    )
      .put(path)
      .send({ version, ...time })
      .expect(403);
    await marant
      .put(path)
      .send({ version, ...time })
      .expect(204);
    await marant
      .put(path)
      .send({ version, ...time })
      .expect(409);
    const { calendarChange, shell } = await plan(id);
    expect(shell.meetings).toContainEqual(friday);
    expect(calendarChange!.what).toEqual([
      'Spring 2027: Field days, 1–2 Apr, is new',
      'Spring 2027: Tue 6 Apr runs as Fri',
      expect.stringContaining('Class meets'),
    ]);
    expect(calendarChange!.dates).toEqual(effect.plans[0]!.dates);
    expect((await spring()).own.closures).not.toContainEqual(expect.objectContaining({ label: 'Field days' }));

    const reversed = { ...time, version: version + 1, meetings: [{ ...friday, end: '08:00' }] };
    const { body } = await marant.put(path).send(reversed).expect(422);
    expect(body.problems).toMatchObject([{ code: 'reversedMeeting', where: '/meetings/0/end' }]);
    await marant
      .put('/api/courses/eco214-s26-01/calendar')
      .send({ ...time, version: 1 })
      .expect(403);
  });

  it('a term goes out as a calendar file that is read back as it is', async () => {
    const held = await spring();
    const { text, headers } = await marant.get(`/api/calendars/${held.id}.ics`).expect(200);
    expect(headers['content-disposition']).toBe('attachment; filename="Spring 2027.ics"');
    const { firstDay, lastDay, timeZone, closures } = held.calendar;
    const { body } = await marant.post('/api/closures').send({ text, firstDay, lastDay, timeZone }).expect(200);
    expect(body.closures).toEqual(closures);
    await marant.get('/api/calendars/term-none.ics').expect(404);
    await server.anybody.get(`/api/calendars/${held.id}.ics`).expect(401);
  });

  it('class meetings are read from a timetable for the term of the course, by who may change it', async () => {
    const text = [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'BEGIN:VEVENT',
      'UID:1',
      'SUMMARY:ECO 214',
      'DTSTART:20270111T100000',
      'DTEND:20270111T111500',
      'RRULE:FREQ=WEEKLY;BYDAY=MO,WE;UNTIL=20270430T235959',
      'END:VEVENT',
      'END:VCALENDAR',
    ].join('\r\n');
    const path = '/api/courses/eco214-s27-02/calendar/meetings';
    const { body } = await marant.post(path).send({ text }).expect(200);
    expect(body.found).toEqual([
      { name: 'ECO 214', meeting: { weekday: 1, start: '10:00', end: '11:15' } },
      { name: 'ECO 214', meeting: { weekday: 3, start: '10:00', end: '11:15' } },
    ]);
    await marant.post(path).send({ text: 'hello' }).expect(422);
    await marant.post(path).send({}).expect(422);
    await marant.post('/api/courses/eco214-s26-01/calendar/meetings').send({ text }).expect(403);
  });

  it('closed days are read from a file and a region, and nothing is written by reading', async () => {
    const span = { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' };
    await marant
      .post('/api/closures')
      .send({ ...span, text: 'no calendar' })
      .expect(422);
    const { body } = await marant
      .get('/api/holidays/days?country=US&region=IL&from=2027-01-11&to=2027-05-07')
      .expect(200);
    expect(body.closures[0]).toMatchObject({ from: '2027-01-18', kind: 'holiday' });
    await marant.get('/api/holidays/days?country=XX&from=2027-01-11&to=2027-05-07').expect(422);
    await marant.get('/api/holidays/days?country=US&from=2027-05-07&to=2027-01-11').expect(422);
    await marant.get('/api/holidays/days?country=US&from=2027-01-11&to=9999-12-31').expect(422);
  });

  it('a plan that was brought is counted; what stands in the course keeps its dates', async () => {
    const id = await open('eco214-s26-01', 'eco214-s27-02');
    await runPlan(marant, id);
    const before = (await marant.get('/api/courses/eco214-s27-02').expect(200)).body.items;
    const held = await spring();
    const calendar = { ...held.own, closures: [...held.own.closures!, PAUSE] };
    const effect = (await rhee.post(`/api/calendars/${held.id}/effect`).send({ calendar }).expect(200)).body;
    expect(effect.brought).toBe(1);
    await save(rhee, held, calendar).expect(200);
    expect((await marant.get('/api/courses/eco214-s27-02').expect(200)).body.items).toEqual(before);
  });
});
