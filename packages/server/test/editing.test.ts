import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { CourseView, ItemView } from '@yarin/core';
import { dumpCourse, startServer, type TestServer } from './testServer.js';

type Agent = Awaited<ReturnType<TestServer['as']>>;
const DEV = 'apc120-dev';
const SHELL = 'eco214-s27-02';

describe('editing a course', () => {
  let server: TestServer;
  let ines: Agent;
  let rhee: Agent;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
    rhee = await server.as('p-rhee');
  });
  afterAll(() => server.close());

  const item = async (key: string, course = DEV): Promise<ItemView> =>
    (await ines.get(`/api/courses/${course}/items/${encodeURIComponent(key)}`).expect(200)).body;
  const course = async (id = DEV): Promise<CourseView> => (await ines.get(`/api/courses/${id}`).expect(200)).body;
  const edit = (key: string, version: number, changes: object, agent = ines, of = DEV) =>
    agent.put(`/api/courses/${of}/items/${encodeURIComponent(key)}`).send({ version, changes });
  const keyOf = async (title: string): Promise<string> =>
    (await course()).items.find((each) => each.title === title)!.id;
  const add = async (kind: string, title: string, parent: string | null = null): Promise<string> =>
    (await ines.post(`/api/courses/${DEV}/items`).send({ kind, title, parent }).expect(201)).body.key;

  it('changes text, points, dates and details, and what leads where; what it does not name stays', async () => {
    const key = await add('assignment', 'Hive log');
    const file = (await course()).items.find(({ kind }) => kind === 'page')!;
    const { body } = await edit(key, (await item(key)).version, {
      body: `<p>See <a href="/course/${DEV}?item=${encodeURIComponent(file.id)}">this</a></p><script>x</script>`,
      points: 20,
      moments: [{ role: 'due', at: '2026-12-01T23:59' }],
      details: { attempts: 2, ways: ['file'] },
    }).expect(200);
    expect(body.takenOut).toEqual(['script']);
    const after = await item(key);
    expect(after.item).toMatchObject({
      title: 'Hive log',
      points: 20,
      details: { attempts: 2, ways: ['file'] },
      state: 'draft',
    });
    expect(after.item.moments).toMatchObject([{ role: 'due', at: '2026-12-01T23:59' }]);
    expect(after.item.links).toMatchObject([{ type: 'links', to: file.id, title: file.title }]);
    expect(after.editedBy).toBe('Ines Marant');
    const [{ text }] = await server.reading.query(
      'SELECT text FROM body JOIN item ON body_hash = hash WHERE course_id = ? AND key = ?',
      [DEV, key],
    );
    expect(text).toBe(`<p>See <a href="item:${file.id}">this</a></p>`);
    expect((await item(file.id)).usedBy).toMatchObject([{ title: 'Hive log', kind: 'assignment' }]);
    await edit(key, after.version, { body: '<p>Nothing leads anywhere.</p>', details: { attempts: null } }).expect(200);
    const later = await item(key);
    expect(later.item.links).toEqual([]);
    expect(later.item.details).toEqual({ ways: ['file'] });
    expect(later.item.points).toBe(20);
    expect(later.earlier.map(({ body: text }) => text.includes('See'))).toEqual([true, false]);
  });

  it('work goes into a category through its line; a line is made when it has none', async () => {
    const { items } = await course();
    const [category, other] = items.filter(({ kind }) => kind === 'gradeCategory').map(({ id }) => id);
    const key = await add('assignment', 'Wax', null);
    const lineOf = async (): Promise<string | undefined> =>
      (await item(key)).item.links.find(({ type }) => type === 'gradedIn')?.to;
    await edit(key, (await item(key)).version, { points: 15, category }).expect(200);
    const line = (await lineOf())!;
    expect((await item(line)).item).toMatchObject({ kind: 'lineItem', title: 'Wax', points: 15, state: 'open' });
    expect((await item(line)).item.links).toMatchObject([{ type: 'gradedIn', to: category }]);
    await edit(key, (await item(key)).version, { category: other }).expect(200);
    expect(await lineOf()).toBe(line);
    expect((await item(line)).item.links).toMatchObject([{ type: 'gradedIn', to: other }]);
    await edit(key, (await item(key)).version, { category: null }).expect(200);
    expect((await item(line)).item.links).toEqual([]);
    const { body } = await edit(key, (await item(key)).version, { category: key }).expect(422);
    expect(body.problems[0].where).toBe('/changes/category');
  });

  it('two edits at once: the second is told by whom, nothing is written over, and both texts are there', async () => {
    const key = await add('page', 'Smoker');
    const { version } = await item(key);
    await edit(key, version, { body: '<p>Mine</p>' }).expect(200);
    const { body } = await edit(key, version, { body: '<p>Theirs</p>' }, rhee).expect(409);
    expect(body.detail).toBe(
      'Ines Marant changed this at 09:00, after you opened it. Nothing was written over; both texts are here.',
    );
    const now = await item(key);
    expect(now.item.body).toBe('<p>Mine</p>');
    await edit(key, now.version, { body: '<p>Theirs</p>' }, rhee).expect(200);
    expect((await item(key)).earlier[0]).toMatchObject({ body: '<p>Mine</p>', by: 'Tomas Rhee' });
  });

  it.each<[string, object, string, string]>([
    ['a title of 300 characters', { title: 'x'.repeat(300) }, '/changes/title', 'at most 255 characters'],
    ['no title', { title: '   ' }, '/changes/title', 'at least one character'],
    [
      'a date on no calendar',
      { moments: [{ role: 'due', at: '2027-02-30T23:59' }] },
      '/changes/moments/0/at',
      'not on any calendar',
    ],
    [
      'an end before its start',
      {
        moments: [
          { role: 'starts', at: '2027-02-03T10:00' },
          { role: 'ends', at: '2027-02-03T09:00' },
        ],
      },
      '/changes/moments/1/at',
      'before it starts',
    ],
    [
      'a link to nothing',
      { links: [{ type: 'scored', to: 'nowhere' }] },
      '/changes/links/0/to',
      'not in the course any more',
    ],
    ['points below zero', { points: -1 }, '/changes/points', 'points'],
    ['a name that nobody knows', { colour: 'red' }, '/changes/colour', 'no name that is known here'],
    ['attempts in words', { details: { attempts: 'two' } }, '/changes/details/attempts', 'a number from 0 to 100'],
    ['ways that are none', { details: { ways: ['pigeon'] } }, '/changes/details/ways', 'some of file, text'],
  ])('refuses %s at its place, and changes nothing', async (_name, changes, where, words) => {
    const key = await keyOf('Hive log');
    const before = await dumpCourse(server.reading, DEV);
    const { body } = await edit(key, (await item(key)).version, changes).expect(422);
    expect(body.problems[0]).toMatchObject({ where, message: expect.stringContaining(words) });
    expect(await dumpCourse(server.reading, DEV)).toBe(before);
  });

  it('sections that the college locked stay; others can be written', async () => {
    const key = (await course(SHELL)).items.find(({ kind }) => kind === 'syllabus')!.id;
    const { version, item: syllabus } = await item(key, SHELL);
    const [locked] = syllabus.details!.sections as { title: string; body: string; locked: boolean }[];
    const own = { title: 'Boots', body: '<p onclick="x()">Bring them.</p>', locked: false };
    for (const sections of [[own], [{ ...locked, body: 'mine' }], [{ ...own, locked: true }, locked], 'none'])
      await edit(key, version, { details: { sections } }, ines, SHELL).expect(422);
    await edit(key, version, { details: { sections: [locked, own] } }, ines, SHELL).expect(200);
    expect((await item(key, SHELL)).item.details!.sections).toEqual([locked, { ...own, body: '<p>Bring them.</p>' }]);
  });

  describe('order and nesting', () => {
    const order = async (parent: string | null): Promise<string[]> =>
      (await course()).items
        .filter((each) => (each.parent ?? null) === parent && ['One', 'Two', 'Three', 'Inner'].includes(each.title))
        .map(({ title }) => title);
    const place = (key: string, to: { parent: string | null; before: string | null }) =>
      ines.put(`/api/courses/${DEV}/items/${encodeURIComponent(key)}/place`).send(to);

    it('moves before a neighbour, to the end, and into another unit; never into itself or into a page', async () => {
      const unit = await add('unit', 'Honey');
      const [one, two, three] = [
        await add('page', 'One', unit),
        await add('page', 'Two', unit),
        await add('page', 'Three', unit),
      ];
      expect(await order(unit)).toEqual(['One', 'Two', 'Three']);
      await place(three, { parent: unit, before: one }).expect(204);
      expect(await order(unit)).toEqual(['Three', 'One', 'Two']);
      await place(three, { parent: unit, before: null }).expect(204);
      expect(await order(unit)).toEqual(['One', 'Two', 'Three']);
      const inner = await add('unit', 'Inner', unit);
      await place(two, { parent: inner, before: null }).expect(204);
      expect([await order(unit), await order(inner)]).toEqual([['One', 'Three', 'Inner'], ['Two']]);
      await place(unit, { parent: inner, before: null }).expect(409);
      await place(unit, { parent: unit, before: null }).expect(409);
      await place(one, { parent: two, before: null }).expect(422);
      await place(one, { parent: unit, before: two }).expect(409);
    });
    it('the content, and so what a plan compares, stays what it was', async () => {
      const key = await keyOf('One');
      const before = await item(key);
      await place(key, { parent: null, before: null }).expect(204);
      expect((await item(key)).version).toBe(before.version);
    });
  });

  it('a thing that others need is not removed; one that nobody needs is, and comes back as it was', async () => {
    const before = (await course()).items.find(({ kind }) => kind === 'lineItem')!;
    const { body } = await ines.delete(`/api/courses/${DEV}/items/${before.id}`).expect(409);
    expect(body.detail).toContain(`would break without “${before.title}”`);
    await ines.delete(`/api/courses/${DEV}/items/${await keyOf('Honey')}`).expect(409);
    const key = await keyOf('Hive log');
    const dump = await dumpCourse(server.reading, DEV);
    await ines.delete(`/api/courses/${DEV}/items/${key}`).expect(204);
    await ines.get(`/api/courses/${DEV}/items/${key}`).expect(404);
    expect((await course()).removed).toMatchObject([{ key, title: 'Hive log' }]);
    const gone = await edit(key, 1, { title: 'Too late' }).expect(404);
    expect(gone.body.detail).toContain('was removed from the course meanwhile');
    await ines.post(`/api/courses/${DEV}/items/${key}/putBack`).expect(204);
    expect(await dumpCourse(server.reading, DEV)).toBe(dump);
    await ines.post(`/api/courses/${DEV}/items/${key}/putBack`).expect(404);
  });

  it('a copy stands behind its original as a draft, with keys, dates and a gradebook line of its own', async () => {
    const work = (await course()).items.find(
      ({ kind, links = [] }) => kind === 'assignment' && links.some(({ type }) => type === 'gradedIn'),
    )!;
    const { body } = await ines.post(`/api/courses/${DEV}/items/${work.id}/duplicate`).expect(201);
    const { items } = await course();
    const copy = items.find(({ id }) => id === body.key)!;
    const line = (of: typeof copy): string => of.links!.find(({ type }) => type === 'gradedIn')!.to;
    expect(copy).toMatchObject({
      title: `Copy of ${work.title}`,
      state: 'draft',
      points: work.points,
      parent: work.parent,
    });
    expect(line(copy)).not.toBe(line(work));
    expect(items.find(({ id }) => id === line(copy))!.kind).toBe('lineItem');
    expect(copy.moments!.map(({ role, at }) => [role, at])).toEqual(work.moments!.map(({ role, at }) => [role, at]));
    const siblings = items.filter(({ parent }) => parent === work.parent).map(({ id }) => id);
    expect(siblings[siblings.indexOf(work.id) + 1]).toBe(copy.id);
  });
  it('settings stand once: they are neither copied, nor removed, nor made again', async () => {
    const settings = (await course(SHELL)).items.find(({ kind }) => kind === 'courseSettings')!.id;
    await ines.post(`/api/courses/${SHELL}/items/${settings}/duplicate`).expect(409);
    await ines.delete(`/api/courses/${SHELL}/items/${settings}`).expect(409);
    const again = { kind: 'courseSettings', title: 'Again', parent: null };
    await ines.post(`/api/courses/${SHELL}/items`).send(again).expect(409);
  });
  it('a copied unit holds copies, and links among them lead to the copies', async () => {
    const unit = await keyOf('Honey');
    const inner = await add('page', 'Leads to One', unit);
    const target = await add('page', 'Target', unit);
    await edit(inner, (await item(inner)).version, { body: `<a href="/course/${DEV}?item=${target}">x</a>` }).expect(
      200,
    );
    const { body } = await ines.post(`/api/courses/${DEV}/items/${unit}/duplicate`).expect(201);
    const { items } = await course();
    const copies = items.filter(({ parent }) => parent === body.key);
    const copied = copies.find(({ title }) => title === 'Leads to One')!;
    expect(copied.links).toEqual([{ type: 'links', to: copies.find(({ title }) => title === 'Target')!.id }]);
  });

  it('archived, every thing is hidden; back again, each has the state that it had', async () => {
    const states = async (): Promise<string[]> => (await course()).items.map(({ state }) => state!);
    const before = await states();
    await ines.put(`/api/courses/${DEV}/archived`).send({ archived: true }).expect(204);
    expect(new Set(await states())).toEqual(new Set(['hidden']));
    await edit(await keyOf('Hive log'), 1, { title: 'x' }).expect(403);
    await ines.put(`/api/courses/${DEV}/archived`).send({ archived: true }).expect(409);
    await ines.put(`/api/courses/${DEV}/archived`).send({ archived: false }).expect(204);
    expect(await states()).toEqual(before);
  });

  it('settings of a course, with days that make sense', async () => {
    await ines.patch(`/api/courses/${SHELL}`).send({ startsOn: '2027-01-18', room: 'Haskell 9' }).expect(204);
    expect(await course(SHELL)).toMatchObject({ startsOn: '2027-01-18', summary: { room: 'Haskell 9' } });
    for (const changes of [
      { startsOn: '2027-06-01' },
      { endsOn: '2027-01-01' },
      { startsOn: '2027-02-30' },
      {},
      { title: '' },
    ])
      await ines.patch(`/api/courses/${SHELL}`).send(changes).expect(422);
    await ines.patch(`/api/courses/${SHELL}`).send({ title: 'Fresh waters' }).expect(204);
    expect((await ines.get('/api/find').query({ words: 'fresh waters' })).body.courses[0].id).toBe(SHELL);
  });

  it('a mark and a note lie beside a finished course, and the plan obeys and shows them', async () => {
    const OLD = 'eco214-s26-01';
    const key = `${OLD}.lab2`;
    await ines
      .put(`/api/courses/${OLD}/items/${key}/mark`)
      .send({ mark: 'never', note: 'Nobody liked it.' })
      .expect(204);
    expect((await item(key, OLD)).mark).toEqual({ item: key, mark: 'never', note: 'Nobody liked it.' });
    const { body: plan } = await ines.post('/api/plans').send({ sources: [OLD], destination: SHELL });
    const { body: view } = await ines.get(`/api/plans/${plan.id}`);
    expect(view.sources[0]!.source.marks).toContainEqual({ item: key, mark: 'never', note: 'Nobody liked it.' });
    const { body: desk } = await ines.get('/api/desk');
    expect(desk.notes.map(({ note }: { note: string }) => note)).toContain('Nobody liked it.');
    await ines.put(`/api/courses/${OLD}/items/${key}/mark`).send({ mark: null, note: ' ' }).expect(204);
    expect((await item(key, OLD)).mark).toBeNull();
    await ines.put(`/api/courses/${OLD}/items/${key}/mark`).send({ mark: 'maybe', note: null }).expect(422);
  });

  it('a shell made by hand holds stock, stands in its term, and can be removed while it does', async () => {
    const shell = { termId: 'term-s27', code: 'GEO', number: '406', section: '01', title: 'Peat' };
    const { body } = await ines.post('/api/shells').send(shell).expect(201);
    const made = await course(body.id);
    expect(made.summary).toMatchObject({
      madeByHand: true,
      term: 'Spring 2027',
      instructors: ['Ines Marant'],
      things: 5,
      stockThings: 5,
    });
    await ines.post('/api/shells').send(shell).expect(409);
    await ines
      .post('/api/shells')
      .send({ ...shell, section: '02', code: 'G E' })
      .expect(422);
    await ines
      .post('/api/shells')
      .send({ ...shell, section: '02', termId: 'never' })
      .expect(404);
    await (
      await server.as('p-lindqvist')
    )
      .post('/api/shells')
      .send({ ...shell, section: '02' })
      .expect(403);
    const open = made.items.find(({ kind }) => kind === 'page')!;
    await ines.delete(`/api/courses/${SHELL}`).expect(409);
    await ines.delete(`/api/courses/${body.id}`).expect(204);
    const late = await edit(open.id, 1, { title: 'Too late' }, ines, body.id).expect(404);
    expect(late.body.detail).toContain('It may have been removed meanwhile');
    expect((await ines.get('/api/find').query({ words: 'peat' })).body.total).toBe(0);
  });
});

