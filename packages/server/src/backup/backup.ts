import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, readFile, readdir, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { hashing } from '../courses/files/fileStore.js';
import { copyDatabase } from '../database/driver.js';

/** What a backup says of itself. */
export interface Manifest {
  /** Wall-clock time at which it was made, `YYYY-MM-DDTHH:mm:ss` in UTC. */
  readonly made: string;
  /** SHA-256 of the copy of the database, in hexadecimal digits. */
  readonly database: string;
  /** Names of the files, each the SHA-256 of its bytes. */
  readonly files: readonly string[];
}

export interface MadeBackup {
  readonly folder: string;
  readonly files: number;
  /** Files that are not what their names say any more; they are left out. */
  readonly damaged: readonly string[];
}

export const DATABASE_COPY = 'yarin.sqlite';
const MANIFEST = 'manifest.json';
const NAME = /^backup-\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d$/;

/**
 * Copies database and files while people work: the database as it stands at one moment, then every file that it may name.
 * It has its name when it is whole.
 *
 * @param into  the folder in which backups stand
 * @param kept  how many of them stay, the latest; all if nothing is said
 * @throws when something can't be read or written
 */
export async function makeBackup(dataFolder: string, into: string, now: Date, kept = Infinity): Promise<MadeBackup> {
  const made = now.toISOString().slice(0, 'YYYY-MM-DDTHH:mm:ss'.length);
  const folder = join(into, `backup-${made.replaceAll(':', '-')}`);
  const part = `${folder}.part`;
  try {
    const copied = await copyInto(part, dataFolder, made);
    await rename(part, folder);
    await removeOlder(into, kept);
    return { folder, ...copied };
  } catch (error) {
    await rm(part, { recursive: true, force: true });
    throw error;
  }
}

async function copyInto(part: string, dataFolder: string, made: string): Promise<Omit<MadeBackup, 'folder'>> {
  await mkdir(join(part, 'files'), { recursive: true });
  await copyDatabase(dataFolder, join(part, DATABASE_COPY));
  const names = (await readdir(join(dataFolder, 'files'))).sort();
  const files: string[] = [];
  const damaged: string[] = [];
  for (const name of names) {
    const copy = join(part, 'files', name);
    if ((await copyHashed(join(dataFolder, 'files', name), copy)) === name) files.push(name);
    else {
      damaged.push(name);
      await rm(copy);
    }
  }
  const manifest: Manifest = { made, database: await hashOf(join(part, DATABASE_COPY)), files };
  await writeFile(join(part, MANIFEST), `${JSON.stringify(manifest, null, 2)}\n`);
  return { files: files.length, damaged };
}

/** Those that stood longest make room. */
async function removeOlder(into: string, kept: number): Promise<void> {
  const others = (await readdir(into)).filter((name) => NAME.test(name)).sort();
  for (const name of others.slice(0, Math.max(0, others.length - kept)))
    await rm(join(into, name), { recursive: true });
}

/** @returns SHA-256 of the bytes, in hexadecimal digits */
export async function hashOf(path: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(path)) hash.update(chunk as Buffer);
  return hash.digest('hex');
}

/** Copies a file and says what was copied. */
export async function copyHashed(from: string, to: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(from), hashing(hash), createWriteStream(to));
  return hash.digest('hex');
}

/** @throws a sentence when it is no backup */
export async function readManifest(backup: string): Promise<Manifest> {
  const isThere = await stat(join(backup, MANIFEST)).catch(() => undefined);
  if (isThere === undefined)
    throw new Error(`There is no backup in ${backup}; name the folder that holds ${MANIFEST}.`);
  return JSON.parse(await readFile(join(backup, MANIFEST), 'utf8')) as Manifest;
}
