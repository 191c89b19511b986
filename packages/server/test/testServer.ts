import { cpSync, existsSync, mkdtempSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { DecisionChange, Decisions, DeskSentencesView, ShellSentence } from '@yarin/core';
import type { Express } from 'express';
import supertest from 'supertest';
import type { DataSource } from 'typeorm';
import { makeApp } from '../src/app.js';
import { makeBackup } from '../src/backup/backup.js';
import { restoreBackup } from '../src/backup/restore.js';
import { makeClock } from '../src/clock.js';
import { openForReading } from '../src/database/driver.js';
import { loadDemo } from '../src/demo/loadDemo.js';
import { makeLog } from '../src/http/log.js';
import { QueryPool } from '../src/queries/queryPool.js';
import { FileReaders } from '../src/readers/fileReaders.js';
import { Writer } from '../src/writer/writer.js';

const NOW = '2026-11-24T09:00';

export interface TestServer {
  readonly app: Express;
  readonly dataFolder: string;
  readonly reading: DataSource;
  readonly writer: Writer;
  readonly readers: FileReaders;
  readonly queries: QueryPool;
  /** A client without a session. */
  readonly anybody: ReturnType<typeof supertest>;
  /** A client signed in as this person. */
  as(person: string): Promise<ReturnType<typeof supertest.agent>>;
  /** Copies what it holds into another data folder. */
  keepAs(folder: string): Promise<void>;
  close(): Promise<void>;
}

/** Marrowbrook College as a data folder, loaded once a run of the tests and copied by each that needs it. */
async function demoTemplate(): Promise<string> {
  const template = join(process.env.YARIN_TEST_RUN!, 'demo');
  if (existsSync(template)) return template;
  const dataFolder = mkdtempSync(join(process.env.YARIN_TEST_RUN!, 'loading-'));
  await mkdir(join(dataFolder, 'files'));
  const writer = await Writer.start(dataFolder);
  const reading = await openForReading(dataFolder);
  const demoFolder = fileURLToPath(new URL('../../../demo', import.meta.url));
  await loadDemo({ reading, writer }, { dataFolder, demoFolder }, NOW);
  await writer.close();
  await reading.destroy();
  try {
    renameSync(dataFolder, template);
  } catch (error) {
    // Where another worker was faster, what it made is the same.
    if (!existsSync(template)) throw error;
  }
  return template;
}

interface StartOptions {
  /** With Marrowbrook College in it. */
  readonly demo: boolean;
  readonly requestsAMinute?: number;
  /** One that works and reads, unless a test is about several. */
  readonly queryThreads?: number;
}

/** A real server on a new database. */
export async function startServer({ demo, ...options }: StartOptions): Promise<TestServer> {
  const template = demo ? await demoTemplate() : undefined;
  const dataFolder = mkdtempSync(join(tmpdir(), 'yarin-test-'));
  if (template === undefined) await mkdir(join(dataFolder, 'files'));
  else cpSync(template, dataFolder, { recursive: true });
  return serverOn(dataFolder, options, () => rmSync(dataFolder, { recursive: true, force: true }));
}

/** A real server on a data folder that is there. */
export async function serverOn(
  dataFolder: string,
  { queryThreads = 1, ...options }: Omit<StartOptions, 'demo'> = {},
  closed: () => void = () => undefined,
): Promise<TestServer> {
  const writer = await Writer.start(dataFolder);
  const reading = await openForReading(dataFolder);
  const log = makeLog(process.env.TEST_LOG ?? 'silent');
  const readers = new FileReaders(log);
  const queries = new QueryPool(dataFolder, queryThreads, log);
  const app = makeApp(
    { reading, writer, readers, queries, clock: makeClock(NOW), log, dataFolder },
    { sessionSecret: 'for tests', ...options },
  );
  return {
    app,
    dataFolder,
    reading,
    writer,
    readers,
    queries,
    anybody: supertest(app),
    async as(person) {
      const agent = supertest.agent(app);
      await agent.post('/api/session').send({ person }).expect(200);
      return agent;
    },
    async keepAs(folder) {
      await makeBackup(dataFolder, `${folder}-kept`, new Date());
      const [made] = readdirSync(`${folder}-kept`);
      await restoreBackup(join(`${folder}-kept`, made!), folder, new Date());
    },
    async close() {
      await writer.close();
      await readers.close();
      await queries.close();
      await reading.destroy();
      closed();
    },
  };
}

const TABLES = ['item', 'item_alias', 'item_link', 'moment', 'mark', 'learner_record', 'lineage'];

/** Makes a database older: migrations are undone until the one of this name is. */
export async function undoMigration(older: DataSource, name: string): Promise<void> {
  const done = (): Promise<unknown[]> => older.query(`SELECT 1 FROM migration WHERE name LIKE ?`, [`${name}%`]);
  while ((await done()).length > 0) await older.undoLastMigration({ transaction: 'each' });
}

/** Everything that a course holds, row by row, as one text: equal texts are equal courses to the byte. */
export async function dumpCourse(reading: DataSource, courseId: string): Promise<string> {
  const parts: string[] = [];
  for (const table of TABLES) {
    const rows = await reading.query<object[]>(`SELECT * FROM ${table} WHERE course_id = ?`, [courseId]);
    parts.push(
      `${table}\n${rows
        .map((row) => JSON.stringify(row))
        .sort()
        .join('\n')}`,
    );
  }
  return parts.join('\n');
}

/** Changes after which a plan decides this, whatever it decided there before. */
export const deciding = (decisions: Readonly<Partial<Record<keyof Decisions, unknown>>>): DecisionChange[] =>
  Object.entries(decisions).map(([name, to]) => ({ at: [name], to }));

/** What the plans of a Desk say, as the browser asks for it: until all are worked out. */
export async function deskSentencesOf(
  agent: Awaited<ReturnType<TestServer['as']>>,
): Promise<Readonly<Record<string, ShellSentence>>> {
  const { body } = (await agent.get('/api/desk/sentences').expect(200)) as { body: DeskSentencesView };
  if (Object.values(body).includes('underWay')) return deskSentencesOf(agent);
  return body as Readonly<Record<string, ShellSentence>>;
}

/** Waits for a run to end, as the browser does, by listening to its events. */
export async function runPlan(
  agent: Awaited<ReturnType<TestServer['as']>>,
  planId: string,
  stands?: string,
): Promise<{ id: string; last: LastState }> {
  const { body } = await agent.post(`/api/plans/${planId}/runs`).send({ stands }).expect(202);
  return { id: body.id, last: await lastState(agent, planId, body.id) };
}

export interface LastState {
  readonly is: string;
  readonly outcome?: { readonly outcome: string; readonly runId: string };
}

/** Watches a run until it ends. */
export async function lastState(
  agent: Awaited<ReturnType<TestServer['as']>>,
  planId: string,
  runId: string,
): Promise<LastState> {
  const events = await agent.get(`/api/plans/${planId}/runs/${runId}/events`).expect(200);
  const states = events.text
    .trim()
    .split('\n\n')
    .map((line) => JSON.parse(line.replace('data: ', '')));
  return states[states.length - 1];
}
