import type { Deed } from '@yarin/core';
import type { EntityManager } from 'typeorm';

/** Who does something, and for whom when they act for somebody. */
export interface Doer {
  readonly personId: string;
  readonly forPersonId: string | null;
}

/** Notes in the history of a course what was done to it. */
export async function noteDeed(
  manager: EntityManager,
  { personId, forPersonId }: Doer,
  deed: { readonly courseId: string; readonly at: string; readonly what: string; readonly itemKey?: string },
): Promise<void> {
  await manager.query(
    'INSERT INTO deed (course_id, at, person_id, for_person_id, what, item_key) VALUES (?, ?, ?, ?, ?, ?)',
    [deed.courseId, deed.at, personId, forPersonId, deed.what, deed.itemKey ?? null],
  );
}

/** Notes what somebody did in another person's name, once a day however often they went on with it. */
export async function noteActing(
  manager: EntityManager,
  doer: Doer,
  deed: { readonly courseId: string; readonly at: string; readonly what: string },
): Promise<void> {
  if (doer.forPersonId === null) return;
  const [known] = await manager.query<unknown[]>(
    `SELECT 1 FROM deed WHERE course_id = ? AND person_id = ? AND for_person_id = ? AND what = ? AND substr(at, 1, 10) = ?`,
    [deed.courseId, doer.personId, doer.forPersonId, deed.what, deed.at.slice(0, 10)],
  );
  if (known === undefined) await noteDeed(manager, doer, deed);
}

/** The name of a person, and of whom they acted for: “Tomas Rhee for Ines Marant”. */
export const DOER_NAME = (person: string, forPerson: string): string =>
  `coalesce((SELECT given_name || ' ' || family_name FROM person WHERE id = ${person}), 'somebody who left')
   || coalesce((SELECT ' for ' || given_name || ' ' || family_name FROM person WHERE id = ${forPerson}), '')`;

const MOST_DEEDS = 200;

/** What was done to a course, the latest first. */
export const deedsOf = (manager: EntityManager, courseId: string): Promise<Deed[]> =>
  manager.query(
    `SELECT deed.at, ${DOER_NAME('deed.person_id', 'deed.for_person_id')} AS "by", deed.what,
            (SELECT key FROM item WHERE item.course_id = deed.course_id AND item.key = deed.item_key) AS itemKey
       FROM deed WHERE deed.course_id = ? ORDER BY deed.id DESC LIMIT ${MOST_DEEDS}`,
    [courseId],
  );
