import 'reflect-metadata';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { DataSource, type DataSourceOptions } from 'typeorm';
import { ENTITIES } from './entities/index.js';
import { FirstTables1764057600000 } from './migrations/1764057600000-FirstTables.js';
import { PeopleAndEditing1764144000000 } from './migrations/1764144000000-PeopleAndEditing.js';
import { Recipes1764230400000 } from './migrations/1764230400000-Recipes.js';
import { Calendars1764403200000 } from './migrations/1764403200000-Calendars.js';
import { DateStyles1764489600000 } from './migrations/1764489600000-DateStyles.js';
import { Counting1764576000000 } from './migrations/1764576000000-Counting.js';
import { DeskLists1764662400000 } from './migrations/1764662400000-DeskLists.js';
import { Journals1764748800000 } from './migrations/1764748800000-Journals.js';
import { Deeds1764835200000 } from './migrations/1764835200000-Deeds.js';
import { FoundByMore1764921600000 } from './migrations/1764921600000-FoundByMore.js';
import { LetInUnasked1765008000000 } from './migrations/1765008000000-LetInUnasked.js';
import { Fixes1765180800000 } from './migrations/1765180800000-Fixes.js';
import { SetUpPlans1765094400000 } from './migrations/1765094400000-SetUpPlans.js';
import { SeveralSources1764316800000 } from './migrations/1764316800000-SeveralSources.js';

/** The database within a data folder. */
export const DATABASE_FILE = 'yarin.sqlite';
const databaseFile = (dataFolder: string): string => join(dataFolder, DATABASE_FILE);

/** The one place that names the database driver and what differs by database. */
function options(dataFolder: string): DataSourceOptions {
  return {
    type: 'better-sqlite3',
    database: databaseFile(dataFolder),
    enableWAL: true,
    entities: ENTITIES,
    migrations: [
      FirstTables1764057600000,
      PeopleAndEditing1764144000000,
      Recipes1764230400000,
      SeveralSources1764316800000,
      Calendars1764403200000,
      DateStyles1764489600000,
      Counting1764576000000,
      DeskLists1764662400000,
      Journals1764748800000,
      Deeds1764835200000,
      FoundByMore1764921600000,
      LetInUnasked1765008000000,
      SetUpPlans1765094400000,
      Fixes1765180800000,
    ],
    migrationsTableName: 'migration',
    synchronize: false,
    logging: false,
  };
}

const DAMAGED =
  'The database file is damaged. Nothing was written to it; put the last backup in its place and start Yarin again.';

/** A connection that changes nothing, not even beside the file. */
const forLooking = (database: string): DataSource =>
  new DataSource({ ...options(''), database, enableWAL: false, readonly: true } as DataSourceOptions);

/** Looks through the database before anything is written: a damaged file is left as it is. */
async function refuseDamaged(dataFolder: string): Promise<void> {
  if (!existsSync(databaseFile(dataFolder))) return;
  const looking = forLooking(databaseFile(dataFolder));
  try {
    await looking.initialize();
    const found = await looking.query<{ quick_check: string }[]>('PRAGMA quick_check(1)');
    if (found[0]?.quick_check !== 'ok') throw new Error(DAMAGED);
  } catch (error) {
    throw whyUnwritable(error) === 'broken' ? new Error(DAMAGED) : error;
  } finally {
    if (looking.isInitialized) await looking.destroy();
  }
}

/** Whether every page and every reference of a database file is sound. */
export async function checkDatabase(file: string): Promise<boolean> {
  const looking = forLooking(file);
  try {
    await looking.initialize();
    const pages = await looking.query<{ integrity_check: string }[]>('PRAGMA integrity_check');
    const lost = await looking.query<unknown[]>('PRAGMA foreign_key_check');
    return pages.length === 1 && pages[0]!.integrity_check === 'ok' && lost.length === 0;
  } catch {
    return false;
  } finally {
    if (looking.isInitialized) await looking.destroy();
  }
}

/** Copies the database as it stands at one moment, while others write. */
export async function copyDatabase(dataFolder: string, to: string): Promise<void> {
  if (!existsSync(databaseFile(dataFolder))) throw new Error(`There is no database in ${dataFolder}.`);
  const source = await new DataSource(options(dataFolder)).initialize();
  try {
    await source.query('PRAGMA busy_timeout = 30000');
    await source.query('VACUUM INTO ?', [to]);
  } finally {
    await source.destroy();
  }
}

/** Writes into the file what stands beside it, so that the file alone is the database; `false` when it can't be opened. */
export async function settleDatabase(dataFolder: string): Promise<boolean> {
  try {
    const source = await new DataSource(options(dataFolder)).initialize();
    await source.query('PRAGMA wal_checkpoint(TRUNCATE)');
    await source.destroy();
    return true;
  } catch {
    return false;
  }
}

/**
 * The writing connection: only the writer thread opens it. Brings the tables up to date.
 *
 * @throws when the file is damaged, with a sentence that says what to do
 */
export async function openForWriting(dataFolder: string): Promise<DataSource> {
  await refuseDamaged(dataFolder);
  const source = await new DataSource(options(dataFolder)).initialize();
  await source.query('PRAGMA foreign_keys = ON');
  await source.query('PRAGMA synchronous = NORMAL');
  await source.query('PRAGMA busy_timeout = 5000');
  await source.runMigrations({ transaction: 'each' });
  return source;
}

/** Whether a connection is within a transaction. */
export const isInTransaction = ({ driver }: DataSource): boolean =>
  (driver as unknown as { readonly databaseConnection: { readonly inTransaction: boolean } }).databaseConnection
    .inTransaction;

const UNWRITABLE: readonly (readonly [why: 'held' | 'full' | 'broken', codes: RegExp])[] = [
  ['held', /^SQLITE_(?:BUSY|LOCKED)/],
  ['full', /^SQLITE_FULL/],
  ['broken', /^SQLITE_(?:IOERR|READONLY|CORRUPT|NOTADB|CANTOPEN)/],
];

/** What kept the database from writing, when that is what an error says. */
export function whyUnwritable(error: unknown): 'held' | 'full' | 'broken' | undefined {
  const { driverError = error } = (error ?? {}) as { readonly driverError?: unknown };
  const code = String((driverError as { readonly code?: unknown } | null)?.code ?? '');
  return UNWRITABLE.find(([, codes]) => codes.test(code))?.[0];
}

/** A connection that can only read, and so never waits for the writer. */
export async function openForReading(dataFolder: string): Promise<DataSource> {
  const source = await new DataSource(options(dataFolder)).initialize();
  await source.query('PRAGMA query_only = ON');
  return source;
}
