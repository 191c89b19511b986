import { cpSync, existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { makeBackup } from '../src/backup/backup.js';
import { msUntil } from '../src/backup/nightly.js';
import { restoreBackup } from '../src/backup/restore.js';
import { noteRunning, noteStopped } from '../src/backup/running.js';
import { dumpCourse, serverOn, startServer, type TestServer } from './testServer.js';

const NIGHT = new Date('2026-11-25T02:00:00Z');
const LATER = new Date('2026-11-26T02:00:00Z');
const COURSE = 'apc120-dev';

describe('a backup', () => {
  let server: TestServer;
  let folder: string;
  beforeAll(async () => {
    server = await startServer({ demo: true });
    folder = mkdtempSync(join(tmpdir(), 'yarin-backups-'));
  });
  afterAll(async () => {
    await server.close();
    rmSync(folder, { recursive: true, force: true });
  });

  const addPage = async (title: string): Promise<void> => {
    const ines = await server.as('p-marant');
    await ines.post(`/api/courses/${COURSE}/items`).send({ kind: 'page', title, parent: null }).expect(201);
  };
  const addFile = async (name: string, bytes: string): Promise<void> => {
    const ines = await server.as('p-marant');
    await ines.post(`/api/courses/${COURSE}/files`).attach('file', Buffer.from(bytes), name).expect(201);
  };
  /** What a data folder holds of the course, and the bytes of its files by their names. */
  const held = async (dataFolder: string) => {
    const there = await serverOn(dataFolder);
    const course = await dumpCourse(there.reading, COURSE);
    await there.close();
    const files = readdirSync(join(dataFolder, 'files')).map((name) => [
      name,
      readFileSync(join(dataFolder, 'files', name), 'utf8'),
    ]);
    return { course, files: Object.fromEntries(files) as Record<string, string> };
  };

  it('is made while people work, and brings back the moment at which it was made', async () => {
    await addPage('Before the backup');
    await addFile('hive-plan.txt', 'three frames of brood');
    const stood = await dumpCourse(server.reading, COURSE);
    // Somebody edits another course all the while.
    let isMade = false;
    const working = (async () => {
      const tomas = await server.as('p-rhee');
      for (let page = 1; !isMade; page++)
        await tomas
          .post('/api/courses/prn110-s27-01/items')
          .send({ kind: 'page', title: `Page ${page}`, parent: null })
          .expect(201);
    })();
    const made = await makeBackup(server.dataFolder, folder, NIGHT);
    isMade = true;
    await working;
    expect(made.damaged).toEqual([]);
    expect(made.folder).toBe(join(folder, 'backup-2026-11-25T02-00-00'));
    await addPage('After the backup');
    await addFile('later.txt', 'written after the backup');
    expect(await dumpCourse(server.reading, COURSE)).not.toBe(stood);

    // The drill: what a new machine has after the restore.
    const anew = mkdtempSync(join(tmpdir(), 'yarin-anew-'));
    expect(await restoreBackup(made.folder, anew, LATER)).toBeUndefined();
    const { course, files } = await held(anew);
    expect(course).toBe(stood);
    expect(Object.values(files)).toContain('three frames of brood');
    expect(Object.values(files)).not.toContain('written after the backup');
    rmSync(anew, { recursive: true });
  });

  it('restored over what is there keeps that beside it, and nothing of the later days is left in the database', async () => {
    const anew = mkdtempSync(join(tmpdir(), 'yarin-anew-'));
    const [name] = readdirSync(folder);
    await restoreBackup(join(folder, name!), anew, LATER);
    const { course: stood } = await held(anew);
    const there = await serverOn(anew);
    const ines = await there.as('p-marant');
    await ines.post(`/api/courses/${COURSE}/items`).send({ kind: 'page', title: 'Too late', parent: null }).expect(201);
    await there.close();
    const kept = await restoreBackup(join(folder, name!), anew, LATER);
    expect(kept).toBe(join(anew, 'yarin.sqlite.before-2026-11-26T02-00-00'));
    expect(existsSync(kept!)).toBe(true);
    expect((await held(anew)).course).toBe(stood);
    rmSync(anew, { recursive: true });
  });

  it('that is damaged, in its database or in one file, is refused before anything is touched', async () => {
    const [name] = readdirSync(folder);
    const bad = mkdtempSync(join(tmpdir(), 'yarin-bad-'));
    const anew = mkdtempSync(join(tmpdir(), 'yarin-anew-'));
    cpSync(join(folder, name!), bad, { recursive: true });
    const database = readFileSync(join(bad, 'yarin.sqlite'));
    const turned = Buffer.from(database);
    turned[5000]! ^= 0xff;
    writeFileSync(join(bad, 'yarin.sqlite'), turned);
    await expect(restoreBackup(bad, anew, LATER)).rejects.toThrow('The database in the backup is not what was copied.');
    writeFileSync(join(bad, 'yarin.sqlite'), database);
    const [file] = readdirSync(join(bad, 'files'));
    writeFileSync(join(bad, 'files', file!), 'something else');
    await expect(restoreBackup(bad, anew, LATER)).rejects.toThrow(
      `The file ${file} in the backup is not what was copied.`,
    );
    expect(readdirSync(anew)).toEqual([]);
    await expect(restoreBackup(tmpdir(), anew, LATER)).rejects.toThrow('There is no backup in');
    for (const each of [bad, anew]) rmSync(each, { recursive: true });
  });

  it('names a file that is not what it was, and leaves it out', async () => {
    const copy = mkdtempSync(join(tmpdir(), 'yarin-copy-'));
    const [name] = readdirSync(folder);
    await restoreBackup(join(folder, name!), copy, LATER);
    const [file] = readdirSync(join(copy, 'files'));
    writeFileSync(join(copy, 'files', file!), 'rotten');
    const into = mkdtempSync(join(tmpdir(), 'yarin-into-'));
    expect((await makeBackup(copy, into, NIGHT)).damaged).toEqual([file]);
    for (const each of [copy, into]) rmSync(each, { recursive: true });
  });

  it('makes room for itself: as many stay as are kept, the latest', async () => {
    const copy = mkdtempSync(join(tmpdir(), 'yarin-copy-'));
    const [name] = readdirSync(folder);
    await restoreBackup(join(folder, name!), copy, LATER);
    const into = mkdtempSync(join(tmpdir(), 'yarin-into-'));
    for (const day of [1, 2, 3]) await makeBackup(copy, into, new Date(`2026-12-0${day}T02:00:00Z`), 2);
    expect(readdirSync(into)).toEqual(['backup-2026-12-02T02-00-00', 'backup-2026-12-03T02-00-00']);
    for (const each of [copy, into]) rmSync(each, { recursive: true });
  });

  it('is not restored under a Yarin that runs', async () => {
    const anew = mkdtempSync(join(tmpdir(), 'yarin-anew-'));
    const [name] = readdirSync(folder);
    writeFileSync(join(anew, 'running'), String(process.ppid));
    await expect(restoreBackup(join(folder, name!), anew, LATER)).rejects.toThrow('Stop it first');
    noteRunning(anew);
    noteStopped(anew);
    await restoreBackup(join(folder, name!), anew, LATER);
    rmSync(anew, { recursive: true });
  });

  it('is made at its hour, today or tomorrow', () => {
    const morning = new Date(2026, 10, 24, 9, 0);
    expect(msUntil('09:30', morning)).toBe(30 * 60_000);
    expect(msUntil('03:00', morning)).toBe(18 * 60 * 60_000);
  });
});
