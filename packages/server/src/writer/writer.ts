import { Worker } from 'node:worker_threads';
import { HttpProblem, unavailable } from '../http/httpProblem.js';
import type { CommandInput, CommandName, CommandOutput } from '../commands.js';
import type { CommandMessage, WriterMessage } from './messages.js';

interface Waiting {
  readonly resolve: (output: unknown) => void;
  readonly reject: (error: Error) => void;
  readonly progress: ((share: number) => void) | undefined;
}

const STOPPED =
  'The writer stopped while this was under way and is being started anew. Nothing of it was written by halves: look whether it is there, else do it again.';
/** After so many starts in a row that failed the writer is given up. */
const MOST_STARTS = 4;
const FIRST_PAUSE_MS = 200;

/**
 * The one writer: sends commands to the thread that owns the writing connection, and hands back what came of them. A thread that
 * dies is started anew; whoever waited for it is told.
 */
export class Writer {
  private readonly waiting = new Map<number, Waiting>();
  private nextId = 1;
  private worker: Worker | undefined;
  private closing = false;

  private constructor(
    private readonly dataFolder: string,
    private readonly lost: (error: Error) => void,
  ) {}

  /**
   * Starts the thread; resolves when the tables are up to date.
   *
   * @param lost  called when a thread that died can't be started anew
   */
  static async start(dataFolder: string, lost: (error: Error) => void = () => undefined): Promise<Writer> {
    const writer = new Writer(dataFolder, lost);
    await writer.startThread();
    return writer;
  }

  /** Whether its thread runs; it does not while it is started anew. */
  get isUp(): boolean {
    return this.worker !== undefined && !this.closing;
  }

  run<Name extends CommandName>(
    name: Name,
    input: CommandInput<Name>,
    progress?: (share: number) => void,
  ): Promise<CommandOutput<Name>> {
    const { worker } = this;
    if (this.closing) return Promise.reject(unavailable('Yarin is stopping. Nothing was changed.'));
    if (worker === undefined)
      return Promise.reject(unavailable('The writer is being started anew. Nothing was changed; try again.'));
    const id = this.nextId++;
    const message: CommandMessage = { id, name, input };
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve: (output) => resolve(output as CommandOutput<Name>), reject, progress });
      worker.postMessage(message);
    });
  }

  /** Lets the commands that are under way finish, then stops the thread. */
  async close(): Promise<void> {
    this.closing = true;
    const { worker } = this;
    if (worker === undefined) return;
    const exited = new Promise<void>((resolve) => worker.once('exit', () => resolve()));
    worker.postMessage('close');
    await exited;
  }

  private async startThread(): Promise<void> {
    const worker = new Worker(new URL('./writerEntry.mjs', import.meta.url), {
      workerData: { dataFolder: this.dataFolder },
      execArgv: process.execArgv.filter((flag) => flag.startsWith('--conditions')),
    });
    await new Promise<void>((resolve, reject) => {
      worker.once('error', reject);
      worker.once('exit', () => reject(new Error('The writer stopped before it could write.')));
      worker.on('message', (message: WriterMessage) => {
        if (message.is === 'ready') resolve();
        else this.receive(message);
      });
    });
    this.worker = worker;
    worker.removeAllListeners('exit');
    worker.removeAllListeners('error');
    // Without a listener an error of the thread would end the process; its exit follows.
    worker.on('error', () => undefined);
    worker.on('exit', () => void this.died());
  }

  private async died(): Promise<void> {
    this.worker = undefined;
    for (const { reject } of this.waiting.values()) reject(unavailable(STOPPED));
    this.waiting.clear();
    let failure: unknown;
    for (let tried = 0; tried < MOST_STARTS && !this.closing; tried++) {
      try {
        await this.startThread();
        if (this.closing) await this.close();
        return;
      } catch (error) {
        failure = error;
        await new Promise((resolve) => setTimeout(resolve, FIRST_PAUSE_MS * 2 ** tried));
      }
    }
    if (!this.closing) this.lost(failure instanceof Error ? failure : new Error(String(failure)));
  }

  private receive(message: Exclude<WriterMessage, { is: 'ready' }>): void {
    const waiting = this.waiting.get(message.id);
    if (waiting === undefined) return;
    if (message.is === 'progress') {
      waiting.progress?.(message.share);
      return;
    }
    this.waiting.delete(message.id);
    if (message.is === 'done') waiting.resolve(message.output);
    else if (message.is === 'refused') waiting.reject(new HttpProblem(message.problem));
    else waiting.reject(new Error(message.error));
  }
}
