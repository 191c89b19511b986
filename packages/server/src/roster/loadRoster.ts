import { ROWS, VALUES } from '../database/lists.js';
import type { Calendar, RosterNotice, RosterReport } from '@yarin/core';
import type { Roster, RosterClass } from '@yarin/formats';
import type { EntityManager } from 'typeorm';
import { addCourse, addPeople, addTerms } from '../courses/courseWriter.js';
import { STOCK_THINGS } from '../courses/stockThings.js';
import { CourseRow } from '../database/entities/course.js';
import { PersonRow } from '../database/entities/person.js';
import { FormerCodeRow, RosterLoadRow, RosterNoticeRow } from '../database/entities/roster.js';
import { TermRow } from '../database/entities/term.js';
import { indexCourses } from '../courses/findIndex.js';
import type { Doer } from '../history/deeds.js';
import { INSTITUTION } from '../institution.js';
import { nameOf } from '../people/names.js';
import type { Command, WriteContext } from '../database/command.js';

export interface RosterLoad {
  readonly roster: Roster;
  readonly doer: Doer;
  readonly at: string;
}

/**
 * Loads a roster into what is there: adds what is new, updates what changed, and says what touches a course. Loading
 * the same roster again changes nothing.
 *
 * @see docs/rules.md, "The roster"
 */
export const loadRoster: Command<RosterLoad, RosterReport> = async (context, { roster, doer, at }) => {
  const { manager } = context;
  const terms = await loadTerms(context, roster);
  const people = await loadPeople(context, roster);
  const notices: RosterNotice[] = [];
  const say = (courseId: string, sentence: string): void => void notices.push({ courseId, at, sentence });
  const sections = await loadSections(context, roster, say);
  await loadTeaching(manager, roster, say);
  await loadFormerCodes(manager, roster);
  await manager.insert(RosterNoticeRow, notices);
  await indexCourses(
    manager,
    roster.classes.map(({ id }) => id),
  );
  const report: RosterReport = {
    at,
    by: await nameOf(manager, doer),
    terms,
    people,
    sections,
    learnersDropped: roster.learnersDropped,
    notices,
    problems: roster.problems,
  };
  await manager.insert(RosterLoadRow, { report });
  return report;
};

type Say = (courseId: string, sentence: string) => void;
interface Counted {
  readonly added: number;
  readonly changed: number;
}

async function loadTerms(context: WriteContext, { terms }: Roster): Promise<Counted> {
  const known = new Map((await context.manager.find(TermRow)).map((term) => [term.id, term]));
  const calendarOf = (id: string, name: string, firstDay: string, lastDay: string): Calendar => ({
    ...(known.get(id)?.calendar ?? { timeZone: INSTITUTION.timeZone }),
    name,
    firstDay,
    lastDay,
  });
  const fresh = terms.filter(({ id }) => !known.has(id));
  const changed = terms.filter(({ id, name, firstDay, lastDay }) => {
    const term = known.get(id);
    return term !== undefined && (term.name !== name || term.firstDay !== firstDay || term.lastDay !== lastDay);
  });
  await addTerms(
    context,
    [...fresh, ...changed].map(({ id, name, firstDay, lastDay }) => ({
      id,
      name,
      calendar: calendarOf(id, name, firstDay, lastDay),
    })),
  );
  // Plans are computed anew when a term moved under them, and whoever draws on its calendar is told.
  await context.manager.query(`UPDATE term SET version = version + 1 WHERE id IN ${VALUES}`, [
    JSON.stringify(changed.map(({ id }) => id)),
  ]);
  await context.manager.query(`UPDATE course SET version = version + 1 WHERE term_id IN ${VALUES}`, [
    JSON.stringify(changed.map(({ id }) => id)),
  ]);
  return { added: fresh.length, changed: changed.length };
}

async function loadPeople(context: WriteContext, { people }: Roster): Promise<Counted> {
  const known = new Map((await context.manager.find(PersonRow)).map((person) => [person.id, person]));
  const fresh = people.filter(({ id }) => !known.has(id));
  const changed = people.filter((person) => {
    const before = known.get(person.id);
    return (
      before !== undefined && Object.entries(person).some(([name, value]) => before[name as keyof PersonRow] !== value)
    );
  });
  await addPeople(context, [...fresh, ...changed]);
  return { added: fresh.length, changed: changed.length };
}

const SECTION_FIELDS = ['code', 'number', 'section', 'title', 'termId', 'room', 'campus', 'department'] as const;

