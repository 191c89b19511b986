import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import supertest from 'supertest';
import { makeApp } from '../src/app.js';
import { makeClock } from '../src/clock.js';
import { CannotStart, readConfig } from '../src/config.js';
import { makeLog } from '../src/http/log.js';
import { Writer } from '../src/writer/writer.js';
import { startServer, type TestServer } from './testServer.js';

describe('a whole college behind one proxy', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startServer({ demo: true });
  });
  afterAll(() => server.close());
  const style = { order: 'dayFirst', clock: 24 };

  it('writes of other sites are refused, whatever cookie they come with; reads and the own pages are not', async () => {
    const ines = await server.as('p-marant');
    const write = (headers: Record<string, string>) => ines.patch('/api/session/dates').set(headers).send(style);
    const { body } = await write({ 'sec-fetch-site': 'cross-site' }).expect(403);
    expect(body.detail).toBe('The request came from another site. Nothing was changed.');
    await write({ 'sec-fetch-site': 'same-site' }).expect(403);
    await write({ origin: 'https://elsewhere.example' }).expect(403);
    await write({ origin: 'null' }).expect(403);
    await write({ 'sec-fetch-site': 'same-origin' }).expect(204);
    await write({ host: 'yarin.example', origin: 'https://yarin.example' }).expect(204);
    await write({}).expect(204);
    await ines.get('/api/session').set('sec-fetch-site', 'cross-site').expect(200);
  });

  it('answers are not kept by browsers or proxies', async () => {
    const ines = await server.as('p-marant');
    for (const path of ['/api/desk', '/api/nothing', '/api/session'])
      expect((await ines.get(path)).headers['cache-control']).toBe('no-store');
  });

  it('one session that asks too often waits, others of the same address do not', async () => {
    const app = makeApp(
      { ...server, clock: makeClock('2026-11-24T09:00'), log: makeLog('silent') },
      { sessionSecret: 'for tests', requestsAMinute: 20 },
    );
    const signIn = async (person: string): Promise<string> =>
      (await supertest(app).post('/api/session').send({ person }).expect(200)).headers['set-cookie']![0]!;
    const [eager, calm] = [await signIn('p-marant'), await signIn('p-brandt')];
    const ask = (cookie: string) => supertest(app).get('/api/session').set('cookie', cookie);
    for (let asked = 0; asked < 20; asked++) await ask(eager).expect(200);
    const { body, headers } = await ask(eager).expect(429);
    expect(headers['content-type']).toContain('application/problem+json');
    expect(body.detail).toBe('That was too much at once. Nothing was changed; wait a minute.');
    await ask(calm).expect(200);
  });

  it('a session that nobody used ends, one that was signed out is not revived', async () => {
    const ines = await server.as('p-marant');
    const ids = async (): Promise<string[]> =>
      (await server.reading.query('SELECT id FROM session')).map(({ id }: { id: string }) => id);
    for (const id of await ids()) await server.writer.run('touchSession', { id, expiresAt: Date.now() - 1 });
    await ines.get('/api/desk').expect(401);
    const ana = await server.as('p-brandt');
    const [own] = await server.reading.query('SELECT id FROM session WHERE expires_at > ?', [Date.now()]);
    await ana.delete('/api/session').expect(204);
    await server.writer.run('touchSession', { id: own.id, expiresAt: Date.now() + 1000 });
    expect(await ids()).not.toContain(own.id);
  });

  it('a session that is used lasts on, without a new cookie at each answer', async () => {
    const signedIn = await server.anybody.post('/api/session').send({ person: 'p-marant' }).expect(200);
    const cookie = signedIn.headers['set-cookie']!;
    const soon = Date.now() + 60_000;
    const ending = async () => server.reading.query('SELECT id, expires_at AS at FROM session ORDER BY at');
    for (const { id } of await ending()) await server.writer.run('touchSession', { id, expiresAt: soon });
    // A server that was started meanwhile does not know when it was last written.
    const app = makeApp(
      { ...server, clock: makeClock('2026-11-24T09:00'), log: makeLog('silent') },
      { sessionSecret: 'for tests' },
    );
    const { headers } = await supertest(app).get('/api/session').set('cookie', cookie).expect(200);
    expect(headers['set-cookie']).toBeUndefined();
    await server.writer.run('probe', null);
    expect((await ending()).at(-1).at).toBeGreaterThan(soon + 60 * 60_000);
  });

  it('over HTTPS the cookie is sent by that alone, and browsers are told to stay with it', async () => {
    const app = makeApp(
      { ...server, clock: makeClock('2026-11-24T09:00'), log: makeLog('silent') },
      { sessionSecret: 'for tests', isSecure: true, proxies: 1 },
    );
    const signIn = (protocol: string) =>
      supertest(app).post('/api/session').set('x-forwarded-proto', protocol).send({ person: 'p-marant' });
    const { headers } = await signIn('https').expect(200);
    expect(headers['set-cookie']![0]).toMatch(/; Secure; SameSite=Strict/);
    expect(headers['strict-transport-security']).toContain('max-age=31536000');
    expect((await signIn('http')).headers['set-cookie']).toBeUndefined();
  });

  it('every address is a page; a missing file of the application is told to be missing', async () => {
    const webFolder = mkdtempSync(join(tmpdir(), 'yarin-web-'));
    mkdirSync(join(webFolder, 'assets'));
    writeFileSync(join(webFolder, 'index.html'), '<title>Yarin</title>');
    const app = makeApp(
      { ...server, clock: makeClock('2026-11-24T09:00'), log: makeLog('silent') },
      { sessionSecret: 'for tests', webFolder },
    );
    await supertest(app).get('/plan/x/when').expect(200, '<title>Yarin</title>');
    await supertest(app).get('/course/MATH.101.02/dates').expect(200, '<title>Yarin</title>');
    await supertest(app).get('/course/MATH.101').expect(200, '<title>Yarin</title>');
    await supertest(app).get('/assets/gone-1a2b.js').expect(404);
    await supertest(app).get('/robots.txt').expect(404);
    await supertest(app).get('/%E0%A4%A').expect(400);
    await (await server.as('p-marant')).get('/api/courses/%E0%A4%A').expect(400);
    rmSync(webFolder, { recursive: true });
  });

  it('what fails is logged without the cookie', async () => {
    const lines: string[] = [];
    const log = makeLog('info', { write: (line) => void lines.push(line) });
    const broken = { ...server, clock: makeClock('2026-11-24T09:00'), log };
    const app = makeApp({ ...broken, writer: undefined as unknown as Writer }, { sessionSecret: 'for tests' });
    await supertest(app).post('/api/session').set('cookie', 'yarin=s%3Asecret.cookie').send({ person: 'p-marant' });
    expect(lines.join('')).toContain('"statusCode":500');
    expect(lines.join('')).not.toContain('secret.cookie');
  });
});

