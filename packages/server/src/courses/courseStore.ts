import type { Course, CourseHead, CourseSummary, Item, Link, Mark, Moment, Snapshot, SnapshotItem } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { CourseRow } from '../database/entities/course.js';
import { BodyRow } from '../database/entities/item.js';
import type { PersonRow } from '../database/entities/person.js';
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
    archived: row.archived,
  });
}

type Nullable<Row> = { readonly [Key in keyof Row]: Row[Key] | null };

interface StoredRow
  extends
    Pick<SnapshotItem, 'id' | 'kind' | 'title' | 'contentHash' | 'state'>,
    Nullable<Required<Pick<SnapshotItem, 'bodyHash' | 'parent' | 'position' | 'stateBefore' | 'points' | 'editedAt'>>> {
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
  const groups = new Map<string, Hanging[]>();
  for (const row of rows) {
    const group = groups.get(row.item);
    if (group === undefined) groups.set(row.item, [hanging(row)]);
    else group.push(hanging(row));
  }
  return groups;
}

const NONE: never[] = [];

async function readItems(manager: EntityManager, courseId: string): Promise<SnapshotItem[]> {
  const items = await manager.query<StoredRow[]>(
    `SELECT key AS id, kind, title, body_hash AS bodyHash, parent_key AS parent, position, state,
            state_before AS stateBefore, ever_open AS everOpen, points, details, content_hash AS contentHash, edited_at AS editedAt
       FROM item WHERE course_id = ? ORDER BY position, key`,
    [courseId],
  );
  const moments = grouped(
    await manager.query<StoredMoment[]>(
      'SELECT item_key AS item, key AS id, role, at, for_whom AS people, series FROM moment WHERE course_id = ? ORDER BY at, key',
      [courseId],
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
         FROM item_link WHERE course_id = ? ORDER BY from_key, place`,
      [courseId],
    ),
    ({ type, target, quantity, course }): Link => ({
      type,
      to: target,
      quantity: quantity ?? undefined,
      course: course ?? undefined,
    }),
  );
  return items.map((row) => ({
    id: row.id,
    kind: row.kind,
    title: row.title,
    contentHash: row.contentHash,
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
  }));
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
    calendar: term.calendar,
    meetings: row.meetings,
    items: await readItems(manager, courseId),
    marks: marks.map((mark) => defined<Mark>(mark)),
  };
}

/** A snapshot with its texts, for what has to read them. */
export async function withTexts(manager: EntityManager, snapshot: Snapshot): Promise<Course> {
  const texts = new Map(
    (
      await manager
        .createQueryBuilder(BodyRow, 'body')
        .where('body.hash IN (SELECT body_hash FROM item WHERE course_id = :id)', { id: snapshot.course.id })
        .getMany()
    ).map(({ hash, text }) => [hash, text]),
  );
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

interface SummaryRow extends Omit<CourseSummary, 'meetings' | 'instructorIds' | 'instructors'> {
  readonly meetings: string;
  readonly staff: string;
}

const SUMMARY = `
  SELECT course.id, course.code, course.number, course.section, course.title, course.type, course.mode, course.campus,
         course.room, course.meetings, course.version, term.name AS term, term.first_day AS firstDay, term.last_day AS lastDay,
         (SELECT json_group_array(json_object('id', person.id, 'name', person.given_name || ' ' || person.family_name))
            FROM course_staff JOIN person ON person.id = course_staff.person_id
           WHERE course_staff.course_id = course.id AND course_staff.role = 'instructor') AS staff,
         (SELECT count(*) FROM item WHERE item.course_id = course.id) AS things,
         (SELECT count(*) FROM item WHERE item.course_id = course.id AND item.edited_at IS NULL) AS stockThings,
         (SELECT max(edited_at) FROM item WHERE item.course_id = course.id) AS editedAt
    FROM course JOIN term ON term.id = course.term_id`;

const summaryOf = ({ staff, meetings, ...row }: SummaryRow): CourseSummary => {
  const people = JSON.parse(staff) as { id: string; name: string }[];
  return {
    ...row,
    meetings: JSON.parse(meetings) as CourseSummary['meetings'],
    instructorIds: people.map(({ id }) => id),
    instructors: people.map(({ name }) => name),
  };
};

export async function summariseCourse(manager: EntityManager, courseId: string): Promise<CourseSummary | undefined> {
  const [row] = await manager.query<SummaryRow[]>(`${SUMMARY} WHERE course.id = ?`, [courseId]);
  return row === undefined ? undefined : summaryOf(row);
}

/** All courses that a person may read: their own, those they assist, shared templates; an administrator, every one. */
export async function readableCourses(manager: EntityManager, person: PersonRow): Promise<CourseSummary[]> {
  const order = ' ORDER BY course.code, course.number, term.first_day DESC, course.section';
  const rows =
    person.role === 'administrator'
      ? await manager.query<SummaryRow[]>(SUMMARY + order)
      : await manager.query<SummaryRow[]>(
          `${SUMMARY} WHERE course.type = 'template'
             OR course.id IN (SELECT course_id FROM course_staff WHERE person_id = ?)${order}`,
          [person.id],
        );
  return rows.map(summaryOf);
}

/** Text and words as they are searched: lower case, without spaces and signs. */
export const searchForm = (text: string): string =>
  text
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '');

const MOST_FOUND = 20;

/** Courses that a person may read and whose code, number, section, title or term hold every word. */
export async function findCourses(manager: EntityManager, person: PersonRow, words: string): Promise<CourseSummary[]> {
  const wanted = words
    .split(/\s+/)
    .map(searchForm)
    .filter((word) => word !== '');
  if (wanted.length === 0) return [];
  const matches = await manager.query<{ id: string }[]>(
    `SELECT id FROM course WHERE ${wanted.map(() => 'instr(search_text, ?) > 0').join(' AND ')}`,
    wanted,
  );
  const ids = new Set(matches.map(({ id }) => id));
  return (await readableCourses(manager, person)).filter(({ id }) => ids.has(id)).slice(0, MOST_FOUND);
}
