import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { Logger } from 'pino';

const DAY_MS = 24 * 60 * 60 * 1000;

/** How long until a time of day comes, `HH:mm` by the clock of the machine. */
export function msUntil(time: string, now: Date): number {
  const [hours, minutes] = time.split(':').map(Number);
  const next = new Date(now);
  next.setHours(hours!, minutes!, 0, 0);
  return next.getTime() > now.getTime() ? next.getTime() - now.getTime() : next.getTime() + DAY_MS - now.getTime();
}

/**
 * Makes a backup every night, in a process of its own: nobody’s answer waits for it. What goes wrong is in the log.
 *
 * @param time  `HH:mm` by the clock of the machine
 * @returns     what stops it
 */
export function backUpNightly(time: string, log: Logger): () => void {
  let timer: NodeJS.Timeout;
  const wait = (): void => {
    timer = setTimeout(
      () => {
        execFile(process.execPath, [fileURLToPath(new URL('./backupMain.js', import.meta.url))], (error, out, told) => {
          if (error === null) log.info(out.trim());
          else log.error({ told: told.trim() }, 'the nightly backup failed');
        });
        wait();
      },
      msUntil(time, new Date()),
    );
    timer.unref();
  };
  wait();
  return () => clearTimeout(timer);
}
