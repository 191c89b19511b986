import type { EntityManager } from 'typeorm';
import { CounterRow } from './entities/counter.js';

/** Where a counter stands. */
export async function countOf(manager: EntityManager, name: CounterRow['name']): Promise<number> {
  return (await manager.findOneByOrFail(CounterRow, { name })).value;
}

/** Counts one up, in the transaction of whoever counts: nobody else gets the same number. */
export async function countUp(manager: EntityManager, name: CounterRow['name']): Promise<number> {
  await manager.increment(CounterRow, { name }, 'value', 1);
  return countOf(manager, name);
}
