import type { EntityManager } from 'typeorm';
import { PersonRow } from '../database/entities/person.js';

export async function nameOf(manager: EntityManager, personId: string): Promise<string> {
  const person = await manager.findOneBy(PersonRow, { id: personId });
  return person === null ? 'somebody who left' : `${person.givenName} ${person.familyName}`;
}
