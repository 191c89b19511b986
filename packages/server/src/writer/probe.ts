import type { Command } from '../database/command.js';

/** Writes what stands there already, so that it shows whether anything can be written. */
export const probe: Command<null, null> = async ({ manager }) => {
  await manager.query('PRAGMA user_version = 1');
  return null;
};
