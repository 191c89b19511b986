import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The file that names the process which runs on a data folder. */
export const RUNNING = 'running';

export function noteRunning(dataFolder: string): void {
  writeFileSync(join(dataFolder, RUNNING), String(process.pid));
}

export function noteStopped(dataFolder: string): void {
  rmSync(join(dataFolder, RUNNING), { force: true });
}
