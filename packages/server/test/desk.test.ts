import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { DeskView, PlanView } from '@yarin/core';
import { momentWords } from '@yarin/core';
import { deciding, deskSentencesOf, runPlan, startServer, type TestServer } from './testServer.js';

describe('the Desk of Ines Marant on 24 November 2026', () => {
  let server: TestServer;
  let agent: Awaited<ReturnType<TestServer['as']>>;
  let desk: DeskView;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    agent = await server.as('p-marant');
    desk = (await agent.get('/api/desk').expect(200)).body;
  });
  afterAll(() => server.close());

  it('shows her five shells of Spring 2027, each with its predecessor', () => {
    expect(desk.term).toEqual({ name: 'Spring 2027', firstDay: '2027-01-11' });
    expect(desk.shells.map(({ shell, candidates }) => `${shell.id} ← ${candidates[0]!.course.id}`)).toEqual([
      'apc120-s27-01 ← apc120-dev',
      'eco214-s27-02 ← eco214-s26-01',
      'eco214-s27-03 ← eco214-s26-01',
      'geo305-s27-01 ← geo305-f26-01',
      'prn110-s27-01 ← prn110-f25-01',
    ]);
  });
  it('has each plan worked out, and her notes to this term', async () => {
    const said = await deskSentencesOf(agent);
    expect(said['eco214-s27-02']).toEqual({
      sentence: {
        ...{ of: 236, comes: 210, places: 2, changed: 5, stands: 0, stays: 26, own: 3, takenOut: 0, holds: 213 },
        ...{ dates: { move: 134, cleared: 0, kept: 0 }, doubts: 4, toDecide: 0, leftOver: 4 },
      },
      why: null,
    });
    // Two pages of hers stand in the shell under the same names.
    expect(said['geo305-s27-01']!.sentence).toMatchObject({ of: 47, comes: 42, stands: 4, toDecide: 1 });
    expect(desk.notes.map(({ note }) => note)).toEqual([
      'Split in two; nobody finished.',
      'Ask the harbour for a later tide slot.',
    ]);
  });
  it('tells one sure predecessor from two that could be it', () => {
    expect(desk.shells.map(({ shell, verdict, candidates }) => [shell.code, verdict, candidates.length])).toEqual([
      ['APC', 'one', 3],
      ['ECO', 'one', 1],
      ['ECO', 'one', 1],
      ['GEO', 'one', 3],
      ['PRN', 'several', 2],
    ]);
  });

  describe('a dozen dates of ECO 214, read off two wall calendars', () => {
    const ROWS: [moment: string, was: string, willBe: string][] = [
      ['a1-posts', 'Thu 8 Jan 12:00', 'Thu 7 Jan 12:00'],
      ['lab1-opens', 'Mon 12 Jan 08:00', 'Tue 12 Jan 08:00'],
      ['q1-due', 'Wed 14 Jan 23:59', 'Thu 14 Jan 23:59'],
      ['q-safety-due', 'Wed 21 Jan 10:00', 'Thu 21 Jan 14:00'],
      ['lab3-due', 'Mon 2 Feb 23:59', 'Tue 2 Feb 23:59'],
      ['lab6-due', 'Wed 18 Feb 23:59', 'Fri 19 Feb 23:59'],
      ['thermo-due', 'Mon 2 Mar 23:59', 'Tue 2 Mar 23:59'],
      ['journal-draft', 'Sun 15 Mar 23:59', 'Sun 7 Mar 23:59'],
      ['q6-due', 'Wed 18 Mar 23:59', 'Thu 11 Mar 23:59'],
      ['bench9-s', 'Tue 17 Mar 09:00', 'Wed 10 Mar 09:00'],
      ['proposal-due', 'Wed 25 Mar 10:00', 'Thu 25 Mar 14:00'],
      ['poster-due', 'Tue 28 Apr 18:00', 'Wed 28 Apr 18:00'],
      ['journal-due', 'Fri 1 May 23:59', 'Fri 30 Apr 23:59'],
      ['exam-due', 'Wed 6 May 11:00', 'Wed 5 May 11:00'],
    ];
    it('stand in the new course after the run', async () => {
      const { body: plan } = await agent
        .post('/api/plans')
        .send({ sources: ['eco214-s26-01'], destination: 'eco214-s27-02' });
      await runPlan(agent, plan.id);
      const view: PlanView = (await agent.get(`/api/plans/${plan.id}`)).body;
      const at = (items: PlanView['shell']['items'], id: string): string =>
        momentWords(
          items.flatMap(({ moments = [] }) => moments).find((moment) => moment.id === `eco214-s26-01.${id}`)!.at,
        );
      expect(ROWS.map(([id]) => [id, at(view.sources[0]!.source.items, id), at(view.shell.items, id)])).toEqual(ROWS);
    });
    it('and the Desk says it is done, and that the other section was brought from the same', async () => {
      const after: DeskView = (await agent.get('/api/desk')).body;
      expect(after.shells[1]!.done).toMatchObject({ by: 'Ines Marant', at: '2026-11-24T09:00', things: 210 });
      expect(after.shells[2]!.candidates[0]!.for).toContain('usedBefore');
      expect(after.lately).toHaveLength(1);
      const said = await deskSentencesOf(agent);
      expect(said['eco214-s27-02']).toMatchObject({ sentence: { comes: 0, stands: 210, doubts: 4, leftOver: 4 } });
    });
  });
});

