import type { DataSource } from 'typeorm';
import type { Logger } from 'pino';
import type { Clock } from './clock.js';
import type { FileReaders } from './readers/fileReaders.js';
import type { QueryPool } from './queries/queryPool.js';
import type { Writer } from './writer/writer.js';

/** What the routes of every subject are wired with: reading, writing, time, the log and where files lie. */
export interface Server {
  readonly reading: DataSource;
  readonly writer: Writer;
  readonly readers: FileReaders;
  readonly queries: QueryPool;
  readonly clock: Clock;
  readonly log: Logger;
  readonly dataFolder: string;
}
