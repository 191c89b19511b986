import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import type { CourseView, Deed, ItemView, PlanView } from '@yarin/core';
import { openForWriting } from '../src/database/driver.js';
import { dumpCourse, runPlan, serverOn, startServer, undoMigration, type TestServer } from './testServer.js';

const COURSE = 'eco214-s26-01';
const SHELL = 'eco214-s27-02';
const thing = (key: string): string => `${COURSE}.${key}`;

type Agent = Awaited<ReturnType<TestServer['as']>>;

const viewOf = async (agent: Agent, course: string): Promise<CourseView> =>
  (await agent.get(`/api/courses/${course}`).expect(200)).body;
const lastDeed = async (agent: Agent, course: string): Promise<Deed> => (await viewOf(agent, course)).deeds[0]!;
const takeDeedBack = (agent: Agent, course: string, deed: Deed) =>
  agent.post(`/api/courses/${course}/deeds/${deed.id}/takeBack`);

/** A shell with a run in it, in which somebody goes on working. */
describe('what was done to a course', () => {
  let server: TestServer;
  let ines: Agent;
  let planId: string;
  let runId: string;
  let stock: string;

  const dump = (): Promise<string> => dumpCourse(server.reading, SHELL);
  const settings = async (): Promise<unknown> => {
    const [row] = await server.reading.query<Record<string, unknown>[]>('SELECT * FROM course WHERE id = ?', [SHELL]);
    const { version: _version, ...rest } = row!;
    return rest;
  };
  const item = async (key: string): Promise<ItemView> => (await ines.get(`/api/courses/${SHELL}/items/${key}`)).body;
  const edit = async (key: string, changes: object): Promise<Deed> => {
    const { version } = await item(key);
    await ines.put(`/api/courses/${SHELL}/items/${key}`).send({ version, changes }).expect(200);
    return lastDeed(ines, SHELL);
  };
  const back = async (deed: Deed): Promise<Deed> => {
    await takeDeedBack(ines, SHELL, deed).expect(200);
    return lastDeed(ines, SHELL);
  };
  const keys = async (): Promise<string[]> => (await viewOf(ines, SHELL)).items.map(({ id }) => id).sort();

  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
  });
  afterAll(() => server.close());
  beforeEach(async () => {
    stock = await dump();
    const { body } = await ines.post('/api/plans').send({ sources: [COURSE], destination: SHELL });
    planId = body.id;
    runId = (await runPlan(ines, planId)).last.outcome!.runId;
  });
  afterEach(async () => {
    const view: PlanView = (await ines.get(`/api/plans/${planId}`).expect(200)).body;
    for (const { id, undoneAt } of view.runs)
      if (undoneAt === null) await ines.post(`/api/runs/${id}/takeBack`).send({ changed: 'go' }).expect(200);
  });

  it('is taken back to the byte, whatever it was, and done again to the byte', async () => {
    const lab = thing('lab6');
    const unit = thing('u1');
    const { summary, calendar: _calendar, ...rest } = await viewOf(ines, SHELL);
    const neighbour = rest.items.find(({ parent, id }) => parent === unit && id !== lab)!.id;
    const acts: readonly (readonly [name: string, act: () => Promise<unknown>])[] = [
      ['a title, a text, points and a category', () => edit(lab, { title: 'Lab six', body: '<p>New.</p>', points: 7 })],
      [
        'a new thing',
        () => ines.post(`/api/courses/${SHELL}/items`).send({ kind: 'page', title: 'Mine', parent: unit }),
      ],
      ['a copy', () => ines.post(`/api/courses/${SHELL}/items/${lab}/duplicate`)],
      ['a copy of a unit', () => ines.post(`/api/courses/${SHELL}/items/${unit}/duplicate`)],
      ['a move', () => ines.put(`/api/courses/${SHELL}/items/${lab}/place`).send({ parent: unit, before: neighbour })],
      [
        'dates',
        async () => {
          const { version } = (await viewOf(ines, SHELL)).summary;
          const moves = { [thing('lab6-due')]: '2027-02-17T23:59' };
          await ines.put(`/api/courses/${SHELL}/moments`).send({ version, moves }).expect(200);
        },
      ],
      ['settings', () => ines.patch(`/api/courses/${SHELL}`).send({ title: 'Streams', room: 'Haskell 2' })],
      [
        'class days and a closed day',
        async () => {
          const { version } = (await viewOf(ines, SHELL)).summary;
          const closures = [{ from: '2027-02-02', to: '2027-02-02', kind: 'holiday', label: 'Field day' }];
          const meetings = [{ weekday: 3, start: '09:00', end: '10:15' }];
          await ines
            .put(`/api/courses/${SHELL}/calendar`)
            .send({ version, partId: null, additions: { closures, swaps: [] }, meetings })
            .expect(204);
        },
      ],
      ['the archive', () => ines.put(`/api/courses/${SHELL}/archived`).send({ archived: true })],
    ];
    expect(summary.id).toBe(SHELL);
    for (const [name, act] of acts) {
      const before = [await dump(), await settings()];
      await act();
      const after = [await dump(), await settings()];
      expect([name, after]).not.toEqual([name, before]);
      const deed = await lastDeed(ines, SHELL);
      expect([name, deed.canBe]).toEqual([name, 'takenBack']);
      const taken = await back(deed);
      expect([name, await dump(), await settings()]).toEqual([name, ...before]);
      expect([name, taken.canBe, taken.what]).toEqual([name, 'doneAgain', `took back: ${deed.what}`]);
      const again = await back(taken);
      expect([name, await dump(), await settings()]).toEqual([name, ...after]);
      expect([name, again.what]).toEqual([name, `did again: ${deed.what}`]);
      const stands = (await viewOf(ines, SHELL)).deeds.find(({ id }) => id === deed.id)!;
      expect([name, stands.canBe]).toEqual([name, 'takenBack']);
      await back(stands);
      expect([name, await dump(), await settings()]).toEqual([name, ...before]);
    }
  });

  it('leaves what somebody changed beside it, and is refused where they changed the same', async () => {
    const first = await edit(thing('lab6'), { title: 'Lab six' });
    const second = await edit(thing('lab6'), { points: 7 });
    const third = await edit(thing('lab6'), { title: 'Lab VI' });
    const { body } = await takeDeedBack(ines, SHELL, first).expect(409);
    expect(body.detail).toBe(
      'Something after it (2026-11-24 09:00: changed “Lab VI”) changed the same. Take that back first.',
    );
    await back(third);
    await back(first);
    const { item: stands } = await item(thing('lab6'));
    expect(stands).toMatchObject({ title: 'Lab 6: flow and discharge', points: 7 });
    await takeDeedBack(ines, SHELL, first).expect(409);
    await back(second);
    expect((await item(thing('lab6'))).item.points).toBe(20);
  });

  it('is no change of somebody’s once it is taken back: the run is taken back unasked, and the shell is as it was', async () => {
    const title = await edit(thing('lab6'), { title: 'Lab six' });
    await ines.post(`/api/runs/${runId}/takeBack`).send({}).expect(409);
    await back(title);
    await ines.post(`/api/runs/${runId}/takeBack`).send({}).expect(200);
    expect(await dump()).toBe(stock);
  });

  it('a run is taken back from the history and done again from there, and the plan knows', async () => {
    const brought = await dump();
    const deed = (await viewOf(ines, SHELL)).deeds.find(({ what }) => what.startsWith('brought'))!;
    const taken = await back(deed);
    expect(await dump()).toBe(stock);
    const view = async (): Promise<PlanView> => (await ines.get(`/api/plans/${planId}`).expect(200)).body;
    expect((await view()).runs.every(({ undoneAt }) => undoneAt !== null)).toBe(true);
    await back(taken);
    expect(await dump()).toBe(brought);
    expect((await view()).runs.filter(({ undoneAt }) => undoneAt === null)).toMatchObject([{ id: runId }]);
    await ines.post(`/api/runs/${runId}/takeBack`).send({}).expect(200);
    expect(await dump()).toBe(stock);
  });

  it('what somebody changed goes with a run only when asked for, and comes back with it', async () => {
    await edit(thing('lab6'), { body: '<p>Two hours of my evening.</p>' });
    const worked = await dump();
    await ines.post(`/api/runs/${runId}/takeBack`).send({ changed: 'go' }).expect(200);
    expect(await dump()).toBe(stock);
    await back(await lastDeed(ines, SHELL));
    expect(await dump()).toBe(worked);
  });

  describe('a run in part', () => {
    const part = (asked: object, changed?: 'stay' | 'go') =>
      ines.post(`/api/runs/${runId}/takeBack`).send({ part: asked, ...(changed === undefined ? {} : { changed }) });

    it('a unit goes with all that it holds; the rest stays, and both come back', async () => {
      const brought = await dump();
      const { items } = await viewOf(ines, SHELL);
      const unit = items.find(({ kind, title }) => kind === 'unit' && title.includes('Field'))?.id ?? thing('u2');
      const within = items.filter(({ parent }) => parent === unit).map(({ id }) => id);
      expect(within.length).toBeGreaterThan(2);
      const { body } = await part({ keys: [unit] });
      const gone = [unit, ...within];
      const { title } = items.find(({ id }) => id === unit)!;
      const graded = items.filter(({ id }) => within.includes(id)).flatMap(({ links = [] }) => links);
      gone.push(...new Set(graded.filter(({ type }) => type === 'gradedIn').map(({ to }) => to)));
      expect(body.things).toBe(gone.length);
      expect((await keys()).filter((key) => gone.includes(key))).toEqual([]);
      const deed = await lastDeed(ines, SHELL);
      expect(deed).toMatchObject({
        what: `took back “${title}” and what belongs to it, ${gone.length} things`,
        canBe: 'doneAgain',
      });
      await back(deed);
      expect(await dump()).toBe(brought);
    });

    it('the dates alone: every thing stays, and nobody is asked about it when all goes after it', async () => {
      const were = await keys();
      const isOfRun = ({ id }: CourseView['items'][number]): boolean => id.startsWith(`${COURSE}.`);
      const before = (await viewOf(ines, SHELL)).items;
      const dated = before.filter((item) => isOfRun(item) && (item.moments ?? []).length > 0);
      const { body } = await part({ dates: true }).expect(200);
      expect(body).toEqual({ things: dated.length });
      expect(await keys()).toEqual(were);
      const { items } = await viewOf(ines, SHELL);
      const ofRun = items.filter(isOfRun);
      const undated = new Set(dated.map(({ id }) => id));
      const others = (list: CourseView['items']) => list.filter(({ id }) => !undated.has(id));
      expect(others(items)).toEqual(others(before));
      expect(ofRun.flatMap(({ moments = [] }) => moments)).toEqual([]);
      expect((await lastDeed(ines, SHELL)).what).toBe(`took the dates of ${dated.length} things back`);
      await ines.post(`/api/runs/${runId}/takeBack`).send({}).expect(200);
      expect(await dump()).toBe(stock);
    });

    it('nothing goes that what stays would break without, or that did not come with the run', async () => {
      const { items } = await viewOf(ines, SHELL);
      const quiz = items.find(({ links = [] }) => links.some(({ type }) => type === 'draws'))!;
      const bank = quiz.links!.find(({ type }) => type === 'draws')!.to;
      const stood = await dump();
      const { body } = await part({ keys: [bank] }).expect(409);
      expect(body.detail).toContain(`“${quiz.title}” would break without`);
      await part({ keys: ['none'] }).expect(404);
      await part({ keys: [] }).expect(422);
      expect(await dump()).toBe(stood);
    });

    it('is brought again by the plan, and then the run goes after that one', async () => {
      const lab = thing('lab6');
      await part({ keys: [lab] }).expect(200);
      expect((await runPlan(ines, planId)).last.outcome).toMatchObject({ outcome: 'brought' });
      expect(await keys()).toContain(lab);
      const { body } = await ines.post(`/api/runs/${runId}/takeBack`).send({}).expect(409);
      expect(body.detail).toBe(
        'A later run (2026-11-24 09:00) brought 2 of these things again. Take that one back first.',
      );
      const view: PlanView = (await ines.get(`/api/plans/${planId}`)).body;
      const second = view.runs.find(({ id, undoneAt }) => id !== runId && undoneAt === null)!;
      await ines.post(`/api/runs/${second.id}/takeBack`).send({}).expect(200);
      await ines.post(`/api/runs/${runId}/takeBack`).send({}).expect(200);
      expect(await dump()).toBe(stock);
    });
  });

  it('somebody’s own quiz that draws from a bank of the run is asked about, and keeps the bank', async () => {
    const { items } = await viewOf(ines, SHELL);
    const bank = items.find(({ kind, id }) => kind === 'questionBank' && id.startsWith(`${COURSE}.`))!;
    const own = await ines
      .post(`/api/courses/${SHELL}/items`)
      .send({ kind: 'quiz', title: 'My own quiz', parent: null })
      .expect(201);
    await edit(own.body.key, { links: [{ type: 'draws', to: bank.id, quantity: 2 }] });
    const { body } = await ines.post(`/api/runs/${runId}/takeBack`).send({}).expect(409);
    expect(body.problems).toMatchObject([{ message: 'My own quiz' }]);
    await ines.post(`/api/runs/${runId}/takeBack`).send({ changed: 'stay' }).expect(200);
    expect((await keys()).filter((key) => key.startsWith(`${COURSE}.`))).toContain(bank.id);
  });

  it('texts of before are kept with what a person wrote, whatever was taken back between', async () => {
    const stays = (await viewOf(ines, SHELL)).items.find(({ kind }) => kind === 'syllabus')!.id;
    for (const title of ['One', 'Two', 'Three']) {
      const deed = await edit(stays, { title });
      if (title === 'Two') await back(deed);
    }
    const { earlier } = await item(stays);
    expect(earlier.slice(0, 3).map(({ title }) => title)).toEqual(['One', 'Two', 'One']);
  });

  it('is as it was when everything is taken back, the last first, whatever was done in whatever order', async () => {
    const acts = [
      (at: number) => edit(choose(at), { title: `Title ${at}`, points: at % 40 }),
      (at: number) => edit(choose(at), { body: `<p>Text ${at}.</p>`, details: { attempts: at % 9 } }),
      (at: number) =>
        ines.post(`/api/courses/${SHELL}/items`).send({ kind: 'page', title: `Own ${at}`, parent: unit(at) }),
      (at: number) => ines.post(`/api/courses/${SHELL}/items/${choose(at)}/duplicate`),
      (at: number) =>
        ines.put(`/api/courses/${SHELL}/items/${choose(at)}/place`).send({ parent: unit(at), before: null }),
      (at: number) => ines.delete(`/api/courses/${SHELL}/items/${choose(at)}`),
      (at: number) => ines.patch(`/api/courses/${SHELL}`).send({ room: `Haskell ${at}`, openToLearners: at % 2 === 0 }),
      async (at: number) => {
        const { summary, items } = await viewOf(ines, SHELL);
        const dated = items.flatMap(({ moments = [] }) => moments.filter(({ role }) => role === 'due'));
        const { id } = dated[at % dated.length]!;
        await ines
          .put(`/api/courses/${SHELL}/moments`)
          .send({ version: summary.version, moves: { [id]: '2027-04-30T23:59' } });
      },
      (at: number) => ines.post(`/api/runs/${runId}/takeBack`).send({ part: { keys: [choose(at)] }, changed: 'go' }),
      () => ines.post(`/api/runs/${runId}/takeBack`).send({ part: { dates: true }, changed: 'go' }),
      () => runPlan(ines, planId),
    ];
    let here: CourseView['items'] = [];
    const choose = (at: number): string => here[at % here.length]!.id;
    const unit = (at: number): string => {
      const units = here.filter(({ kind }) => kind === 'unit');
      return units[at % units.length]!.id;
    };
    const act = fc.tuple(fc.nat(acts.length - 1), fc.nat(9999));
    await fc.assert(
      fc.asyncProperty(fc.array(act, { minLength: 3, maxLength: 9 }), async (chosen) => {
        ines = await server.as('p-marant');
        const begun = [await dump(), await settings()];
        const first = await lastDeed(ines, SHELL);
        for (const [which, at] of chosen) {
          here = (await viewOf(ines, SHELL)).items;
          // What is refused changes nothing; an act may well be.
          await Promise.resolve(acts[which]!(at)).catch(() => undefined);
        }
        const { deeds } = await viewOf(ines, SHELL);
        for (const { id } of deeds.filter((deed) => deed.id > first.id)) {
          const deed = (await viewOf(ines, SHELL)).deeds.find((each) => each.id === id)!;
          if (deed.canBe === null) continue;
          const { status, body } = await takeDeedBack(ines, SHELL, deed);
          expect([status, deed.what, body.detail]).toEqual([200, deed.what, undefined]);
        }
        expect([await dump(), await settings()]).toEqual(begun);
      }),
      { numRuns: 8, endOnFailure: true },
    );
  });

  it('is refused to who may not change the course, and for what is not in its history', async () => {
    const deed = await edit(thing('lab6'), { title: 'Lab six' });
    const other = await server.as('p-brandt');
    const { status } = await takeDeedBack(other, SHELL, deed);
    expect([403, 404]).toContain(status);
    await ines.post(`/api/courses/${SHELL}/deeds/0/takeBack`).expect(404);
    await ines.post(`/api/courses/${SHELL}/deeds/x/takeBack`).expect(404);
    await ines.post(`/api/courses/${COURSE}/deeds/${deed.id}/takeBack`).expect(403);
  });
});

