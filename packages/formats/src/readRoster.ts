import { parseDay, type Problem } from '@yarin/core';
import { readTable, type TableRow } from './readTable.js';

/** The CSV files of a roster by name without ending: academicSessions, courses, classes, users, enrollments. */
export type RosterFiles = Readonly<Record<string, string>>;

export interface RosterTerm {
  readonly id: string;
  readonly name: string;
  readonly firstDay: string;
  readonly lastDay: string;
}

export interface RosterPerson {
  readonly id: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly email: string;
  readonly role: 'instructor' | 'assistant' | 'administrator';
}

export interface RosterClass {
  readonly id: string;
  readonly code: string;
  readonly number: string;
  readonly section: string;
  readonly title: string;
  readonly termId: string;
  readonly room: string | undefined;
}

export interface RosterTeaching {
  readonly classId: string;
  readonly personId: string;
  readonly role: 'instructor' | 'assistant';
}

/** What a roster says of terms, classes and who teaches them. Learners are dropped here and only counted. */
export interface Roster {
  readonly terms: readonly RosterTerm[];
  readonly people: readonly RosterPerson[];
  readonly classes: readonly RosterClass[];
  readonly teaching: readonly RosterTeaching[];
  readonly learnersDropped: { readonly people: number; readonly enrolments: number };
  /** Bad rows by file and line; the good ones are kept. */
  readonly problems: readonly Problem[];
}

const STAFF: Readonly<Record<string, RosterPerson['role']>> = {
  teacher: 'instructor',
  aide: 'assistant',
  administrator: 'administrator',
};

/** Reads a roster in OneRoster 1.1 CSV. */
export function readRoster(files: RosterFiles): Roster {
  const problems: Problem[] = [];
  const rows = (name: string): TableRow[] =>
    readTable(files[name] ?? '').filter(({ cells }) => cells.status !== 'tobedeleted');
  const bad = (file: string, line: number, code: string, message: string): undefined => {
    problems.push({ code, message, where: `/${file}.csv/${line}` });
    return undefined;
  };
  const keep = <Value>(name: string, read: (row: TableRow) => Value | undefined): Value[] =>
    rows(name).flatMap((row) => read(row) ?? []);

  const terms = keep('academicSessions', ({ line, cells }) => {
    const { sourcedId, title, startDate, endDate } = cells;
    if (!sourcedId || !title) return bad('academicSessions', line, 'missing', 'A term needs a sourcedId and a title.');
    if (!(parseDay(startDate ?? '') < parseDay(endDate ?? '')))
      return bad(
        'academicSessions',
        line,
        'noSuchDate',
        `“${title}” needs a startDate before its endDate, as YYYY-MM-DD.`,
      );
    return { id: sourcedId, name: title, firstDay: startDate!, lastDay: endDate! };
  });

  let learners = 0;
  const people = keep('users', ({ line, cells }): RosterPerson | undefined => {
    const role = STAFF[cells.role ?? ''];
    if (role === undefined) {
      learners++;
      return undefined;
    }
    const { sourcedId, givenName, familyName, email } = cells;
    if (!sourcedId || !familyName) return bad('users', line, 'missing', 'A person needs a sourcedId and a familyName.');
    return { id: sourcedId, givenName: givenName ?? '', familyName, email: email ?? '', role };
  });

  const titles = new Map(rows('courses').map(({ cells }) => [cells.sourcedId, cells]));
  const termIds = new Set(terms.map(({ id }) => id));
  const classes = keep('classes', ({ line, cells }): RosterClass | undefined => {
    const course = titles.get(cells.courseSourcedId);
    if (course === undefined)
      return bad(
        'classes',
        line,
        'noSuchCourse',
        `The courseSourcedId “${cells.courseSourcedId}” is not in courses.csv.`,
      );
    const termId = (cells.termSourcedIds ?? '').split(',')[0]!;
    if (!termIds.has(termId))
      return bad('classes', line, 'noSuchTerm', `The term “${termId}” is not in academicSessions.csv.`);
    const [code = '', number = ''] = (course.courseCode ?? '').split(' ');
    const section = (cells.classCode ?? '').split('-').pop() ?? '';
    return {
      id: cells.sourcedId!,
      code,
      number,
      section,
      title: cells.title || (course.title ?? ''),
      termId,
      room: cells.location === '' ? undefined : cells.location,
    };
  });

  const classIds = new Set(classes.map(({ id }) => id));
  const personIds = new Set(people.map(({ id }) => id));
  let enrolments = 0;
  const teaching = keep('enrollments', ({ line, cells }): RosterTeaching | undefined => {
    const role = STAFF[cells.role ?? ''];
    if (role === undefined || role === 'administrator') {
      enrolments++;
      return undefined;
    }
    const { classSourcedId, userSourcedId } = cells;
    if (!classIds.has(classSourcedId!))
      return bad('enrollments', line, 'noSuchClass', `The class “${classSourcedId}” is not in classes.csv.`);
    if (!personIds.has(userSourcedId!))
      return bad('enrollments', line, 'noSuchPerson', `The person “${userSourcedId}” is not in users.csv.`);
    return { classId: classSourcedId!, personId: userSourcedId!, role };
  });

  return { terms, people, classes, teaching, learnersDropped: { people: learners, enrolments }, problems };
}
