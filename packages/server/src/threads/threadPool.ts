import { fileURLToPath } from 'node:url';
import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { unavailable, type HttpProblem } from '../http/httpProblem.js';

/** What a pool of threads may take. */
export interface PoolLimits {
  /** The module that each thread starts with; its default export does one task. */
  readonly entry: URL;
  readonly threads: number;
  /** Tasks that wait for a thread. */
  readonly mostWaiting: number;
  /** Work that one task may take, in milliseconds. */
  readonly mostWorkMs: number;
  readonly mostMemoryMb: number;
  /** What every thread is told when it starts. */
  readonly workerData?: unknown;
}

/** What somebody is told whose task was given up. */
export interface GivenUp {
  readonly tooLong: () => HttpProblem;
  readonly tooLarge: () => HttpProblem;
  readonly tooMany: () => HttpProblem;
}

/** A task as its thread gets it. */
export interface Begun {
  /** Told when the work begins: waiting for a thread does not count. */
  readonly begun: MessagePort;
}

/** Threads that do one task at a time each, and are ended and replaced when a task takes too long or too much memory. */
export class ThreadPool {
  private pool: Piscina | undefined;
  private isClosed = false;
  /** Tasks that are done or wait; the pool's own limit does not see tasks that can be given up. */
  private underWay = 0;

  constructor(
    private readonly limits: PoolLimits,
    private readonly givenUp: GivenUp,
    /** Told of a thread that failed while it did nothing for anybody. */
    private readonly failed: (error: unknown) => void,
  ) {}

  /** Starts the threads; without it they start with the first task. */
  start(): Piscina {
    const { entry, threads, mostMemoryMb, workerData } = this.limits;
    if (this.pool !== undefined) return this.pool;
    this.pool = new Piscina({
      filename: fileURLToPath(entry),
      // As many as there may be: what waits for a thread that was ended is taken up by the one in its place.
      minThreads: threads,
      maxThreads: threads,
      execArgv: process.execArgv.filter((flag) => flag.startsWith('--conditions')),
      resourceLimits: { maxOldGenerationSizeMb: mostMemoryMb },
      workerData,
    });
    this.pool.on('error', this.failed);
    return this.pool;
  }

  /** @throws `HttpProblem` when the task was given up, and whatever the task throws */
  async run(task: object): Promise<unknown> {
    if (this.isClosed) throw stopping();
    if (this.underWay >= this.limits.threads + this.limits.mostWaiting) throw this.givenUp.tooMany();
    this.underWay++;
    const ending = new AbortController();
    const { port1: heard, port2: begun } = new MessageChannel();
    let timer: NodeJS.Timeout | undefined;
    heard.once('message', () => {
      timer = setTimeout(() => ending.abort(), this.limits.mostWorkMs);
    });
    try {
      const told: Begun = { ...task, begun };
      return await this.start().run(told, { signal: ending.signal, transferList: [begun] });
    } catch (error) {
      if (this.isClosed) throw stopping();
      if (ending.signal.aborted) throw this.givenUp.tooLong();
      if (isOutOfMemory(error)) throw this.givenUp.tooLarge();
      throw error;
    } finally {
      this.underWay--;
      clearTimeout(timer);
      heard.close();
    }
  }

  async close(): Promise<void> {
    this.isClosed = true;
    await this.pool?.destroy();
  }
}

/** What was under way when the threads ended is no fault of theirs. */
const stopping = (): HttpProblem => unavailable('Yarin is being stopped. Nothing was changed; try again in a minute.');

const isOutOfMemory = (error: unknown): boolean =>
  (error as { readonly code?: unknown } | null)?.code === 'ERR_WORKER_OUT_OF_MEMORY';