describe('a shell that is planned from a course of another code', () => {
  let server: TestServer;
  let agent: Awaited<ReturnType<TestServer['as']>>;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    agent = await server.as('p-marant');
  });
  afterAll(() => server.close());

  const rowOf = async (shell: string): Promise<DeskView['shells'][number]> =>
    ((await agent.get('/api/desk').expect(200)).body as DeskView).shells.find((each) => each.shell.id === shell)!;
  const begin = async (source: string): Promise<string> => {
    const { body } = await agent.post('/api/plans').send({ sources: [source], destination: 'apc120-s27-01' });
    return body.id as string;
  };
  const decide = async (id: string, choices: object): Promise<void> => {
    const view: PlanView = (await agent.get(`/api/plans/${id}`)).body;
    const changes = deciding({ ...view.decisions, choices });
    await agent.patch(`/api/plans/${id}/decisions`).send({ version: view.version, changes }).expect(200);
  };
  const told = ({ source, plan, otherPlans, done }: DeskView['shells'][number]) => ({
    source: source?.id,
    plan: plan?.id,
    others: otherPlans.map((each) => each.source.id),
    done: done === null ? null : done.things > 0,
  });

  it('stands at the Desk with that plan once somebody decided something in it, the others behind it', async () => {
    const looked = await begin('geo305-s26-01');
    expect(told(await rowOf('apc120-s27-01'))).toMatchObject({ source: 'apc120-dev', others: [] });
    await decide(looked, { kinds: { quiz: 'leave' } });
    expect(told(await rowOf('apc120-s27-01'))).toEqual({
      source: 'geo305-s26-01',
      plan: looked,
      others: [],
      done: null,
    });
    const own = await begin('apc120-dev');
    await decide(own, { kinds: { quiz: 'leave' } });
    await decide(own, {});
    expect(told(await rowOf('apc120-s27-01'))).toEqual({
      source: 'apc120-dev',
      plan: own,
      others: ['geo305-s26-01'],
      done: null,
    });
  });
  it('and with what was brought by it, until that is taken back', async () => {
    const id = await begin('geo305-s26-01');
    await runPlan(agent, id);
    expect(told(await rowOf('apc120-s27-01'))).toEqual({
      source: 'geo305-s26-01',
      plan: id,
      others: ['apc120-dev'],
      done: true,
    });
  });
});
