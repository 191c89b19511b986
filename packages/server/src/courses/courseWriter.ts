import { ROWS } from '../database/lists.js';
import {
  mapTexts,
  snapshotOf,
  textHash,
  type Calendar,
  type Course,
  type Item,
  type LearnerSort,
  type StaffRole,
  withKeysOf,
} from '@yarin/core';
import { CourseRow, CourseStaffRow } from '../database/entities/course.js';
import { PersonRow } from '../database/entities/person.js';
import { TermRow } from '../database/entities/term.js';
import type { Command } from '../database/command.js';
import { termsChanged } from '../terms/termStore.js';
import { indexCourses } from './findIndex.js';

export interface NewTerm {
  readonly id: string;
  readonly name: string;
  readonly calendar: Calendar;
}

/** Adds terms; one that is there already is brought up to date. */
export const addTerms: Command<readonly NewTerm[], void> = async ({ manager }, terms) => {
  const rows = terms.map((term) => ({ ...term, firstDay: term.calendar.firstDay, lastDay: term.calendar.lastDay }));
  await manager.upsert(TermRow, rows, ['id']);
  await termsChanged(manager);
};

/** A person as the roster knows them; what they prefer is theirs, and stays when the roster is loaded again. */
export type RosteredPerson = Omit<PersonRow, 'dateStyle'>;

export const addPeople: Command<readonly RosteredPerson[], void> = async ({ manager }, people) => {
  await manager.upsert(PersonRow, [...people], ['id']);
};

export interface NewCourse {
  readonly course: Course;
  readonly termId: string;
  readonly staff: readonly { readonly personId: string; readonly role: StaffRole }[];
  readonly department?: string | undefined;
  /** Who makes it, when it is made by hand. */
  readonly madeBy?: string;
}

/** Keys that are unique everywhere: an item's id behind its course's, in ids, links and addresses of bodies alike. */
function withKeys({ course, items }: Course): Item[] {
  const key = (id: string): string => `${course.id}.${id}`;
  const rekeyed = (text: string): string => withKeysOf(text, key);
  return items.map((item) => ({
    ...item,
    id: key(item.id),
    ...(item.parent === undefined ? {} : { parent: key(item.parent) }),
    ...(item.body === undefined ? {} : { body: rekeyed(item.body) }),
    ...(item.details === undefined ? {} : { details: mapTexts(item.details, rekeyed) }),
    moments: (item.moments ?? []).map((moment) => ({ ...moment, id: key(moment.id) })),
    links: (item.links ?? []).map((link) => (link.course === undefined ? { ...link, to: key(link.to) } : link)),
  }));
}

/** Adds a course with everything in it, set by set. */
export const addCourse: Command<NewCourse, void> = async (
  { manager },
  { course: whole, termId, staff, department, madeBy },
) => {
  const { course, meetings = [], marks = [] } = whole;
  const items = withKeys(whole);
  const snapshot = snapshotOf({ ...whole, items });
  await manager.insert(CourseRow, {
    id: course.id,
    code: course.code,
    number: course.number,
    section: course.section,
    title: course.title,
    termId,
    partId: null,
    calendarAdditions: null,
    type: course.type ?? 'course',
    mode: course.mode ?? null,
    campus: course.campus ?? null,
    room: course.room ?? null,
    locale: course.locale ?? 'en-US',
    openToLearners: course.openToLearners ?? false,
    archived: course.archived ?? false,
    meetings,
    version: 1,
    department: department ?? null,
    openForReuse: course.openForReuse ?? false,
    cancelled: false,
    madeBy: madeBy ?? null,
    startsOn: course.startsOn ?? null,
    endsOn: course.endsOn ?? null,
  });
  await manager.insert(
    CourseStaffRow,
    staff.map((each) => ({ ...each, courseId: course.id })),
  );
  await insertBodies(
    manager,
    items.flatMap(({ body }) => (body === undefined || body === '' ? [] : [body])),
  );
  const rows = snapshot.items.map(({ moments: _moments, links: _links, ...row }) => row);
  await manager.query(
    `INSERT INTO item (course_id, key, kind, title, body_hash, parent_key, position, state, state_before, ever_open, points, details, content_hash, edited_at)
     SELECT ?, value->>'id', value->>'kind', value->>'title', value->>'bodyHash', value->>'parent', value->>'position',
            coalesce(value->>'state', 'open'), value->>'stateBefore', value->>'everOpen', value->>'points',
            value->'details', value->>'contentHash', value->>'editedAt'
       FROM ${ROWS}`,
    [course.id, JSON.stringify(rows)],
  );
  await insertMoments(manager, course.id, snapshot.items);
  await insertLinks(manager, course.id, snapshot.items);
  await indexCourses(manager, [course.id]);
  await manager.query(
    `INSERT INTO mark (course_id, item_key, mark, note) SELECT ?, ? || '.' || (value->>'item'), value->>'mark', value->>'note' FROM ${ROWS}`,
    [course.id, course.id, JSON.stringify(marks)],
  );
};

type Manager = Parameters<typeof addCourse>[0]['manager'];
type Holder = Pick<Item, 'id' | 'moments' | 'links'>;

/** Stores texts under their hashes, each once. */
export async function insertBodies(manager: Manager, texts: readonly string[]): Promise<void> {
  if (texts.length === 0) return;
  await manager.query(
    `INSERT INTO body (hash, text) SELECT value->>'hash', value->>'text' FROM ${ROWS} WHERE true ON CONFLICT DO NOTHING`,
    [JSON.stringify(texts.map((text) => ({ hash: textHash(text), text })))],
  );
}

/** Inserts the moments of items, in one statement. */
export async function insertMoments(manager: Manager, courseId: string, items: readonly Holder[]): Promise<void> {
  const rows = items.flatMap(({ id, moments = [] }) => moments.map((moment) => ({ ...moment, item: id })));
  if (rows.length === 0) return;
  await manager.query(
    `INSERT INTO moment (course_id, key, item_key, role, at, for_whom, series)
     SELECT ?, value->>'id', value->>'item', value->>'role', value->>'at', value->>'for', value->>'series' FROM ${ROWS}`,
    [courseId, JSON.stringify(rows)],
  );
}

/** Inserts the links of items, in one statement. */
export async function insertLinks(manager: Manager, courseId: string, items: readonly Holder[]): Promise<void> {
  const rows = items.flatMap(({ id, links = [] }) => links.map((link, place) => ({ ...link, from: id, place })));
  if (rows.length === 0) return;
  await manager.query(
    `INSERT INTO item_link (course_id, from_key, place, type, to_key, quantity, other_course)
     SELECT ?, value->>'from', value->>'place', value->>'type', value->>'to', value->>'quantity', value->>'course' FROM ${ROWS}`,
    [courseId, JSON.stringify(rows)],
  );
}

export interface NewLearnerRecord {
  readonly courseId: string;
  readonly sort: LearnerSort;
  readonly itemKey: string | null;
  readonly learnerId: string;
  readonly at: string;
  readonly says: string;
}

export const addLearnerRecords: Command<readonly NewLearnerRecord[], void> = async ({ manager }, records) => {
  await manager.query(
    `INSERT INTO learner_record (course_id, sort, item_key, learner_id, at, says)
     SELECT value->>'courseId', value->>'sort', value->>'itemKey', value->>'learnerId', value->>'at', value->>'says' FROM ${ROWS}`,
    [JSON.stringify(records)],
  );
};
