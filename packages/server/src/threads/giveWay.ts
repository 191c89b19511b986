import { setPriority } from 'node:os';

const GIVES_WAY = 5;

/**
 * Lets the other threads go first when more of them have work than there are processors: whoever answers, reads or writes
 * is not slowed by plans that are worked out. Only Linux keeps a priority for each thread; elsewhere it would be that of
 * the whole process.
 */
export function giveWay(): void {
  if (process.platform === 'linux') setPriority(0, GIVES_WAY);
}
