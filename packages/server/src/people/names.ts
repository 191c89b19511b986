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

/** The names of those who edited things of a course last, by their ids. */
export async function writersOf(manager: EntityManager, courseId: string): Promise<Readonly<Record<string, string>>> {
  const rows = await manager.query<{ id: string; name: string }[]>(
    `SELECT DISTINCT person.id, person.given_name || ' ' || person.family_name AS name FROM item JOIN person ON person.id = item.edited_by WHERE item.course_id = ?`,
    [courseId],
  );
  return Object.fromEntries(rows.map(({ id, name }) => [id, name]));
}
