import { parseDay, type Problem } from '@yarin/core';
import { readTable, type TableRow } from './readTable.js';

/** A roster with more bad rows than this is none: taking over its few good ones would take everything else away. */
export const MOST_BAD_ROWS = 5000;

/** The names of the files that a roster is read from, without ending. */
export const ROSTER_FILES = ['academicSessions', 'orgs', 'courses', 'classes', 'users', 'enrollments'] as const;

/** The CSV files of a roster by name without ending. */
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
  /** The department that an administrator is limited to, when the roster says one. */
  readonly department: string | null;
}

export interface RosterClass {
  readonly id: string;
  readonly code: string;
  readonly number: string;
  readonly section: string;
  readonly title: string;
  readonly termId: string;
  readonly room: string | undefined;
  readonly campus: string | undefined;
  readonly department: string | undefined;
  /** The registrar took the section off. */
  readonly isCancelled: boolean;
}

/** An earlier code of a course: what ran as `was` runs as `code` and `number` now. */
export interface RosterFormerCode {
  readonly code: string;
  readonly number: string;
  readonly was: { readonly code: string; readonly number: string };
}

export interface RosterTeaching {
  readonly classId: string;
  readonly personId: string;
  readonly role: 'instructor' | 'designer' | 'assistant';
}

/** What a roster says of terms, classes and who teaches them. Learners are dropped here and only counted. */
export interface Roster {
  readonly terms: readonly RosterTerm[];
  readonly people: readonly RosterPerson[];
  readonly classes: readonly RosterClass[];
  readonly teaching: readonly RosterTeaching[];
  readonly formerly: readonly RosterFormerCode[];
  readonly learnersDropped: { readonly people: number; readonly enrolments: number };
  /** Bad rows by file and line; the good ones are kept. */
  readonly problems: readonly Problem[];
}

const STAFF: Readonly<Record<string, RosterPerson['role']>> = {
  teacher: 'instructor',
  aide: 'assistant',
  administrator: 'administrator',
};

const isDeleted = ({ status }: TableRow['cells']): boolean => status === 'tobedeleted';

/**
 * Reads a roster in OneRoster 1.1 CSV. Two columns of our own, as the format allows them: `metadata.formerly` of a
 * course (its earlier code) and `metadata.designer` of an enrolment (who designs the course).
 *
 * @see docs/rules.md, "The roster"
 */
export function readRoster(files: RosterFiles): Roster {
  const problems: Problem[] = [];
  const all = (name: string): TableRow[] => readTable(files[name] ?? '');
  const rows = (name: string): TableRow[] => all(name).filter(({ cells }) => !isDeleted(cells));
  const bad = (file: string, line: number, code: string, message: string): undefined => {
    // One more than may be says that there are too many.
    if (problems.length <= MOST_BAD_ROWS) problems.push({ code, message, where: `/${file}.csv/${line}` });
    return undefined;
  };
  const keep = <Value>(name: string, read: (row: TableRow) => Value | undefined, from = rows(name)): Value[] =>
    from.flatMap((row) => read(row) ?? []);
  const orgs = new Map(rows('orgs').map(({ cells }) => [cells.sourcedId, cells]));
  const orgNamed = (ids: string | undefined, type: string): string | undefined =>
    (ids ?? '')
      .split(',')
      .map((id) => orgs.get(id.trim()))
      .find((org) => org?.type === type)?.name;

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
    const department = role === 'administrator' ? (orgNamed(cells.orgSourcedIds, 'department') ?? null) : null;
    return { id: sourcedId, givenName: givenName ?? '', familyName, email: email ?? '', role, department };
  });

  const titles = new Map(rows('courses').map(({ cells }) => [cells.sourcedId, cells]));
  const termIds = new Set(terms.map(({ id }) => id));
  const codeOf = (courseCode: string | undefined): { code: string; number: string } | undefined => {
    const [code, number] = (courseCode ?? '').trim().split(/\s+/);
    return code && number ? { code, number } : undefined;
  };
  const classIds = new Set<string>();
  const cancelledIds = new Set<string>();
  const classes = keep(
    'classes',
    ({ line, cells }): RosterClass | undefined => {
      const { sourcedId, courseSourcedId, termSourcedIds, schoolSourcedId, location, title, classCode } = cells;
      if (!sourcedId) return bad('classes', line, 'missing', 'A section needs a sourcedId.');
      if (classIds.has(sourcedId))
        return bad('classes', line, 'twice', `“${sourcedId}” stands here twice; the first row was kept.`);
      const course = titles.get(courseSourcedId);
      const codes = codeOf(course?.courseCode);
      if (course === undefined || codes === undefined)
        return bad(
          'classes',
          line,
          'noSuchCourse',
          course === undefined
            ? `The courseSourcedId “${courseSourcedId}” is not in courses.csv.`
            : `The courseCode “${course.courseCode}” needs a code and a number with a space between them.`,
        );
      const termId = (termSourcedIds ?? '').split(',')[0]!;
      if (!termIds.has(termId))
        return bad('classes', line, 'noSuchTerm', `The term “${termId}” is not in academicSessions.csv.`);
      const isCancelled = isDeleted(cells);
      (isCancelled ? cancelledIds : classIds).add(sourcedId);
      return {
        id: sourcedId,
        ...codes,
        section: (classCode ?? '').split('-').pop() ?? '',
        title: title || (course.title ?? ''),
        termId,
        room: location === '' ? undefined : location,
        campus: orgNamed(schoolSourcedId, 'school'),
        department: orgNamed(course.orgSourcedId, 'department'),
        isCancelled,
      };
    },
    all('classes'),
  );
  const formerly = keep('courses', ({ line, cells }): RosterFormerCode | undefined => {
    const [now, was] = [codeOf(cells.courseCode), codeOf(cells['metadata.formerly'])];
    if (!cells['metadata.formerly']) return undefined;
    if (now === undefined || was === undefined)
      return bad('courses', line, 'wrongForm', 'An earlier code needs a code and a number with a space between them.');
    return { ...now, was };
  });

  const personIds = new Set(people.map(({ id }) => id));
  let enrolments = 0;
  const teaching = keep('enrollments', ({ line, cells }): RosterTeaching | undefined => {
    const role = STAFF[cells.role ?? ''];
    if (role === undefined || role === 'administrator') {
      enrolments++;
      return undefined;
    }
    const { classSourcedId, userSourcedId } = cells;
    if (cancelledIds.has(classSourcedId!)) return undefined;
    if (!classIds.has(classSourcedId!))
      return bad('enrollments', line, 'noSuchClass', `The class “${classSourcedId}” is not in classes.csv.`);
    if (!personIds.has(userSourcedId!))
      return bad('enrollments', line, 'noSuchPerson', `The person “${userSourcedId}” is not in users.csv.`);
    return {
      classId: classSourcedId!,
      personId: userSourcedId!,
      role: cells['metadata.designer'] === 'true' ? 'designer' : role,
    };
  });

  return { terms, people, classes, teaching, formerly, learnersDropped: { people: learners, enrolments }, problems };
}
