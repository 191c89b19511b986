import type { Response } from 'express';
import type { Logger } from 'pino';
import { HttpProblem, unavailable, unusable } from '../http/httpProblem.js';
import { ThreadPool } from '../threads/threadPool.js';
import { isRead, type QueryInput, type QueryName, type QueryOutput } from '../queries.js';
import type { QueryAnswer, QueryThreadData } from './queryThread.js';

const MOST_WAITING = 1000;
const MOST_WORK_MS = 30_000;
const MOST_MEMORY_MB = 1500;

const TOO_LONG = `This takes more than ${MOST_WORK_MS / 1000} seconds to work out and was given up. Nothing was changed; tell your administrator which course it is.`;
const TOO_LARGE =
  'This takes more memory to work out than one answer may have. Nothing was changed; tell your administrator which course it is.';
const TOO_MANY =
  'More is being worked out just now than Yarin can keep up with. Nothing was changed; try again in a minute.';

/**
 * Works out what is too heavy for the thread that answers: plans, what is found in them, sentences, effects, whole courses. Each
 * thread reads on a connection of its own and keeps what it worked out by the versions of courses.
 */
export class QueryPool {
  private readonly working: ThreadPool;
  /** Where several threads work, one more only reads: a Desk or a course never waits behind plans. */
  private readonly reading: ThreadPool;

  /** @param threads  that work plans out; a single one reads as well */
  constructor(
    dataFolder: string,
    readonly threads: number,
    log: Logger,
  ) {
    const pool = (size: number, givesWay: boolean): ThreadPool =>
      new ThreadPool(
        {
          entry: new URL('./queryEntry.mjs', import.meta.url),
          threads: size,
          mostWaiting: MOST_WAITING,
          mostWorkMs: MOST_WORK_MS,
          mostMemoryMb: MOST_MEMORY_MB,
          workerData: { dataFolder, givesWay } satisfies QueryThreadData,
        },
        {
          tooLong: () => unusable(TOO_LONG),
          tooLarge: () => unusable(TOO_LARGE),
          tooMany: () => unavailable(TOO_MANY),
        },
        (error) => log.error({ err: error }, 'a querying thread failed'),
      );
    const hasReader = threads > 1;
    this.working = pool(threads, hasReader);
    this.reading = hasReader ? pool(1, false) : this.working;
  }

  /** Starts the threads before the first query. */
  start(): void {
    for (const pool of this.pools) pool.start();
  }

  async value<Name extends QueryName>(name: Name, input: QueryInput<Name>): Promise<QueryOutput<Name>> {
    const answer = await this.ask(name, input, false);
    if (answer instanceof Uint8Array) throw new Error(`The query “${name}” answered with bytes.`);
    return answer.value as QueryOutput<Name>;
  }

  /** Answers a request with what a query says: its bytes go out as they came from the thread. */
  async send<Name extends QueryName>(response: Response, name: Name, input: QueryInput<Name>): Promise<void> {
    const answer = await this.ask(name, input, true);
    if (!(answer instanceof Uint8Array)) throw new Error(`The query “${name}” did not answer with bytes.`);
    response.type('json').send(Buffer.from(answer.buffer, answer.byteOffset, answer.byteLength));
  }

  async close(): Promise<void> {
    await Promise.all(this.pools.map((pool) => pool.close()));
  }

  private get pools(): readonly ThreadPool[] {
    return [...new Set([this.working, this.reading])];
  }

  private async ask(
    name: QueryName,
    input: unknown,
    isJson: boolean,
  ): Promise<Exclude<QueryAnswer, { readonly is: 'refused' }>> {
    const answer = (await (isRead(name) ? this.reading : this.working).run({ name, input, isJson })) as QueryAnswer;
    if (!(answer instanceof Uint8Array) && answer.is === 'refused') throw new HttpProblem(answer.problem);
    return answer;
  }
}
