import { fileURLToPath } from 'node:url';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { unusable } from '../http/httpProblem.js';
import type { ReaderInput, ReaderName, ReaderOutput, ReaderTask } from './readerThread.js';

/** Work that a file may take, in milliseconds. */
const MOST_WORK_MS = 2000;
const MOST_MEMORY_MB = 512;
const THREADS = 2;
/** Files that wait for a thread. */
const MOST_WAITING = 50;
const IDLE_MS = 60_000;

const TOO_LONG = `The file takes more than ${MOST_WORK_MS / 1000} seconds to read and was given up. Nothing was kept; send only what is needed, a term or a course.`;
const TOO_LARGE =
  'The file takes more memory to read than a file may. Nothing was kept; send only what is needed, a term or a course.';
const TOO_MANY = 'Too many files are being read just now. Nothing was kept; try again in a minute.';

/**
 * Reads the files that people send, each in a worker thread that is ended after two seconds of work or at a limit of memory: no
 * file keeps others waiting.
 */
export class FileReaders {
  private readonly pool = new Piscina({
    filename: fileURLToPath(new URL('./readerEntry.mjs', import.meta.url)),
    minThreads: 0,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: IDLE_MS,
    execArgv: process.execArgv.filter((flag) => flag.startsWith('--conditions')),
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });

  async read<Name extends ReaderName>(name: Name, ...input: ReaderInput<Name>): Promise<ReaderOutput<Name>> {
    const ending = new AbortController();
    const { port1: heard, port2: begun } = new MessageChannel();
    let timer: NodeJS.Timeout | undefined;
    heard.once('message', () => {
      timer = setTimeout(() => ending.abort(), MOST_WORK_MS);
    });
    try {
      const task: ReaderTask = { name, input, begun };
      return await this.pool.run(task, { signal: ending.signal, transferList: [begun] });
    } catch (error) {
      if (ending.signal.aborted) throw unusable(TOO_LONG);
      if (isOutOfMemory(error)) throw unusable(TOO_LARGE);
      if (error instanceof Error && error.message === 'Task queue is at limit') throw unusable(TOO_MANY);
      throw error;
    } finally {
      clearTimeout(timer);
      heard.close();
    }
  }

  close(): Promise<void> {
    return this.pool.destroy();
  }
}

const isOutOfMemory = (error: unknown): boolean =>
  (error as { readonly code?: unknown } | null)?.code === 'ERR_WORKER_OUT_OF_MEMORY';
