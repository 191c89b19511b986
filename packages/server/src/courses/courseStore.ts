import { VALUES } from '../database/lists.js';
import {
  groupBy,
  type Course,
  type CourseHead,
  type Item,
  type Link,
  type Mark,
  type Moment,
  type Snapshot,
  type SnapshotItem,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { calendarOfCourse } from '../terms/termStore.js';
import { CourseRow } from '../database/entities/course.js';
import { BodyRow } from '../database/entities/item.js';
import { TermRow } from '../database/entities/term.js';

/** Says `undefined` where the database says NULL, in place. Nothing is deleted, so that all rows keep one shape. */
const defined = <Value extends object>(value: { [Key in keyof Value]: Value[Key] | null | undefined }): Value => {
  for (const key in value) if (value[key] === null) value[key] = undefined;
  return value as Value;
};

/** Who teaches a course, in order of family name. */
const instructorsOf = (manager: EntityManager, courseId: string): Promise<{ id: string; name: string }[]> =>
  manager.query(
    `SELECT person.id, person.given_name || ' ' || person.family_name AS name
       FROM course_staff JOIN person ON person.id = course_staff.person_id
      WHERE course_staff.course_id = ? AND course_staff.role = 'instructor' ORDER BY person.family_name`,
    [courseId],
  );

async function readHead(manager: EntityManager, row: CourseRow, term: string): Promise<CourseHead> {
  return defined<CourseHead>({
    id: row.id,
    code: row.code,
    number: row.number,
    section: row.section,
    title: row.title,
    term,
    type: row.type,
    mode: row.mode,
    campus: row.campus,
    home: 'here',
    room: row.room,
    locale: row.locale,
    instructors: await instructorsOf(manager, row.id),
    openToLearners: row.openToLearners,
    openForReuse: row.openForReuse,
    startsOn: row.startsOn,
    endsOn: row.endsOn,
    archived: row.archived,
  });
}

type Nullable<Row> = { readonly [Key in keyof Row]: Row[Key] | null };

interface StoredRow
  extends
    Pick<SnapshotItem, 'id' | 'kind' | 'title' | 'contentHash' | 'state' | 'version'>,
    Nullable<
      Required<
        Pick<SnapshotItem, 'bodyHash' | 'parent' | 'position' | 'stateBefore' | 'points' | 'editedAt' | 'editedBy'>
      >
    > {
  readonly details: string | null;
  readonly everOpen: number | null;
}
interface StoredMoment extends Pick<Moment, 'id' | 'role' | 'at'> {
  readonly item: string;
  readonly people: string | null;
  readonly series: string | null;
}
interface StoredLink extends Pick<Link, 'type'> {
  readonly item: string;
  readonly target: string;
  readonly quantity: number | null;
  readonly course: string | null;
}

/** Rows by the item that they hang on. */
function grouped<Row, Hanging>(
  rows: readonly (Row & { readonly item: string })[],
  hanging: (row: Row) => Hanging,
): ReadonlyMap<string, Hanging[]> {
  const groups = groupBy(rows, ({ item }) => item);
  return new Map([...groups].map(([item, group]) => [item, group.map(hanging)]));
}

const NONE: never[] = [];

/** @param keys  these items alone; all of the course when absent */
async function readItems(manager: EntityManager, courseId: string, keys?: readonly string[]): Promise<SnapshotItem[]> {
  const wanted = keys === undefined ? [courseId] : [courseId, JSON.stringify(keys)];
  const among = (column: string): string => (keys === undefined ? '' : `AND ${column} IN ${VALUES}`);
  const items = await manager.query<StoredRow[]>(
    `SELECT key AS id, kind, title, body_hash AS bodyHash, parent_key AS parent, position, state,
            state_before AS stateBefore, ever_open AS everOpen, points, details, content_hash AS contentHash, edited_at AS editedAt,
            edited_by AS editedBy, version
       FROM item WHERE course_id = ? ${among('key')} ORDER BY position, key`,
    wanted,
  );
  const moments = grouped(
    await manager.query<StoredMoment[]>(
      `SELECT item_key AS item, key AS id, role, at, for_whom AS people, series
         FROM moment WHERE course_id = ? ${among('item_key')} ORDER BY at, key`,
      wanted,
    ),
    ({ id, role, at, people, series }): Moment => ({
      id,
      role,
      at,
      for: people ?? undefined,
      series: series ?? undefined,
    }),
  );
  const links = grouped(
    await manager.query<StoredLink[]>(
      `SELECT from_key AS item, type, to_key AS target, quantity, other_course AS course
         FROM item_link WHERE course_id = ? ${among('from_key')} ORDER BY from_key, place`,
      wanted,
    ),
    ({ type, target, quantity, course }): Link => ({
      type,
      to: target,
      quantity: quantity ?? undefined,
      course: course ?? undefined,
    }),
  );
  const begun = await begunIn(manager, courseId);
  return items.map((row) => ({
    ...(begun.has(row.id) ? { begun: true as const } : {}),
    id: row.id,
    kind: row.kind,
    title: row.title,
    contentHash: row.contentHash,
    version: row.version,
    state: row.state,
    moments: moments.get(row.id) ?? NONE,
    links: links.get(row.id) ?? NONE,
    bodyHash: row.bodyHash ?? undefined,
    parent: row.parent ?? undefined,
    position: row.position ?? undefined,
    stateBefore: row.stateBefore ?? undefined,
    everOpen: row.everOpen === null ? undefined : row.everOpen === 1,
    points: row.points ?? undefined,
    details: row.details === null ? undefined : (JSON.parse(row.details) as Record<string, unknown>),
    editedAt: row.editedAt ?? undefined,
    editedBy: row.editedBy ?? undefined,
  }));
}

/** Of learners’ records those that say that a thing was begun: a condition. */
export const OF_WORK = `learner_record.sort IN ('submission', 'attempt', 'reply', 'mark')`;

/** Things of a course that learners have begun: what they handed in, answered, replied or got a mark for hangs on them. */
async function begunIn(manager: EntityManager, courseId: string): Promise<ReadonlySet<string>> {
  const rows = await manager.query<{ key: string }[]>(
    `SELECT DISTINCT item_key AS key FROM learner_record
      WHERE course_id = ? AND ${OF_WORK} AND item_key IS NOT NULL`,
    [courseId],
  );
  return new Set(rows.map(({ key }) => key));
}

/** One item of a course, with its moments and links; `undefined` when it is not there. */
export async function readItem(
  manager: EntityManager,
  courseId: string,
  key: string,
): Promise<SnapshotItem | undefined> {
  const [item] = await readItems(manager, courseId, [key]);
  return item;
}

/** Those of some items that stand in a course, by key. */
export async function readThings(
  manager: EntityManager,
  courseId: string,
  keys: readonly string[],
): Promise<ReadonlyMap<string, SnapshotItem>> {
  if (keys.length === 0) return new Map();
  return new Map((await readItems(manager, courseId, keys)).map((item) => [item.id, item]));
}

/** The text with a hash; none when there is no hash. */
export async function readText(manager: EntityManager, bodyHash: string | undefined): Promise<string> {
  if (bodyHash === undefined) return '';
  return (await manager.findOneBy(BodyRow, { hash: bodyHash }))?.text ?? '';
}

/**
 * Reads a course without its texts, in the shape that the core plans with. Item ids are the stored keys; hashes and
 * links are those that were stored when the course was written.
 *
 * @returns `undefined` when there is no such course
 */
export async function readSnapshot(manager: EntityManager, courseId: string): Promise<Snapshot | undefined> {
  const row = await manager.findOneBy(CourseRow, { id: courseId });
  if (row === null) return undefined;
  const term = await manager.findOneByOrFail(TermRow, { id: row.termId });
  const marks = await manager.query<Mark[]>(
    'SELECT item_key AS item, mark, note FROM mark WHERE course_id = ? ORDER BY item_key',
    [courseId],
  );
  return {
    course: await readHead(manager, row, term.name),
    calendar: await calendarOfCourse(manager, row, term),
    meetings: row.meetings,
    items: await readItems(manager, courseId),
    marks: marks.map((mark) => defined<Mark>(mark)),
  };
}

/** A snapshot with its texts, for what has to read them. */
export async function withTexts(manager: EntityManager, snapshot: Snapshot): Promise<Course> {
  const rows = await manager.query<BodyRow[]>(`SELECT hash, text FROM body WHERE hash IN ${VALUES}`, [
    JSON.stringify([...new Set(snapshot.items.flatMap(({ bodyHash }) => bodyHash ?? []))]),
  ]);
  const texts = new Map(rows.map(({ hash, text }) => [hash, text]));
  const { course, calendar, meetings, marks, items } = snapshot;
  return {
    course,
    calendar,
    meetings: [...meetings],
    marks: [...marks],
    items: items.map(({ contentHash: _hash, bodyHash, ...item }): Item => {
      const body = bodyHash === undefined ? undefined : texts.get(bodyHash);
      return body === undefined ? item : { ...item, body };
    }),
  };
}
