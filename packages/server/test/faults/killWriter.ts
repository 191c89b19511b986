import { fork } from 'node:child_process';
import { createHash } from 'node:crypto';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { openForReading } from '../../src/database/driver.js';
import type { CommandInput, CommandName } from '../../src/commands.js';

interface Command {
  readonly name: CommandName;
  readonly input: unknown;
}

/** Commands on a state of the data, by the name of what people do; sent at once, they are done one after the other. */
export interface Work {
  readonly what: string;
  /** The data folder that it begins on; it is copied. */
  readonly on: string;
  readonly commands: readonly Command[];
}

export const work = <Name extends CommandName>(
  what: string,
  on: string,
  name: Name,
  ...inputs: readonly CommandInput<Name>[]
): Work => ({ what, on, commands: inputs.map((input) => ({ name, input })) });

/** Everything that a data folder's tables hold, as one hash; `damaged` when the database is not sound. */
async function stateOf(dataFolder: string): Promise<string> {
  const reading = await openForReading(dataFolder);
  try {
    const sound = await reading.query<{ integrity_check: string }[]>('PRAGMA integrity_check');
    if (sound[0]!.integrity_check !== 'ok') return 'damaged';
    const tables = await reading.query<{ name: string }[]>(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE 'course_find%' ORDER BY name",
    );
    const hash = createHash('sha256');
    for (const { name } of tables) {
      const rows = await reading.query<object[]>(`SELECT * FROM "${name}"`);
      hash.update(
        `${name}\n${rows
          .map((row) => JSON.stringify(row))
          .sort()
          .join('\n')}\n`,
      );
    }
    return hash.digest('hex');
  } finally {
    await reading.destroy();
  }
}

interface Ended {
  readonly isDone: boolean;
  readonly tookMs: number;
}

/** @param afterMs  how long after the command began the process is killed; never when it is infinite */
function runAndKill(dataFolder: string, commands: readonly Command[], afterMs: number): Promise<Ended> {
  const child = fork(fileURLToPath(new URL('./writerToKill.mjs', import.meta.url)), [dataFolder], {
    serialization: 'advanced',
    execArgv: [],
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  let begun = 0;
  let tookMs = 0;
  let isDone = false;
  let timer: NodeJS.Timeout | undefined;
  child.on('message', (told) => {
    if (told === 'ready') child.send([...commands]);
    if (told === 'begun') {
      begun = performance.now();
      if (Number.isFinite(afterMs)) timer = setTimeout(() => child.kill('SIGKILL'), afterMs);
    }
    if (told === 'done') {
      isDone = true;
      tookMs = performance.now() - begun;
      clearTimeout(timer);
      child.kill('SIGKILL');
    }
  });
  return new Promise((resolve, reject) => {
    child.once('exit', (code, signal) =>
      signal === 'SIGKILL'
        ? resolve({ isDone, tookMs })
        : reject(new Error(`The writer ended by itself with ${code}.`)),
    );
  });
}

async function onCopy<Output>({ on }: Work, act: (dataFolder: string) => Promise<Output>): Promise<Output> {
  const copy = mkdtempSync(join(tmpdir(), 'yarin-kill-'));
  try {
    cpSync(on, copy, { recursive: true });
    return await act(copy);
  } finally {
    rmSync(copy, { recursive: true, force: true });
  }
}

export interface Killed {
  readonly what: string;
  /** Kills after which nothing of it stood, all of it, the first of its commands whole, or something between. */
  readonly nothing: number;
  readonly whole: number;
  readonly firstOnly: number;
  readonly halfDone: number;
}

/** Does a piece of work once in peace, then kills it at so many moments, evenly over the time that it takes. */
export async function killDuring(work: Work, kills: number): Promise<Killed> {
  const before = await onCopy(work, stateOf);
  /** How everything stands when the first of its commands are done, and no other has begun. */
  const inTurn: string[] = [];
  let tookMs = 0;
  for (let done = 1; done <= work.commands.length; done++)
    await onCopy(work, async (folder) => {
      ({ tookMs } = await runAndKill(folder, work.commands.slice(0, done), Infinity));
      inTurn.push(await stateOf(folder));
    });
  const last = inTurn.pop()!;
  if (new Set([before, ...inTurn, last]).size !== work.commands.length + 1)
    throw new Error(`A part of “${work.what}” changes nothing, so it can’t be half done.`);
  const counts = { nothing: 0, whole: 0, firstOnly: 0, halfDone: 0 };
  for (let kill = 0; kill < kills; kill++) {
    const after = ((kill + Math.random()) / kills) * tookMs * 1.05;
    const state = await onCopy(work, async (folder) => {
      await runAndKill(folder, work.commands, after);
      return stateOf(folder);
    });
    if (state === before) counts.nothing++;
    else if (state === last) counts.whole++;
    else counts[inTurn.includes(state) ? 'firstOnly' : 'halfDone']++;
  }
  return { what: work.what, ...counts };
}
