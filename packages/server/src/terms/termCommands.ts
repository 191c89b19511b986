import { checkCalendar, checkPart, partCalendar, type Calendar, type NewTermEdit, type Problem } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { TermRow } from '../database/entities/term.js';
import { conflict, notFound, unusable } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import type { Command } from '../database/command.js';
import { termsChanged } from './termStore.js';

const MOST_ENTRIES = 500;

async function termToChange(manager: EntityManager, id: string): Promise<TermRow> {
  const term = await manager.findOneBy(TermRow, { id });
  if (term === null) throw notFound('There is no such term any more. Nothing was saved.');
  return term;
}

function refuse(problems: readonly Problem[]): void {
  if (problems.length > 0) throw unusable(problems[0]!.message, problems);
}

/** What is wrong with a calendar as it will hold, at its places in what was sent. */
function problemsOf(calendar: Calendar): Problem[] {
  const { closures = [], swaps = [], periods = [] } = calendar;
  for (const [name, list] of Object.entries({ closures, swaps, periods }))
    if (list.length > MOST_ENTRIES)
      return [
        { code: 'tooMany', message: `A calendar has at most ${MOST_ENTRIES} of each.`, where: `/calendar/${name}` },
      ];
  return checkCalendar(calendar, '/calendar', calendar.weekStartsOn ?? 1);
}

async function nameIsFree(manager: EntityManager, name: string, exceptId: string): Promise<void> {
  const same = await manager.findOneBy(TermRow, { name });
  if (same !== null && same.id !== exceptId)
    refuse([
      { code: 'nameTaken', message: `There is a term named ${name} already; give another name.`, where: '/name' },
    ]);
}

/** Makes a term, or a part of one. */
export const addTerm: Command<NewTermEdit & { readonly id: string }, { id: string }> = async (
  { manager },
  { id, name, parentId, firstDay, lastDay },
) => {
  await nameIsFree(manager, name, id);
  const parent = parentId === null ? null : await termToChange(manager, parentId);
  if (parent !== null && parent.parentId !== null)
    throw conflict('A part has no parts of its own; add it to the term.');
  const calendar: Calendar = {
    name,
    firstDay,
    lastDay,
    timeZone: parent?.calendar.timeZone ?? INSTITUTION.timeZone,
    weekStartsOn: parent?.calendar.weekStartsOn ?? 1,
  };
  refuse(
    parent === null
      ? problemsOf(calendar)
      : [...checkPart(parent.calendar, calendar), ...problemsOf(partCalendar(parent.calendar, calendar))],
  );
  await manager.insert(TermRow, { id, name, parentId, firstDay, lastDay, calendar, version: 1 });
  await termsChanged(manager);
  return { id };
};

export interface TermChange {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  /** What is set for the term or part alone. */
  readonly calendar: Calendar;
}

/** Changes the calendar of a term or part. Everything that is computed from it is computed anew. */
export const changeTerm: Command<TermChange, { version: number }> = async (
  { manager },
  { id, version, name, calendar: sent },
) => {
  const term = await termToChange(manager, id);
  if (term.version !== version)
    throw conflict(
      `Somebody else changed ${term.name} meanwhile. What you drew was not saved; load it again and look at both.`,
    );
  await nameIsFree(manager, name, id);
  const calendar = { ...sent, name };
  const parts = await manager.findBy(TermRow, { parentId: id });
  if (term.parentId === null) {
    refuse(problemsOf(calendar));
    for (const part of parts) {
      const problems = [...checkPart(calendar, part.calendar), ...problemsOf(partCalendar(calendar, part.calendar))];
      if (problems.length > 0)
        refuse(problems.map((problem) => ({ ...problem, message: `${part.name}: ${problem.message}` })));
    }
  } else {
    const parent = await termToChange(manager, term.parentId);
    refuse([...checkPart(parent.calendar, calendar), ...problemsOf(partCalendar(parent.calendar, calendar))]);
  }
  const { firstDay, lastDay } = calendar;
  await manager.update(TermRow, { id }, { name, firstDay, lastDay, calendar, version: version + 1 });
  await termsChanged(manager);
  await manager.query('UPDATE course SET version = version + 1 WHERE term_id = ? OR part_id = ?', [id, id]);
  return { version: version + 1 };
};

/** Takes a term or part away that no course runs by. */
export const removeTerm: Command<{ readonly id: string }, void> = async ({ manager }, { id }) => {
  const term = await termToChange(manager, id);
  const [{ courses }] = (await manager.query<{ courses: number }[]>(
    'SELECT count(*) AS courses FROM course WHERE term_id = ? OR part_id = ?',
    [id, id],
  )) as [{ courses: number }];
  if (courses > 0)
    throw conflict(`${courses} ${courses === 1 ? 'course runs' : 'courses run'} in ${term.name}; it can’t be removed.`);
  await manager.delete(TermRow, { parentId: id });
  await manager.delete(TermRow, { id });
  await termsChanged(manager);
};
