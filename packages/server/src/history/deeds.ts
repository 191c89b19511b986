import type { Deed } from '@yarin/core';
import type { EntityManager } from 'typeorm';

/** Who does something, and for whom when they act for somebody. */
export interface Doer {
  readonly personId: string;
  readonly forPersonId: string | null;
}

export interface DeedOf {
  readonly courseId: string;
  readonly at: string;
  readonly what: string;
  readonly itemKey?: string | undefined;
  readonly runId?: string | undefined;
  /** The deed that it takes back. */
  readonly takesBack?: number | undefined;
  /** A plan moved dates of what it had brought. */
  readonly isFix?: boolean | undefined;
}

/**
 * Notes in the history of a course what was done to it.
 *
 * @returns the number of the deed
 */
export async function noteDeed(
  manager: EntityManager,
  { personId, forPersonId }: Doer,
  { courseId, at, what, itemKey, runId, takesBack, isFix }: DeedOf,
): Promise<number> {
  const [row] = await manager.query<{ id: number }[]>(
    `INSERT INTO deed (course_id, at, person_id, for_person_id, what, item_key, run_id, takes_back, is_fix)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?) RETURNING id`,
    [
      courseId,
      at,
      personId,
      forPersonId,
      what,
      itemKey ?? null,
      runId ?? null,
      takesBack ?? null,
      isFix === true ? 1 : 0,
    ],
  );
  return row!.id;
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

/** Whether every change that a deed made can be carried out backwards: of some of long ago only what stood before is known. */
const IS_KEPT = `EXISTS (SELECT 1 FROM operation WHERE deed_id = deed.id)
  AND (deed.run_id IS NOT NULL
       OR NOT EXISTS (SELECT 1 FROM operation WHERE deed_id = deed.id AND op = 'changed' AND after IS NULL))`;

type DeedRowRead = Omit<Deed, 'canBe'> & { readonly isOpen: number; readonly again: number };

const DEED = `deed.id, deed.at, ${DOER_NAME('deed.person_id', 'deed.for_person_id')} AS "by", deed.what,
  (SELECT key FROM item WHERE item.course_id = deed.course_id AND item.key = deed.item_key) AS itemKey,
  deed.takes_back IS NOT NULL AS again,
  deed.undone_by IS NULL AND target.takes_back IS NULL AND (target.undone_by IS NULL OR target.undone_by = deed.id)
  AND ${IS_KEPT} AS isOpen`;

const deedOf = ({ isOpen, again, ...deed }: DeedRowRead): Deed => ({
  ...deed,
  canBe: isOpen === 0 ? null : again === 1 ? 'doneAgain' : 'takenBack',
});

/** What was done to a course, the latest first. */
export async function deedsOf(manager: EntityManager, courseId: string): Promise<Deed[]> {
  const rows = await manager.query<DeedRowRead[]>(
    `SELECT ${DEED} FROM deed LEFT JOIN deed AS target ON target.id = deed.takes_back
      WHERE deed.course_id = ? ORDER BY deed.id DESC LIMIT ${MOST_DEEDS}`,
    [courseId],
  );
  return rows.map(deedOf);
}

/** Dates that a plan moved after a run and that stand where it put them, the latest first. */
export async function fixesAfter(manager: EntityManager, runId: string): Promise<Deed[]> {
  const rows = await manager.query<DeedRowRead[]>(
    `SELECT ${DEED} FROM deed AS run JOIN deed ON deed.course_id = run.course_id AND deed.id > run.id AND deed.is_fix = 1
       LEFT JOIN deed AS target ON target.id = deed.takes_back
      WHERE run.run_id = ? ORDER BY deed.id DESC`,
    [runId],
  );
  return rows.map(deedOf).filter(({ canBe }) => canBe === 'takenBack');
}

/** What was taken back of a run, whole or in part, and can be done again; the latest first. */
export async function takenBackOf(manager: EntityManager, runId: string): Promise<Deed[]> {
  const rows = await manager.query<DeedRowRead[]>(
    `SELECT ${DEED} FROM deed AS target JOIN deed ON deed.takes_back = target.id
      WHERE target.run_id = ? ORDER BY deed.id DESC`,
    [runId],
  );
  return rows.map(deedOf).filter(({ canBe }) => canBe === 'doneAgain');
}