describe('a server that can’t start', () => {
  it.each([
    ['YARIN_PORT', 'x', 'YARIN_PORT has to be a port from 0 to 65535, not “x”.'],
    ['YARIN_PROXIES', '-1', 'YARIN_PROXIES has to be a number of proxies from 0 to 10, not “-1”.'],
    ['YARIN_IDLE_MINUTES', '1', 'YARIN_IDLE_MINUTES has to be minutes from 5 to 10080, not “1”.'],
  ])('%s=%s is told', (name, value, sentence) => {
    expect(() => readConfig({ [name]: value })).toThrow(new CannotStart(sentence));
  });

  it('because its database is damaged leaves the file as it is and says what to do', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'yarin-damaged-'));
    const file = join(folder, 'yarin.sqlite');
    const damaged = Buffer.alloc(40_000, 'This is no database. ');
    writeFileSync(file, damaged);
    await expect(Writer.start(folder)).rejects.toThrow(
      'The database file is damaged. Nothing was written to it; put the last backup in its place and start Yarin again.',
    );
    expect(readFileSync(file).equals(damaged)).toBe(true);
    rmSync(folder, { recursive: true });
  });

  it('ends with 1 and one sentence', () => {
    const main = fileURLToPath(new URL('../dist/main.js', import.meta.url));
    const folder = mkdtempSync(join(tmpdir(), 'yarin-secret-'));
    writeFileSync(join(folder, 'session-secret'), '');
    const started = (data: string) =>
      spawnSync(process.execPath, [main], {
        env: { ...process.env, NODE_OPTIONS: '', YARIN_DATA: data },
        encoding: 'utf8',
      });
    const secret = started(folder);
    expect([secret.status, secret.stderr]).toEqual([
      1,
      `Yarin can’t start. The secret in ${join(folder, 'session-secret')} is too short; remove the file, and a new one is made.\n`,
    ]);
    const nowhere = started('/dev/null/yarin');
    expect([nowhere.status, nowhere.stderr]).toEqual([
      1,
      'Yarin can’t start. The folder /dev/null/yarin can’t be written (ENOTDIR); set YARIN_DATA to one that can.\n',
    ]);
    rmSync(folder, { recursive: true });
  });
});
