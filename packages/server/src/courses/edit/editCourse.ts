import { listOf, valuesOf } from '../../database/lists.js';
import { parseDay, type CourseEdit, type CourseFields, type NewShell } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { CourseRow, CourseStaffRow } from '../../database/entities/course.js';
import { TermRow } from '../../database/entities/term.js';
import { forget } from '../findIndex.js';
import { conflict, notFound, unusable } from '../../http/httpProblem.js';
import type { Command } from '../../database/command.js';
import { writeCourseFields } from '../courseFields.js';
import { addCourse } from '../courseWriter.js';
import { STOCK_THINGS } from '../stockThings.js';
import { courseChanged, type EditOf } from './editing.js';

async function courseToEdit(manager: EntityManager, id: string): Promise<CourseRow> {
  const row = await manager.findOneBy(CourseRow, { id });
  if (row === null)
    throw notFound('This course was removed meanwhile. What you wrote was not saved; copy it before you leave.');
  return row;
}

export interface CourseChanges extends EditOf {
  readonly changes: CourseEdit;
}

const CHANGE_WORDS: Readonly<Record<keyof CourseEdit, string>> = {
  title: 'its title',
  room: 'its room',
  startsOn: 'its first day',
  endsOn: 'its last day',
  openToLearners: 'who may come in',
  openForReuse: 'who may use it as a source',
};

/** Changes what is set for a whole course; what the edit does not name stays. */
export const editCourse: Command<CourseChanges, void> = async ({ manager }, edit) => {
  const { courseId, changes } = edit;
  const course = await courseToEdit(manager, courseId);
  const term = await manager.findOneByOrFail(TermRow, { id: course.termId });
  const day = (name: 'startsOn' | 'endsOn', otherwise: string): string =>
    (changes[name] === undefined ? course[name] : changes[name]) ?? otherwise;
  for (const name of ['startsOn', 'endsOn'] as const) {
    const value = changes[name];
    if (typeof value === 'string' && Number.isNaN(parseDay(value))) refuseDay(name, `${value} is not on any calendar.`);
  }
  if (day('endsOn', term.lastDay) < day('startsOn', term.firstDay))
    refuseDay(
      (changes.endsOn ?? null) === null ? 'startsOn' : 'endsOn',
      'A course has to end on or after the day it starts.',
    );
  const names = (Object.keys(changes) as (keyof CourseEdit)[]).filter((name) => changes[name] !== course[name]);
  if (names.length === 0) return;
  const before: CourseFields = Object.fromEntries(names.map((name) => [name, course[name]]));
  await writeCourseFields(manager, courseId, changes);
  await courseChanged(manager, edit, {
    what: `changed ${names.map((name) => CHANGE_WORDS[name]).join(' and ')}`,
    set: { before, after: Object.fromEntries(names.map((name) => [name, changes[name]])) },
  });
};

function refuseDay(name: string, message: string): never {
  throw unusable(message, [{ code: 'noSuchDate', message, where: `/${name}` }]);
}

export interface Archiving extends EditOf {
  readonly archived: boolean;
}

/** Puts a course out of the way, or brings it back. */
export const archiveCourse: Command<Archiving, void> = async ({ manager }, archiving) => {
  const { courseId, archived } = archiving;
  const course = await courseToEdit(manager, courseId);
  if (course.archived === archived)
    throw conflict(archived ? 'It is archived already.' : 'It is not archived any more.');
  await writeCourseFields(manager, courseId, { archived });
  await courseChanged(manager, archiving, {
    what: archived ? 'archived the course' : 'brought the course back from the archive',
    set: { before: { archived: course.archived }, after: { archived } },
  });
};

export interface ShellAddition extends EditOf, NewShell {
  readonly department: string | null;
}

/** Makes a shell by hand, with the stock things that every shell of the institution has. */
export const addShell: Command<ShellAddition, void> = async (context, addition) => {
  const { manager } = context;
  const { courseId, termId, code, number, section, title, department, doer } = addition;
  const term = await manager.findOneBy(TermRow, { id: termId });
  if (term === null) throw notFound('There is no such term; choose one of the list.');
  const same = await manager.findOneBy(CourseRow, { termId, code, number, section });
  if (same !== null)
    throw conflict(
      `${code} ${number}-${section} is there already in ${term.name}. Give another section, or open that one.`,
    );
  await addCourse(context, {
    course: {
      course: {
        id: courseId,
        code,
        number,
        section,
        title: title.trim(),
        term: term.name,
        campus: 'Main',
        mode: 'on site',
      },
      calendar: term.calendar,
      items: [...STOCK_THINGS],
    },
    termId,
    staff: [{ personId: doer.forPersonId ?? doer.personId, role: 'instructor' }],
    department: department ?? undefined,
    madeBy: doer.personId,
  });
  await courseChanged(manager, addition, { what: 'made the shell by hand' });
};

/** Removes a shell that was made by hand and holds nothing but stock. */
export const removeShell: Command<EditOf, void> = async ({ manager }, { courseId }) => {
  const course = await courseToEdit(manager, courseId);
  if (course.madeBy === null) throw conflict('The registrar made this shell; it goes when the roster takes it off.');
  const [{ things }] = (await manager.query<{ things: number }[]>(
    'SELECT count(*) AS things FROM item WHERE course_id = ? AND edited_at IS NOT NULL',
    [courseId],
  )) as [{ things: number }];
  if (things > 0)
    throw conflict(
      `It holds ${things} ${things === 1 ? 'thing' : 'things'} that somebody made. Archive it instead; nothing is lost then.`,
    );
  await forget(manager, course.findId === null ? [] : [course.findId]);
  await manager.query('DELETE FROM operation WHERE deed_id IN (SELECT id FROM deed WHERE course_id = ?)', [courseId]);
  for (const table of ['item', 'item_link', 'moment', 'item_alias', 'mark', 'deed'])
    await manager.query(`DELETE FROM ${table} WHERE course_id = ?`, [courseId]);
  await manager.query('DELETE FROM plan WHERE destination_id = ? OR source_id = ?', [courseId, courseId]);
  await manager.query(
    `UPDATE plan SET version = version + 1, further_sources =
            (SELECT ${listOf('value')} FROM ${valuesOf('plan.further_sources')} WHERE value <> ?)
      WHERE EXISTS (SELECT 1 FROM ${valuesOf('plan.further_sources')} WHERE value = ?)`,
    [courseId, courseId],
  );
  await manager.delete(CourseStaffRow, { courseId });
  await manager.delete(CourseRow, { id: courseId });
};
