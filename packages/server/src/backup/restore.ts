import { existsSync } from 'node:fs';
import { link, mkdir, readFile, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { checkDatabase, DATABASE_FILE, settleDatabase } from '../database/driver.js';
import { copyHashed, DATABASE_COPY, hashOf, readManifest, type Manifest } from './backup.js';
import { RUNNING } from './running.js';

/**
 * Puts a backup in the place of what a data folder holds. Everything is checked before anything is touched; the database that stood
 * there is kept beside it, files are only added.
 *
 * @returns where the database that stood there is kept; `undefined` when there was none
 * @throws a sentence when the backup is not whole, or Yarin runs on the folder
 */
export async function restoreBackup(backup: string, dataFolder: string, now: Date): Promise<string | undefined> {
  const manifest = await readManifest(backup);
  await refuseRunning(dataFolder);
  await refuseDamaged(backup, manifest);
  const staged = join(dataFolder, 'restoring');
  await rm(staged, { recursive: true, force: true });
  await mkdir(staged, { recursive: true });
  const database = join(staged, DATABASE_COPY);
  if ((await copyHashed(join(backup, DATABASE_COPY), database)) !== manifest.database)
    throw new Error('The copy of the database is not what the backup holds; is the disk full? Nothing was changed.');
  await mkdir(join(dataFolder, 'files'), { recursive: true });
  for (const name of manifest.files) {
    const to = join(dataFolder, 'files', name);
    if (existsSync(to) && (await hashOf(to)) === name) continue;
    const copied = join(staged, name);
    await copyHashed(join(backup, 'files', name), copied);
    await rename(copied, to);
  }
  const replaced = await putAside(dataFolder, now);
  // From one moment to the next the database is the other one.
  await rename(database, join(dataFolder, DATABASE_FILE));
  await rm(staged, { recursive: true });
  return replaced;
}

/** Keeps the database that stands there under another name, with nothing of it left that would go into the one that comes. */
async function putAside(dataFolder: string, now: Date): Promise<string | undefined> {
  const file = join(dataFolder, DATABASE_FILE);
  if (!existsSync(file)) return undefined;
  const kept = `${file}.before-${now.toISOString().slice(0, 19).replaceAll(':', '-')}`;
  const isSettled = await settleDatabase(dataFolder);
  await link(file, kept);
  // One that can't be opened takes along what was not yet written into it.
  for (const beside of ['-wal', '-shm'])
    if (existsSync(file + beside)) {
      if (isSettled) await rm(file + beside);
      else await rename(file + beside, kept + beside);
    }
  return kept;
}

async function refuseDamaged(backup: string, { database, files }: Manifest): Promise<void> {
  const broken = 'The backup is damaged; take another one. Nothing was changed.';
  if ((await hashOf(join(backup, DATABASE_COPY)).catch(() => '')) !== database)
    throw new Error(`The database in the backup is not what was copied. ${broken}`);
  if (!(await checkDatabase(join(backup, DATABASE_COPY)))) throw new Error(`The database is not sound. ${broken}`);
  for (const name of files)
    if ((await hashOf(join(backup, 'files', name)).catch(() => '')) !== name)
      throw new Error(`The file ${name} in the backup is not what was copied. ${broken}`);
}

async function refuseRunning(dataFolder: string): Promise<void> {
  const told = await readFile(join(dataFolder, RUNNING), 'utf8').catch(() => '');
  const process_ = Number(told.trim());
  if (!Number.isInteger(process_) || process_ <= 0 || process_ === process.pid) return;
  try {
    process.kill(process_, 0);
  } catch {
    return;
  }
  throw new Error(
    `Yarin runs on ${dataFolder} (process ${process_}). Stop it first; if it does not run any more, remove the file “${RUNNING}” there. Nothing was changed.`,
  );
}
