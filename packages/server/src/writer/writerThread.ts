import { parentPort, workerData } from 'node:worker_threads';
import { openForWriting } from '../database/driver.js';
import { indexMissing } from '../courses/findIndex.js';
import { HttpProblem } from '../http/httpProblem.js';
import type { Command } from '../database/command.js';
import { COMMANDS } from '../commands.js';
import { StuckInTransaction, transact } from './transaction.js';
import type { CommandMessage, WriterMessage } from './messages.js';

/** Runs in the writer thread: owns the only writing connection and runs one command after the other. */
const { dataFolder } = workerData as { dataFolder: string };
const port = parentPort!;
const send = (message: WriterMessage): void => port.postMessage(message);
const source = await openForWriting(dataFolder);

async function run({ id, name, input }: CommandMessage): Promise<void> {
  const command = (COMMANDS as unknown as Record<string, Command<unknown, unknown>>)[name]!;
  const progress = (share: number): void => send({ is: 'progress', id, share });
  try {
    const output = await transact(source, (manager) => command({ manager, dataFolder, progress }, input));
    send({ is: 'done', id, output });
  } catch (error) {
    // The thread ends, and is started anew with a connection of its own.
    if (error instanceof StuckInTransaction) throw error;
    if (error instanceof HttpProblem) send({ is: 'refused', id, problem: error.details });
    else send({ is: 'failed', id, error: error instanceof Error ? (error.stack ?? error.message) : String(error) });
  }
}

await indexMissing(source);
let last: Promise<void> = Promise.resolve();
port.on('message', (message: CommandMessage | 'close') => {
  last = last.then(() => (message === 'close' ? source.destroy().then(() => port.close()) : run(message)));
});
send({ is: 'ready' });
