import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { AccessView, CourseView, DeskView, FoundView, PlanView } from '@yarin/core';
import type supertest from 'supertest';
import { deciding, startServer, type TestServer } from './testServer.js';

type Agent = ReturnType<typeof supertest.agent>;

/** Kenji Oda administers Science alone; Ines Marant teaches in Science, and relief printmaking in Arts and Letters. */
describe('an administrator of one department who acts for somebody', () => {
  let server: TestServer;
  let oda: Agent;
  let ines: Agent;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    [oda, ines] = await Promise.all([server.as('p-oda'), server.as('p-marant')]);
    await oda.put('/api/session/for').send({ person: 'p-marant' }).expect(200);
  });
  afterAll(() => server.close());

  const departments = async (courseIds: readonly string[]): Promise<string[]> => {
    const rows = await server.reading.query<{ department: string | null }[]>(
      'SELECT DISTINCT department FROM course WHERE id IN (SELECT value FROM json_each(?))',
      [JSON.stringify(courseIds)],
    );
    return rows.map(({ department }) => department ?? 'none');
  };

  it('finds things and courses of the department alone, though the other finds more', async () => {
    const find = async (agent: Agent): Promise<FoundView> =>
      (await agent.get('/api/find?words=print&most=100').expect(200)).body as FoundView;
    const [hers, his] = [await find(ines), await find(oda)];
    expect(await departments(hers.things.map(({ courseId }) => courseId))).toContain('Arts and Letters');
    expect(his.things.length).toBeLessThan(hers.things.length);
    expect(
      (await departments(his.things.map(({ courseId }) => courseId))).filter((name) => name !== 'Science'),
    ).toEqual([]);
    expect((await departments(his.courses.map(({ id }) => id))).filter((name) => name !== 'Science')).toEqual([]);
  });

  it('sees on the Desk what is of the department, and who asks there', async () => {
    const brandt = await server.as('p-brandt');
    await brandt.post('/api/access').send({ course: 'prn110-s27-01', wants: 'use', words: 'For the print room.' });
    const asks = (await ines.get('/api/access').expect(200)).body as AccessView;
    const seen = (await oda.get('/api/access').expect(200)).body as AccessView;
    expect(asks.askedOfMe.some(({ course }) => course.department === 'Arts and Letters')).toBe(true);
    expect(seen.askedOfMe.filter(({ course }) => course.department !== 'Science')).toEqual([]);
    const { shells, asked } = (await oda.get('/api/desk').expect(200)).body as DeskView;
    expect(await departments(shells.map(({ shell }) => shell.id))).toEqual(['Science']);
    expect(asked.filter(({ course }) => course.department !== 'Science')).toEqual([]);
  });

  it('asks nobody in the other’s name, and leaves their recipes as they are', async () => {
    const { body } = await oda
      .post('/api/access')
      .send({ course: 'eco310-f26-01', wants: 'use', words: 'Please.' })
      .expect(403);
    expect(body.detail).toBe('Who acts for somebody asks nobody in their name; ask in your own.');
    const recipe = { name: 'As every year', isShared: false, choices: {}, knows: { kinds: [], findings: [] } };
    expect((await oda.post('/api/recipes').send(recipe)).status).not.toBe(201);
    await oda.delete('/api/recipes/none').expect(403);
  });

  it('makes shells of the department, in it, and none of another', async () => {
    const make = (code: string, number: string) =>
      oda.post('/api/shells').send({ code, number, section: '77', title: 'By hand', termId: 'term-s27' });
    const { body } = await make('PRN', '110').expect(403);
    expect(body.detail).toContain('not in Science');
    const { id } = (await make('ECO', '214').expect(201)).body as { id: string };
    expect(await departments([id])).toEqual(['Science']);
    const { id: unheard } = (await make('ZZZ', '900').expect(201)).body as { id: string };
    expect(await departments([unheard])).toEqual(['Science']);
    const { deeds } = (await oda.get(`/api/courses/${id}`).expect(200)).body as CourseView;
    expect(deeds[0]).toMatchObject({ by: 'Kenji Oda for Ines Marant', what: 'made the shell by hand' });
  });

  it('leaves in the history that a plan was opened and decided in, once a day', async () => {
    const pair = { sources: ['eco214-s26-01'], destination: 'eco214-s27-02' };
    const { id } = (await oda.post('/api/plans').send(pair).expect(201)).body as { id: string };
    const plan = (await oda.get(`/api/plans/${id}`).expect(200)).body as PlanView;
    let { version } = plan;
    for (const landing of ['draft', 'hidden'] as const) {
      const decisions = { ...plan.decisions, choices: { landing } };
      const saved = await oda
        .patch(`/api/plans/${id}/decisions`)
        .send({ version, changes: deciding(decisions) })
        .expect(200);
      version = (saved.body as { version: number }).version;
    }
    const { deeds } = (await ines.get('/api/courses/eco214-s27-02').expect(200)).body as CourseView;
    expect(deeds.filter(({ by }) => by === 'Kenji Oda for Ines Marant').map(({ what }) => what)).toEqual([
      'decided in the plan into the course',
      'opened a plan into the course',
    ]);
  });
});
