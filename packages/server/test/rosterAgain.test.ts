import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { ROSTER_FILES } from '@yarin/formats';
import { startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
type Files = Record<string, string>;

const demo = (): Files =>
  Object.fromEntries(
    ROSTER_FILES.map((name) => [
      name,
      readFileSync(fileURLToPath(new URL(`../../../demo/roster/${name}.csv`, import.meta.url)), 'utf8'),
    ]),
  );
const change = (files: Files, name: string, from: string | RegExp, to: string): Files => ({
  ...files,
  [name]: files[name]!.replace(from, to),
});

describe('loading the roster again', () => {
  let server: TestServer;
  let rhee: Agent;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    rhee = await server.as('p-rhee');
  });
  afterAll(() => server.close());
  const load = (files: Files, agent = rhee) =>
    Object.entries(files).reduce(
      (request, [name, text]) => request.attach('files', Buffer.from(text), `${name}.csv`),
      agent.post('/api/roster'),
    );
  const counts = async (): Promise<unknown> => {
    const tables = ['course', 'person', 'term', 'course_staff', 'item', 'former_code'];
    return Promise.all(
      tables.map(async (table) => (await server.reading.query(`SELECT count(*) AS n FROM ${table}`))[0].n),
    );
  };
  let files = demo();

  it('the same roster changes nothing and doubles nothing', async () => {
    const before = await counts();
    const { body } = await load(files).expect(200);
    expect(body).toMatchObject({
      by: 'Tomas Rhee',
      terms: { added: 0, changed: 0 },
      people: { added: 0, changed: 0 },
      sections: { added: 0, changed: 0, cancelled: 0 },
      learnersDropped: { people: 24, enrolments: 24 },
      notices: [],
      problems: [],
    });
    expect(await counts()).toEqual(before);
  });

  it('leaves how somebody reads dates, also when the roster knows them otherwise', async () => {
    const marant = await server.as('p-marant');
    await marant.patch('/api/session/dates').send({ order: 'monthFirst', clock: 12 }).expect(204);
    const renamed = change(files, 'users', 'Marant', 'Marant-Leigh');
    expect((await load(renamed).expect(200)).body.people).toEqual({ added: 0, changed: 1 });
    const { body } = await marant.get('/api/session').expect(200);
    expect(body.person.name).toBe('Ines Marant-Leigh');
    expect(body.dates).toEqual({ order: 'monthFirst', clock: 12 });
    await load(files).expect(200);
  });

  it('says another instructor, a cancelled and an added section, a new code and a new room, where they touch a course', async () => {
    files = change(
      files,
      'enrollments',
      'prn110-s27-01,org-main,p-marant,teacher',
      'prn110-s27-01,org-main,p-brandt,teacher',
    );
    files = change(files, 'classes', 'eco214-s27-03,active', 'eco214-s27-03,tobedeleted');
    files = change(
      files,
      'classes',
      /$/,
      'geo305-s27-02,active,,Soil Survey,,course-geo305,GEO 305-02,scheduled,Pit 2,org-main,term-s27,,,\n',
    );
    files = change(files, 'courses', 'Hand Weaving,TEX 130', 'Hand Weaving,TEX 131');
    files = change(files, 'classes', 'ECO 214-02,scheduled,Haskell 120', 'ECO 214-02,scheduled,Haskell 9');
    const { body } = await load(files).expect(200);
    expect(body.sections).toEqual({ added: 1, changed: 4, cancelled: 1 });
    const said = new Map<string, string>(
      body.notices.map(({ courseId, sentence }: { courseId: string; sentence: string }) => [courseId, sentence]),
    );
    expect(said.get('geo305-s27-02')).toBe('The registrar added the section GEO 305-02.');
    expect(said.get('eco214-s27-03')).toBe('The registrar took the section off: ECO 214-03.');
    expect(said.get('eco214-s27-02')).toBe('ECO 214-02 meets in Haskell 9, no longer in Haskell 120.');
    expect(said.get('tex130-s27-01')).toBe('TEX 130 is called TEX 131 now.');
    expect(
      body.notices
        .filter(({ courseId }: { courseId: string }) => courseId === 'prn110-s27-01')
        .map(({ sentence }: { sentence: string }) => sentence),
    ).toEqual(['Ana Brandt is instructor of PRN 110-01 now.', 'Ines Marant is no longer instructor of PRN 110-01.']);
  });
  it('the shells follow: the Desk of who teaches now, the new section with its stock, found by its new code', async () => {
    const ana = await server.as('p-brandt');
    const { body: desk } = await ana.get('/api/desk').expect(200);
    expect(desk.shells.map(({ shell }: { shell: { id: string } }) => shell.id)).toContain('prn110-s27-01');
    expect(desk.notices.map(({ sentence }: { sentence: string }) => sentence)).toContain(
      'Ana Brandt is instructor of PRN 110-01 now.',
    );
    expect((await rhee.get('/api/courses/geo305-s27-02')).body.summary).toMatchObject({
      things: 5,
      room: 'Pit 2',
      department: 'Science',
    });
    expect((await rhee.get('/api/find').query({ words: 'tex131' })).body.total).toBe(3);
  });
  it('and loaded once more it changes nothing again', async () => {
    const before = await counts();
    const { body } = await load(files).expect(200);
    expect([body.sections, body.notices]).toEqual([{ added: 0, changed: 0, cancelled: 0 }, []]);
    expect(await counts()).toEqual(before);
  });
  it('a term that moved makes its plans compute anew', async () => {
    const version = async (): Promise<number> =>
      (await rhee.get('/api/courses/eco214-s27-02').expect(200)).body.summary.version;
    const before = await version();
    const { body } = await load(change(files, 'academicSessions', '2027-05-07', '2027-05-14')).expect(200);
    expect(body.terms).toEqual({ added: 0, changed: 1 });
    expect(await version()).toBe(before + 1);
    expect((await rhee.get('/api/courses/eco214-s27-02')).body.calendar.lastDay).toBe('2027-05-14');
    await load(files).expect(200);
  });
  it('keeps the good rows and tells the bad ones by line', async () => {
    const bad = change(
      files,
      'classes',
      /$/,
      'geo305-s27-03,active,,Soil,,course-none,GEO 305-03,scheduled,,org-main,term-s27,,,\ngeo305-s27-04,active,,Soil Survey,,course-geo305,GEO 305-04,scheduled,,org-main,term-s27,,,\n',
    );
    const { body } = await load(bad).expect(200);
    expect(body.sections.added).toBe(1);
    expect(body.problems).toMatchObject([{ code: 'noSuchCourse', where: '/classes.csv/58' }]);
    expect((await rhee.get('/api/roster')).body.last.problems).toHaveLength(1);
  });
  it('is for administrators of the whole college, and needs its files', async () => {
    for (const person of ['p-marant', 'p-oda']) await load(files, await server.as(person)).expect(403);
    const { classes: _classes, ...rest } = files;
    expect((await load(rest).expect(422)).body.detail).toContain('classes.csv is missing. Nothing was loaded.');
  });
  it('a file that is too large is told, and nothing is loaded', async () => {
    const { body } = await rhee
      .post('/api/roster')
      .attach('files', Buffer.alloc(31 * 1024 * 1024), 'classes.csv')
      .expect(422);
    expect(body.detail).toContain('larger than may be added');
  });
  it('a former code of the roster leads to the predecessor', async () => {
    const dane = await server.as('p-dane');
    const { body } = await dane.get('/api/courses/phy115-s27-01/pair').query({ as: 'shell' }).expect(200);
    expect(
      body.candidates.map(({ course, for: reasons }: { course: { id: string }; for: string[] }) => [
        course.id,
        reasons.includes('formerCode'),
      ]),
    ).toEqual([
      ['phy115-s26-01', false],
      ['phy115-f25-01', true],
    ]);
  });
});