describe('a history of before changes were kept whole', () => {
  let server: TestServer;
  let folder: string;
  let page: string;

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'yarin-deeds-'));
    server = await startServer({ demo: true });
    const ines = await server.as('p-marant');
    const add = { kind: 'page', title: 'First', parent: null };
    page = (await ines.post(`/api/courses/${SHELL}/items`).send(add).expect(201)).body.key;
    for (const [title, body] of [
      ['Second', '<p>two</p>'],
      ['Third', '<p>three</p>'],
    ]) {
      const { version } = (await ines.get(`/api/courses/${SHELL}/items/${page}`)).body as ItemView;
      await ines.put(`/api/courses/${SHELL}/items/${page}`).send({ version, changes: { title, body } }).expect(200);
    }
    await server.keepAs(join(folder, 'kept'));
    const older = await openForWriting(join(folder, 'kept'));
    await undoMigration(older, 'Deeds');
    const rows = await older.query('SELECT title, body_hash FROM item_revision WHERE key = ? ORDER BY version', [page]);
    expect(rows).toMatchObject([
      { title: 'First', body_hash: null },
      { title: 'Second', body_hash: expect.stringMatching(/^sha256:/) },
    ]);
    await older.destroy();
  });
  afterAll(async () => {
    await server.close();
    rmSync(folder, { recursive: true, force: true });
  });

  it('still shows the earlier texts, and says what can’t be taken back at a press', async () => {
    const newer = await serverOn(join(folder, 'kept'));
    try {
      const ines = await newer.as('p-marant');
      const { earlier }: ItemView = (await ines.get(`/api/courses/${SHELL}/items/${page}`)).body;
      expect(earlier.map(({ title, body }) => [title, body])).toEqual([
        ['Second', '<p>two</p>'],
        ['First', ''],
      ]);
      const deed = (await viewOf(ines, SHELL)).deeds.find(({ what }) => what === 'changed “Third”')!;
      expect(deed.canBe).toBeNull();
      const { body } = await takeDeedBack(ines, SHELL, deed).expect(409);
      expect(body.detail).toBe('This was done before Yarin kept what it changed; it can’t be taken back at a press.');
    } finally {
      await newer.close();
    }
  });
});
