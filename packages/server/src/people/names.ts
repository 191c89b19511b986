import type { EntityManager } from 'typeorm';
import { DOER_NAME, type Doer } from '../history/deeds.js';

/** “Ines Marant”, or “Tomas Rhee for Ines Marant”. */
export async function nameOf(manager: EntityManager, { personId, forPersonId }: Doer): Promise<string> {
  const [row] = await manager.query<{ name: string }[]>(`SELECT ${DOER_NAME('?', '?')} AS name`, [
    personId,
    forPersonId,
  ]);
  return row!.name;
}
