import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { dumpCourse, runPlan, startServer, type TestServer } from './testServer.js';

const SOURCE = 'eco214-s26-01';
const SHELL = 'eco214-s27-02';

describe('ECO 214 goes from Spring 2026 into its Spring 2027 shell', () => {
  let server: TestServer;
  let agent: Awaited<ReturnType<TestServer['as']>>;
  let planId: string;
  let shellBefore: string;
  let sourceBefore: string;
  let runId: string;

  beforeAll(async () => {
    server = await startServer({ demo: true });
    agent = await server.as('p-marant');
    shellBefore = await dumpCourse(server.reading, SHELL);
    sourceBefore = await dumpCourse(server.reading, SOURCE);
    const { body } = await agent
      .post('/api/plans')
      .send({ sources: [SOURCE], destination: SHELL })
      .expect(201);
    planId = body.id;
  });
  afterAll(() => server.close());

  it('opening the plan writes nothing into either course', async () => {
    await agent.get(`/api/plans/${planId}`).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(shellBefore);
  });

  it('brings 210 things, five of which join what the shell had, and keeps places for the outside work', async () => {
    const { id, last } = await runPlan(agent, planId);
    expect(last).toMatchObject({ is: 'done', outcome: { outcome: 'brought', runId: id } });
    runId = id;
    const { body } = await agent.get(`/api/plans/${planId}`);
    expect(body.runs[0].counts).toMatchObject({ things: 210, added: 205, changed: 5, places: 2, dates: 134 });
  });

  it('leaves the old course untouched', async () => {
    expect(await dumpCourse(server.reading, SOURCE)).toBe(sourceBefore);
  });

  it('brings no learner data, and says so with the zeros', async () => {
    const { body } = await agent.get(`/api/plans/${planId}`);
    expect(body.sources[0].learners).toMatchObject({ enrolment: 24, personalDate: 2 });
    expect(new Set(Object.values(body.runs[0].counts.learners))).toEqual(new Set([0]));
    const [{ count }] = await server.reading.query('SELECT count(*) AS count FROM learner_record WHERE course_id = ?', [
      SHELL,
    ]);
    expect(count).toBe(0);
  });

  it('has not a word of a learner, nor their id, in the new course or its texts', async () => {
    const records = await server.reading.query<{ learner: string; says: string }[]>(
      `SELECT learner_id AS learner, says FROM learner_record WHERE course_id = ? AND sort IN ('submission', 'reply')`,
      [SOURCE],
    );
    const texts = await server.reading.query<{ text: string }[]>(
      'SELECT text FROM body WHERE hash IN (SELECT body_hash FROM item WHERE course_id = ?)',
      [SHELL],
    );
    const whole = `${await dumpCourse(server.reading, SHELL)}${texts.map(({ text }) => text).join()}`;
    expect(new Set(records.map(({ says }) => says)).size).toBeGreaterThan(100);
    for (const { learner, says } of records) {
      expect(whole).not.toContain(says);
      expect(whole).not.toContain(`"${learner}"`);
    }
  });

  it('puts every unit under its heading in the old order', async () => {
    const order = async (course: string): Promise<string[]> => {
      const { body } = await agent.get(`/api/courses/${course}`);
      return body.items
        .filter((item: { parent?: string; kind: string }) => item.parent === `${SOURCE}.u3` && item.kind !== 'toolLink')
        .sort((a: { position: number }, b: { position: number }) => a.position - b.position)
        .map(({ title }: { title: string }) => title);
    };
    expect(await order(SHELL)).toEqual(await order(SOURCE));
    expect(await order(SHELL)).toContain('Lab 3: macroinvertebrate count');
  });

  it('keeps the hidden page a draft, as it needs a decision, and the evergreen welcome open', async () => {
    const { body } = await agent.get(`/api/courses/${SHELL}`);
    const state = (title: string): string => body.items.find((item: { title: string }) => item.title === title)?.state;
    expect(state('Answers to Lab 9')).toBe('draft');
    expect(state('Welcome to the water')).toBe('open');
    expect(state('Exam room')).toBeUndefined();
  });

  it('shows pictures and links of a brought page from the new course', async () => {
    const { body } = await agent.get(`/api/courses/${SHELL}/items/${SOURCE}.p3b`).expect(200);
    expect(body.item.body).toContain(`/api/courses/${SHELL}/files/${SOURCE}.f-reach-map`);
    const file = await agent.get(`/api/courses/${SHELL}/files/${SOURCE}.f-reach-map`).expect(200);
    expect(file.headers['content-type']).toBe('image/png');
    expect(file.body.subarray(1, 4).toString()).toBe('PNG');
  });

  it('does nothing on a second press', async () => {
    const before = await dumpCourse(server.reading, SHELL);
    const { last } = await runPlan(agent, planId);
    expect(last).toEqual({ is: 'done', outcome: { outcome: 'nothingToBring', runId } });
    expect(await dumpCourse(server.reading, SHELL)).toBe(before);
  });

  it('makes no double when the same pair is planned by an administrator', async () => {
    const admin = await server.as('p-rhee');
    const { body } = await admin
      .post('/api/plans')
      .send({ sources: [SOURCE], destination: SHELL })
      .expect(201);
    expect(body.id).toBe(planId);
    const { last } = await runPlan(admin, body.id);
    expect(last.outcome?.outcome).toBe('nothingToBring');
  });

  it('is taken back to the byte', async () => {
    await agent.post(`/api/runs/${runId}/takeBack`).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(shellBefore);
  });

  it('can’t be taken back twice', async () => {
    const { body } = await agent.post(`/api/runs/${runId}/takeBack`).expect(409);
    expect(body.detail).toContain('taken back already');
  });

  it('can be brought again after that, and taken back again', async () => {
    const { id, last } = await runPlan(agent, planId);
    expect(last.outcome?.outcome).toBe('brought');
    await agent.post(`/api/runs/${id}/takeBack`).expect(200);
    expect(await dumpCourse(server.reading, SHELL)).toBe(shellBefore);
  });
});
