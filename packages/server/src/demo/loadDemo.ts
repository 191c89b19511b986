import { copyFile, mkdir, readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Calendar, Course, LearnerSort, NewTermEdit, Problem } from '@yarin/core';
import { readCalendar, readCourse, readRoster, readTable, ROSTER_FILES, type RosterFiles } from '@yarin/formats';
import type { DataSource } from 'typeorm';
import { PersonRow } from '../database/entities/person.js';
import type { Writer } from '../writer/writer.js';

interface Folders {
  readonly dataFolder: string;
  readonly demoFolder: string;
}

/** Who loads rosters in the demo. */
const REGISTRAR = 'p-rhee';

const orThrow = (file: string, problems: readonly Problem[]): never => {
  const [first] = problems;
  throw new Error(`${file} can't be loaded: ${first!.message} (at ${first!.where || '/'})`);
};

/**
 * Loads the demo institution into an empty database, through the readers that real imports use.
 *
 * @returns what was loaded, in a sentence; `undefined` when the database holds people already
 */
export async function loadDemo(
  { reading, writer }: { readonly reading: DataSource; readonly writer: Writer },
  { dataFolder, demoFolder }: Folders,
  at: string,
): Promise<string | undefined> {
  if ((await reading.manager.count(PersonRow)) > 0) return undefined;
  const read = (path: string): Promise<string> => readFile(join(demoFolder, path), 'utf8');

  const calendars = new Map<string, Calendar>();
  for (const file of await readdir(join(demoFolder, 'calendars'))) {
    const result = readCalendar(await read(`calendars/${file}`));
    const calendar = result.ok ? result.value : orThrow(file, result.problems);
    calendars.set(calendar.name ?? file, calendar);
  }
  const files: Record<string, string> = {};
  for (const name of ROSTER_FILES) files[name] = await read(`roster/${name}.csv`);
  const roster = readRoster(files satisfies RosterFiles);
  if (roster.problems.length > 0) orThrow('The roster', roster.problems);

  await writer.run(
    'addTerms',
    roster.terms.map(({ id, name, firstDay, lastDay }) => ({
      id,
      name,
      calendar: calendars.get(name) ?? { name, firstDay, lastDay, timeZone: 'America/Chicago' },
    })),
  );
  for (const part of JSON.parse(await read('parts.json')) as (NewTermEdit & { readonly id: string })[])
    await writer.run('addTerm', part);
  await writer.run('addPeople', [...roster.people]);

  const termIds = new Map(roster.terms.map(({ id, name }) => [name, id]));
  const departments = new Map(roster.classes.map(({ id, department }) => [id, department]));
  const names = await readdir(join(demoFolder, 'courses'));
  for (const name of names) {
    const result = readCourse(await read(`courses/${name}`));
    const course: Course = result.ok ? result.value : orThrow(name, result.problems);
    const taught = roster.teaching.filter(({ classId }) => classId === course.course.id);
    const staff =
      taught.length > 0
        ? taught.map(({ personId, role }) => ({ personId, role }))
        : (course.course.instructors ?? []).map(({ id }) => ({ personId: id, role: 'instructor' as const }));
    const department = departments.get(course.course.id);
    await writer.run('addCourse', { course, termId: termIds.get(course.course.term)!, staff, department });
  }
  await writer.run('loadRoster', { roster, doer: { personId: REGISTRAR, forPersonId: null }, at });
  await loadLearners(writer, await read('learners.csv'));

  await mkdir(join(dataFolder, 'files'), { recursive: true });
  for (const file of await readdir(join(demoFolder, 'files')))
    await copyFile(join(demoFolder, 'files', file), join(dataFolder, 'files', file));
  return `Loaded Marrowbrook College: ${names.length} courses and shells, ${roster.people.length} people; ${roster.learnersDropped.people} learners of the roster were left out.`;
}

async function loadLearners(writer: Writer, table: string): Promise<void> {
  const records = readTable(table).map(({ cells }) => ({
    courseId: cells.course!,
    sort: cells.sort as LearnerSort,
    itemKey: cells.item === '' ? null : `${cells.course}.${cells.item}`,
    learnerId: cells.person!,
    at: cells.at!,
    says: cells.says!,
  }));
  await writer.run('addLearnerRecords', records);
}
