import type { Course, CourseSummary, Item, Link, Mark, Moment } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { CourseRow, CourseStaffRow } from '../database/entities/course.js';
import { BodyRow, ItemLinkRow, ItemRow, MarkRow, MomentRow } from '../database/entities/item.js';
import { PersonRow } from '../database/entities/person.js';
import { TermRow } from '../database/entities/term.js';

const defined = <Value extends object>(value: { [Key in keyof Value]: Value[Key] | null | undefined }): Value =>
  Object.fromEntries(Object.entries(value).filter(([, each]) => each !== null && each !== undefined)) as Value;

const groupBy = <Row>(rows: readonly Row[], key: (row: Row) => string): ReadonlyMap<string, Row[]> => {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const group = groups.get(key(row));
    if (group === undefined) groups.set(key(row), [row]);
    else group.push(row);
  }
  return groups;
};

/** Who teaches a course, in order of family name. */
async function instructorsOf(manager: EntityManager, courseId: string): Promise<{ id: string; name: string }[]> {
  const people: PersonRow[] = await manager
    .createQueryBuilder(PersonRow, 'person')
    .innerJoin(CourseStaffRow, 'staff', 'staff.person_id = person.id')
    .where('staff.course_id = :courseId AND staff.role = :role', { courseId, role: 'instructor' })
    .orderBy('person.family_name')
    .getMany();
  return people.map(({ id, givenName, familyName }) => ({ id, name: `${givenName} ${familyName}` }));
}

function itemOf(
  row: ItemRow,
  body: string | undefined,
  moments: readonly MomentRow[],
  links: readonly ItemLinkRow[],
): Item {
  return defined<Item>({
    id: row.key,
    kind: row.kind,
    title: row.title,
    body,
    parent: row.parentKey,
    position: row.position,
    state: row.state,
    stateBefore: row.stateBefore,
    everOpen: row.everOpen,
    points: row.points,
    moments: moments.map((moment) =>
      defined<Moment>({ id: moment.key, role: moment.role, at: moment.at, for: moment.forWhom, series: moment.series }),
    ),
    links: links.map((link) =>
      defined<Link>({ type: link.type, to: link.toKey, quantity: link.quantity, course: link.otherCourse }),
    ),
    editedAt: row.editedAt,
    details: row.details,
  });
}

/**
 * Reads a course whole, texts included, in the shape that the core computes with. Item ids are the stored keys.
 *
 * @returns `undefined` when there is no such course
 */
export async function readWholeCourse(manager: EntityManager, courseId: string): Promise<Course | undefined> {
  const row = await manager.findOneBy(CourseRow, { id: courseId });
  if (row === null) return undefined;
  const term = await manager.findOneByOrFail(TermRow, { id: row.termId });
  const items = await manager.find(ItemRow, { where: { courseId }, order: { position: 'ASC', key: 'ASC' } });
  const moments = groupBy(
    await manager.find(MomentRow, { where: { courseId }, order: { at: 'ASC', key: 'ASC' } }),
    ({ itemKey }) => itemKey,
  );
  const links = groupBy(
    await manager.find(ItemLinkRow, { where: { courseId }, order: { fromKey: 'ASC', place: 'ASC' } }),
    ({ fromKey }) => fromKey,
  );
  const bodies = new Map(
    (
      await manager
        .createQueryBuilder(BodyRow, 'body')
        .where('body.hash IN (SELECT body_hash FROM item WHERE course_id = :courseId)', { courseId })
        .getMany()
    ).map(({ hash, text }) => [hash, text]),
  );
  const marks = await manager.find(MarkRow, { where: { courseId }, order: { itemKey: 'ASC' } });
  return {
    course: defined<Course['course']>({
      id: row.id,
      code: row.code,
      number: row.number,
      section: row.section,
      title: row.title,
      term: term.name,
      type: row.type,
      mode: row.mode,
      campus: row.campus,
      home: 'here',
      room: row.room,
      locale: row.locale,
      instructors: await instructorsOf(manager, courseId),
      openToLearners: row.openToLearners,
      archived: row.archived,
    }),
    calendar: term.calendar,
    meetings: row.meetings,
    items: items.map((item) =>
      itemOf(
        item,
        item.bodyHash === null ? undefined : bodies.get(item.bodyHash),
        moments.get(item.key) ?? [],
        links.get(item.key) ?? [],
      ),
    ),
    marks: marks.map((mark) => defined<Mark>({ item: mark.itemKey, mark: mark.mark, note: mark.note })),
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
