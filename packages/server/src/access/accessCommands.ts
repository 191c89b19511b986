import type { Wanted } from '@yarin/core';
import { IsNull, type EntityManager } from 'typeorm';
import { AccessAskRow } from '../database/entities/access.js';
import { noteDeed, type Doer } from '../history/deeds.js';
import { nameOf } from '../people/names.js';
import { conflict, notFound } from '../http/httpProblem.js';
import type { Command } from '../database/command.js';

export interface Ask {
  readonly id: string;
  readonly courseId: string;
  readonly personId: string;
  readonly wants: Wanted;
  readonly words: string;
  readonly at: string;
}

/** Asks the owner of a course to be let in; asking again while nobody answered changes nothing. */
export const askAccess: Command<Ask, { id: string }> = async ({ manager }, { at, ...ask }) => {
  const { courseId, personId, wants } = ask;
  const known = await manager.find(AccessAskRow, { where: { courseId, personId, wants } });
  const open = known.find(({ answer }) => answer === null);
  if (open !== undefined) return { id: open.id };
  if (known.some(({ answer }) => answer === 'granted')) throw conflict('You were let in already.');
  await manager.insert(AccessAskRow, {
    ...ask,
    unasked: false,
    askedAt: at,
    answer: null,
    answeredBy: null,
    answeredAt: null,
    answerWords: '',
  });
  return { id: ask.id };
};

export interface Answer {
  readonly id: string;
  readonly answer: 'granted' | 'refused' | 'withdrawn';
  readonly words: string;
  readonly doer: Doer;
  readonly at: string;
}

export interface Let extends Omit<Ask, 'words'> {
  readonly doer: Doer;
}

/** Lets a colleague in who did not ask, or answers what they ask already. */
export const letIn: Command<Let, void> = async ({ manager }, { id, courseId, personId, wants, at, doer }) => {
  const open = await manager.findOneBy(AccessAskRow, { courseId, personId, wants, answer: IsNull() });
  const answered = { answer: 'granted', answerWords: '', answeredBy: doer.personId, answeredAt: at } as const;
  if (open !== null) await manager.update(AccessAskRow, { id: open.id }, answered);
  else
    await manager.insert(AccessAskRow, {
      id,
      courseId,
      personId,
      wants,
      words: '',
      askedAt: at,
      unasked: true,
      ...answered,
    });
  await noteAnswer(manager, { courseId, personId, wants, answer: 'granted', doer, at });
};

const ANSWER_WORDS = { granted: 'let', refused: 'did not let', withdrawn: 'no longer lets' } as const;
const WANTED_WORDS = { use: 'use the course as a source', change: 'work in the course' } as const;

/** Answers somebody who asked; what was granted can be withdrawn later. */
export const answerAccess: Command<Answer, void> = async ({ manager }, { id, answer, words, doer, at }) => {
  const ask = await manager.findOneBy(AccessAskRow, { id });
  if (ask === null) throw notFound('Nobody asks this any more.');
  const isOpen = ask.answer === null;
  if (answer === 'withdrawn' ? ask.answer !== 'granted' : !isOpen)
    throw conflict(isOpen ? 'Nothing was granted yet, so there is nothing to withdraw.' : 'This was answered already.');
  await manager.update(AccessAskRow, { id }, { answer, answerWords: words, answeredBy: doer.personId, answeredAt: at });
  await noteAnswer(manager, { ...ask, answer, doer, at });
};

async function noteAnswer(
  manager: EntityManager,
  { courseId, personId, wants, answer, doer, at }: Omit<Let, 'id'> & Pick<Answer, 'answer'>,
): Promise<void> {
  const name = await nameOf(manager, { personId, forPersonId: null });
  await noteDeed(manager, doer, { courseId, at, what: `${ANSWER_WORDS[answer]} ${name} ${WANTED_WORDS[wants]}` });
}
