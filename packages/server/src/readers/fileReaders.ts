import type { Logger } from 'pino';
import { unusable } from '../http/httpProblem.js';
import { ThreadPool } from '../threads/threadPool.js';
import type { ReaderInput, ReaderName, ReaderOutput } from './readerThread.js';

const MOST_WORK_MS = 2000;
const MOST_MEMORY_MB = 512;
const THREADS = 2;
const MOST_WAITING = 50;

const TOO_LONG = `The file takes more than ${MOST_WORK_MS / 1000} seconds to read and was given up. Nothing was kept; send only what is needed, a term or a course.`;
const TOO_LARGE =
  'The file takes more memory to read than a file may. Nothing was kept; send only what is needed, a term or a course.';
const TOO_MANY = 'Too many files are being read just now. Nothing was kept; try again in a minute.';

/**
 * Reads the files that people send, each in a worker thread that is ended after two seconds of work or at a limit of memory: no
 * file keeps others waiting.
 */
export class FileReaders {
  private readonly pool: ThreadPool;

  constructor(log: Logger) {
    this.pool = new ThreadPool(
      {
        entry: new URL('./readerEntry.mjs', import.meta.url),
        threads: THREADS,
        mostWaiting: MOST_WAITING,
        mostWorkMs: MOST_WORK_MS,
        mostMemoryMb: MOST_MEMORY_MB,
      },
      {
        tooLong: () => unusable(TOO_LONG),
        tooLarge: () => unusable(TOO_LARGE),
        tooMany: () => unusable(TOO_MANY),
      },
      (error) => log.error({ err: error }, 'a reading thread failed'),
    );
  }

  async read<Name extends ReaderName>(name: Name, ...input: ReaderInput<Name>): Promise<ReaderOutput<Name>> {
    return (await this.pool.run({ name, input })) as ReaderOutput<Name>;
  }

  close(): Promise<void> {
    return this.pool.close();
  }
}
