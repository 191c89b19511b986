import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { pino } from 'pino';
import { makeApp } from './app.js';
import { makeClock } from './clock.js';
import { readConfig } from './config.js';
import { openForReading } from './database/driver.js';
import { loadDemo } from './demo/loadDemo.js';
import { INSTITUTION } from './institution.js';
import { FileReaders } from './readers/fileReaders.js';
import { Writer } from './writer/writer.js';

const config = readConfig(process.env);
const log = pino({ level: config.logLevel });
mkdirSync(join(config.dataFolder, 'files'), { recursive: true });

/** The secret that signs session cookies: made once a data folder, so that sessions outlive a restart. */
function sessionSecret(): string {
  const file = join(config.dataFolder, 'session-secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  return readFileSync(file, 'utf8');
}

const writer = await Writer.start(config.dataFolder, (error) => {
  log.fatal({ err: error }, 'the writer can’t be started anew');
  process.stderr.write(
    'Yarin can’t write any more and has stopped. Nothing is half done; look at the disk and start it again.\n',
  );
  process.exit(1);
});
const reading = await openForReading(config.dataFolder);
const readers = new FileReaders();
const clock = makeClock(config.fixedNow);
const report = await loadDemo({ reading, writer }, config, clock.now(INSTITUTION.timeZone));
if (report !== undefined) process.stdout.write(`${report}\n`);

const app = makeApp(
  { reading, writer, readers, clock, log, dataFolder: config.dataFolder },
  { sessionSecret: sessionSecret(), webFolder: config.webFolder },
);
const listening = app.listen(config.port, '127.0.0.1', () => {
  const { port } = listening.address() as AddressInfo;
  process.stdout.write(`Yarin is at http://localhost:${port}\n`);
});

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  listening.close();
  listening.closeAllConnections();
  await writer.close();
  await readers.close();
  await reading.destroy();
  process.stdout.write('Yarin stopped.\n');
}
process.on('SIGINT', () => void stop());
process.on('SIGTERM', () => void stop());