async function loadSections(context: WriteContext, roster: Roster, say: Say): Promise<RosterReport['sections']> {
  const { manager } = context;
  const known = new Map((await manager.find(CourseRow)).map((course) => [course.id, course]));
  const terms = new Map((await manager.find(TermRow)).map((term) => [term.id, term]));
  const counts = { added: 0, changed: 0, cancelled: 0 };
  for (const section of roster.classes) {
    const course = known.get(section.id);
    if (course === undefined) {
      if (section.isCancelled) continue;
      await addSection(context, section, terms.get(section.termId)!);
      say(section.id, `The registrar added the section ${codeOf(section)}.`);
      counts.added++;
      continue;
    }
    if (section.isCancelled !== course.cancelled) {
      await manager.update(CourseRow, { id: course.id }, { cancelled: section.isCancelled });
      say(
        course.id,
        `The registrar ${section.isCancelled ? 'took the section off' : 'put the section on again'}: ${codeOf(section)}.`,
      );
      if (section.isCancelled) counts.cancelled++;
      else counts.changed++;
    }
    if (section.isCancelled) continue;
    const changes = changesOf(course, section);
    if (Object.keys(changes).length === 0) continue;
    counts.changed++;
    await manager.update(CourseRow, { id: course.id }, changes);
    await manager.query('UPDATE course SET version = version + 1 WHERE id = ?', [course.id]);
    if (changes.code !== undefined || changes.number !== undefined)
      say(course.id, `${course.code} ${course.number} is called ${section.code} ${section.number} now.`);
    if (changes.section !== undefined) say(course.id, `Section ${course.section} is section ${section.section} now.`);
    if (changes.room !== undefined)
      say(
        course.id,
        `${codeOf(section)} meets in ${section.room ?? 'no room yet'}${course.room === null ? '' : `, no longer in ${course.room}`}.`,
      );
    if (changes.termId !== undefined)
      say(course.id, `${codeOf(section)} runs in ${terms.get(section.termId)!.name} now.`);
  }
  return counts;
}

const codeOf = ({ code, number, section }: Pick<RosterClass, 'code' | 'number' | 'section'>): string =>
  `${code} ${number}-${section}`;

/** What the roster says otherwise than the course; what it does not say changes nothing. */
function changesOf(course: CourseRow, section: RosterClass): Partial<CourseRow> {
  return Object.fromEntries(
    SECTION_FIELDS.flatMap((name) => {
      const value = section[name];
      return value === undefined || value === course[name] ? [] : [[name, value]];
    }),
  );
}

async function addSection(context: WriteContext, section: RosterClass, term: TermRow): Promise<void> {
  const { id, code, number, title, room, campus, department } = section;
  await addCourse(context, {
    course: {
      course: {
        id,
        code,
        number,
        section: section.section,
        title,
        term: term.name,
        mode: 'on site',
        ...(room === undefined ? {} : { room }),
        ...(campus === undefined ? {} : { campus }),
      },
      calendar: term.calendar,
      items: [...STOCK_THINGS],
    },
    termId: section.termId,
    staff: [],
    department,
  });
}

interface StaffChange {
  readonly courseId: string;
  readonly personId: string;
  readonly role: string;
  readonly name: string;
  readonly code: string;
}

/** Who teaches what, as the roster says it for its sections; nobody is taken from a course that it does not name. */
async function loadTeaching(manager: EntityManager, { classes, teaching }: Roster, say: Say): Promise<void> {
  const rows = JSON.stringify(teaching);
  const ids = JSON.stringify(classes.flatMap(({ id, isCancelled }) => (isCancelled ? [] : [id])));
  const SHOWN = `person.given_name || ' ' || person.family_name AS name, course.code || ' ' || course.number || '-' || course.section AS code`;
  const came = await manager.query<StaffChange[]>(
    `SELECT value->>'classId' AS courseId, value->>'personId' AS personId, value->>'role' AS role, ${SHOWN}
       FROM ${ROWS} CROSS JOIN person ON person.id = value->>'personId' CROSS JOIN course ON course.id = value->>'classId'
      WHERE NOT EXISTS (SELECT 1 FROM course_staff WHERE course_id = value->>'classId' AND person_id = value->>'personId' AND role = value->>'role')`,
    [rows],
  );
  const left = await manager.query<StaffChange[]>(
    `SELECT course_staff.course_id AS courseId, course_staff.person_id AS personId, course_staff.role, ${SHOWN}
       FROM course_staff JOIN person ON person.id = course_staff.person_id JOIN course ON course.id = course_staff.course_id
      WHERE course_staff.course_id IN ${VALUES}
        AND (course_staff.course_id, course_staff.person_id) NOT IN (SELECT value->>'classId', value->>'personId' FROM ${ROWS})`,
    [ids, rows],
  );
  await manager.query(
    `DELETE FROM course_staff
      WHERE (course_id, person_id) IN (SELECT value->>'courseId', value->>'personId' FROM ${ROWS})`,
    [JSON.stringify(left)],
  );
  await manager.query(
    `INSERT INTO course_staff (course_id, person_id, role)
     SELECT value->>'courseId', value->>'personId', value->>'role' FROM ${ROWS} WHERE true
         ON CONFLICT (course_id, person_id) DO UPDATE SET role = excluded.role`,
    [JSON.stringify(came)],
  );
  for (const { courseId, name, code, role } of came) say(courseId, `${name} is ${role} of ${code} now.`);
  for (const { courseId, name, code, role } of left) say(courseId, `${name} is no longer ${role} of ${code}.`);
}

async function loadFormerCodes(manager: EntityManager, { formerly }: Roster): Promise<void> {
  const rows = formerly.map(({ code, number, was }) => ({ code, number, wasCode: was.code, wasNumber: was.number }));
  await manager.upsert(FormerCodeRow, rows, ['code', 'number', 'wasCode', 'wasNumber']);
}