describe('making a pair', () => {
  let server: TestServer;
  beforeAll(async () => void (server = await startServer({ demo: true })));
  afterAll(() => server.close());

  it('from the shell: what it holds, what was brought, and who could be its predecessor', async () => {
    const ines = await server.as('p-marant');
    const { body } = await ines.get('/api/courses/prn110-s27-01/pair').query({ as: 'shell' }).expect(200);
    expect(body).toMatchObject({ verdict: 'several', brought: [], byHand: 0 });
    expect(
      body.candidates.map(
        ({ course, for: f, against }: { course: { id: string }; for: string[]; against: string[] }) => [
          course.id,
          f,
          against,
        ],
      ),
    ).toEqual([
      ['prn110-f25-01', ['sameCourse', 'yours', 'sameCampus'], ['olderRun']],
      ['prn110-s26-01', ['sameCourse', 'latestRun', 'sameCampus'], ['notYours']],
    ]);
  });
  it('from the old course: the shells it could go to, the same course first', async () => {
    const ines = await server.as('p-marant');
    const { body } = await ines.get('/api/courses/eco214-s26-01/pair').query({ as: 'source' }).expect(200);
    expect(body.candidates.map(({ course }: { course: { id: string } }) => course.id).slice(0, 2)).toEqual([
      'eco214-s27-02',
      'eco214-s27-03',
    ]);
    expect(body.candidates.every(({ course }: { course: { lastDay: string } }) => course.lastDay >= '2026-11-24')).toBe(
      true,
    );
  });
  it('what a person made in the shell without Yarin is counted', async () => {
    const { reading } = server;
    const [row] = await reading.query(
      `SELECT course_id AS id, count(*) AS things FROM item WHERE course_id LIKE '%s27%' AND edited_at IS NOT NULL GROUP BY course_id ORDER BY things DESC LIMIT 1`,
    );
    const { body } = await (
      await server.as('p-rhee')
    )
      .get(`/api/courses/${row.id}/pair`)
      .query({ as: 'shell' })
      .expect(200);
    expect(body.byHand).toBe(row.things);
  });
  it('earlier runs that the person may not use are named with whom to ask', async () => {
    const ana = await server.as('p-brandt');
    const { body } = await ana.get('/api/courses/tex130-s27-01/pair').query({ as: 'shell' }).expect(200);
    expect([body.verdict, body.candidates]).toEqual(['none', []]);
    expect(body.askable.map(({ course, why }: { course: { id: string }; why: string }) => [course.id, why])).toEqual([
      ['tex130-s26-01', 'TEX 130-01 (Spring 2026) belongs to Marta Valli. Ask them to open it for reuse.'],
      ['tex130-f25-01', 'TEX 130-01 (Fall 2025) belongs to Marta Valli. Ask them to open it for reuse.'],
    ]);
  });
  it('a side that is none is refused', async () => {
    await (await server.as('p-marant')).get('/api/courses/eco214-s26-01/pair').query({ as: 'left' }).expect(422);
  });
});
