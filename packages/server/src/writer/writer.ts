import { Worker } from 'node:worker_threads';
import { HttpProblem } from '../http/httpProblem.js';
import type { CommandInput, CommandName, CommandOutput } from './commands.js';
import type { CommandMessage, WriterMessage } from './messages.js';

interface Waiting {
  readonly resolve: (output: unknown) => void;
  readonly reject: (error: Error) => void;
  readonly progress: ((share: number) => void) | undefined;
}

/** The one writer: sends commands to the thread that owns the writing connection, and hands back what came of them. */
export class Writer {
  private readonly waiting = new Map<number, Waiting>();
  private nextId = 1;
  private closing = false;

  private constructor(private readonly worker: Worker) {}

  /** Starts the thread; resolves when the tables are up to date. */
  static async start(dataFolder: string): Promise<Writer> {
    const worker = new Worker(new URL('./writerEntry.mjs', import.meta.url), {
      workerData: { dataFolder },
      execArgv: process.execArgv.filter((flag) => flag.startsWith('--conditions')),
    });
    const writer = new Writer(worker);
    await new Promise<void>((resolve, reject) => {
      worker.once('error', reject);
      worker.on('message', (message: WriterMessage) => {
        if (message.is === 'ready') resolve();
        else writer.receive(message);
      });
    });
    worker.on('error', (error) => writer.failAll(error instanceof Error ? error : new Error(String(error))));
    worker.on('exit', () => writer.failAll(new Error('The writer stopped.')));
    return writer;
  }

  run<Name extends CommandName>(
    name: Name,
    input: CommandInput<Name>,
    progress?: (share: number) => void,
  ): Promise<CommandOutput<Name>> {
    if (this.closing) return Promise.reject(new Error('The writer is closing.'));
    const id = this.nextId++;
    const message: CommandMessage = { id, name, input };
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve: (output) => resolve(output as CommandOutput<Name>), reject, progress });
      this.worker.postMessage(message);
    });
  }

  /** Lets the commands that are under way finish, then stops the thread. */
  async close(): Promise<void> {
    this.closing = true;
    const exited = new Promise<void>((resolve) => this.worker.once('exit', () => resolve()));
    this.worker.postMessage('close');
    await exited;
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

  private failAll(error: Error): void {
    for (const { reject } of this.waiting.values()) reject(error);
    this.waiting.clear();
  }
}