describe('files of a course', () => {
  let server: TestServer;
  let ines: Agent;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    ines = await server.as('p-marant');
  });
  afterAll(() => server.close());
  const PNG = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
    'base64',
  );
  const ZIP = Buffer.from('UEsDBBQAAAAAAAAAIQAAAAAAAAAAAAAAAAAAAAAA', 'base64');
  const send = (bytes: Buffer, name: string) => ines.post(`/api/courses/${DEV}/files`).attach('file', bytes, name);

  it('are kept by the hash of their bytes, and come back as they were', async () => {
    const { body } = await send(PNG, 'Wächter “α”.png').expect(201);
    const back = await ines.get(`/api/courses/${DEV}/files/${body.key}`).buffer(true).expect(200);
    expect(back.body).toEqual(PNG);
    expect(back.headers['content-type']).toBe('image/png');
    const { body: item } = await ines.get(`/api/courses/${DEV}/items/${body.key}`);
    expect(item.item).toMatchObject({
      kind: 'file',
      title: 'Wächter “α”.png',
      details: { bytes: PNG.length, mediaType: 'image/png' },
    });
  });
  it('an archive that calls itself a picture is refused with its reason, and nothing is kept', async () => {
    const count = async (): Promise<number> => (await server.reading.query('SELECT count(*) AS n FROM item'))[0].n;
    const before = await count();
    const { body } = await send(ZIP, 'map.png').expect(422);
    expect(body.detail).toContain('“map.png” is named as image/png, but its bytes are those of application/zip');
    await send(Buffer.from('just words'), 'film.mp4').expect(422);
    expect(await count()).toBe(before);
  });
  it('nobody writes by hand what a file holds, and a hash that is none leads nowhere', async () => {
    const { body } = await send(Buffer.from('x'), 'x.txt').expect(201);
    const path = `/api/courses/${DEV}/items/${body.key}`;
    const { version } = (await ines.get(path)).body;
    for (const details of [{ hash: 'sha256:../session-secret' }, { mediaType: 'text/html' }, { bytes: 1 }])
      await ines.put(path).send({ version, changes: { details } }).expect(422);
    await server.writer.run('addCourse', {
      termId: 'term-s27',
      staff: [{ personId: 'p-marant', role: 'instructor' }],
      course: {
        course: { id: 'odd', code: 'ODD', number: '1', section: '01', title: 'Odd', term: 'Spring 2027' },
        calendar: { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' },
        items: [{ id: 'f', kind: 'file', title: 'f', details: { hash: 'sha256:../yarin.sqlite' } }],
      },
    });
    await ines.get('/api/courses/odd/files/odd.f').expect(404);
  });
  it('a text needs no proof of what it is; a name that is too long is told', async () => {
    await send(Buffer.from('a,b\n1,2\n'), 'table.csv').expect(201);
    await send(Buffer.from('x'), `${'x'.repeat(300)}.txt`).expect(422);
    await ines.post(`/api/courses/${DEV}/files`).expect(422);
  });
  it('a file whose bytes changed under it is not sent whole', async () => {
    const { body } = await send(Buffer.from('to be damaged'), 'notes.txt').expect(201);
    const { body: view } = await ines.get(`/api/courses/${DEV}/items/${body.key}`);
    const { writeFileSync } = await import('node:fs');
    writeFileSync(`${server.dataFolder}/files/${view.item.details.hash.replace('sha256:', '')}`, 'other bytes');
    await expect(ines.get(`/api/courses/${DEV}/files/${body.key}`)).rejects.toThrow();
  });
});
