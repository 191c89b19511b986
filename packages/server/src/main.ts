import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { makeApp } from './app.js';
import { backUpNightly } from './backup/nightly.js';
import { noteRunning, noteStopped } from './backup/running.js';
import { makeClock } from './clock.js';
import { CannotStart, readConfig } from './config.js';
import { openForReading } from './database/driver.js';
import { loadDemo } from './demo/loadDemo.js';
import { prepareChecks } from './http/checked.js';
import { makeLog } from './http/log.js';
import { INSTITUTION } from './institution.js';
import { QueryPool } from './queries/queryPool.js';
import { FileReaders } from './readers/fileReaders.js';
import { Writer } from './writer/writer.js';

const SHORTEST_SECRET = 32;
/** The folder with everything that is kept; uploads that were broken off before are swept out. */
function prepareFolder(dataFolder: string): void {
  try {
    mkdirSync(join(dataFolder, 'files'), { recursive: true });
    rmSync(join(dataFolder, 'incoming'), { recursive: true, force: true });
    mkdirSync(join(dataFolder, 'incoming'));
  } catch (error) {
    const why = (error as NodeJS.ErrnoException).code ?? String(error);
    throw new CannotStart(`The folder ${dataFolder} can’t be written (${why}); set YARIN_DATA to one that can.`);
  }
}

/** The secret that signs session cookies: made once a data folder, so that sessions outlive a restart. */
function sessionSecret(dataFolder: string): string {
  const file = join(dataFolder, 'session-secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(SHORTEST_SECRET).toString('hex'), { mode: 0o600 });
  const secret = readFileSync(file, 'utf8').trim();
  if (secret.length < SHORTEST_SECRET)
    throw new CannotStart(`The secret in ${file} is too short; remove the file, and a new one is made.`);
  return secret;
}

async function start(): Promise<void> {
  const config = readConfig(process.env);
  const log = makeLog(config.logLevel);
  prepareFolder(config.dataFolder);
  const secret = sessionSecret(config.dataFolder);
  const writer = await Writer.start(config.dataFolder, (error) => {
    log.fatal({ err: error }, 'the writer can’t be started anew');
    process.stderr.write(
      'Yarin can’t write any more and has stopped. Nothing is half done; look at the disk and start it again.\n',
    );
    process.exit(1);
  });
  noteRunning(config.dataFolder);
  const stopBackups = config.backupAt === undefined ? undefined : backUpNightly(config.backupAt, log);
  const reading = await openForReading(config.dataFolder);
  const readers = new FileReaders(log);
  const queries = new QueryPool(config.dataFolder, config.queryThreads, log);
  queries.start();
  const clock = makeClock(config.fixedNow);
  const report = await loadDemo({ reading, writer }, config, clock.now(INSTITUTION.timeZone));
  if (report !== undefined) process.stdout.write(`${report}\n`);

  const app = makeApp(
    { reading, writer, readers, queries, clock, log, dataFolder: config.dataFolder },
    { ...config, sessionSecret: secret },
  );
  prepareChecks();
  const listening = app.listen(config.port, config.host, (error) => {
    if (error !== undefined) {
      process.stderr.write(`Yarin can’t listen at ${config.host}:${config.port} (${error.message}).\n`);
      process.exit(1);
    }
    const { port } = listening.address() as AddressInfo;
    process.stdout.write(`Yarin is at http://localhost:${port}\n`);
  });

  let stopping = false;
  async function stop(): Promise<void> {
    if (stopping) return;
    stopping = true;
    stopBackups?.();
    listening.close();
    listening.closeAllConnections();
    await writer.close();
    await readers.close();
    await queries.close();
    await reading.destroy();
    noteStopped(config.dataFolder);
    process.stdout.write('Yarin stopped.\n');
  }
  process.on('SIGINT', () => void stop());
  process.on('SIGTERM', () => void stop());
}

try {
  await start();
} catch (error) {
  // What went wrong before anything was served is one sentence.
  process.stderr.write(`Yarin can’t start. ${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
}
