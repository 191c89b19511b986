import type { DataSource, EntityManager } from 'typeorm';
import { isInTransaction, whyUnwritable } from '../database/driver.js';
import { unavailable } from '../http/httpProblem.js';

const SENTENCES = {
  held: 'Another program is holding the database. Nothing was changed; try again in a minute.',
  full: 'The disk is full. Nothing was changed; your administrator has to make room before anything can be written.',
  broken: 'The database can’t be written. Nothing was changed; tell your administrator.',
} as const;

/** Thrown when a connection could not be brought out of a transaction: nothing may be written on it any more. */
export class StuckInTransaction extends Error {
  constructor(override readonly cause: unknown) {
    super('The writing connection is stuck in a transaction.');
  }
}

/**
 * Does work in one transaction: all of it, or nothing. What keeps the database from writing (held by another program, a full
 * disk) is a problem with a sentence; whatever happened, the connection can be used afterwards, or `StuckInTransaction` is thrown.
 */
export async function transact<Output>(
  source: DataSource,
  work: (manager: EntityManager) => Promise<Output>,
): Promise<Output> {
  const { manager } = source;
  try {
    await manager.query('BEGIN IMMEDIATE');
    const output = await work(manager);
    await manager.query('COMMIT');
    return output;
  } catch (error) {
    // A full disk ends the transaction by itself.
    if (isInTransaction(source)) await manager.query('ROLLBACK').catch(() => undefined);
    if (isInTransaction(source)) throw new StuckInTransaction(error);
    const why = whyUnwritable(error);
    throw why === undefined ? error : unavailable(SENTENCES[why]);
  }
}
