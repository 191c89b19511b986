import { conflicts, type Operation } from '@yarin/core';
import { IsNull, MoreThan, type EntityManager } from 'typeorm';
import { readThings } from '../courses/courseStore.js';
import { DeedRow } from '../database/entities/access.js';
import { RunRow } from '../database/entities/run.js';
import type { Doer } from '../history/deeds.js';
import { laterOperations, type LaterOperation } from '../history/operationStore.js';
import { conflict, notFound } from '../http/httpProblem.js';
import type { Command } from '../database/command.js';
import { addedBy, changedSince, keptWith, moveOut, toldChanged } from './changedSince.js';
import { notedBack } from './noted.js';
import { standingOperations, takeBackDeed } from './takeBackDeed.js';
import { partOf, type PartAsked } from './partOf.js';
import { takeFixesBack } from './takeEditBack.js';

/**
 * What becomes of things that somebody changed since: nothing is taken back and they are named, they stay and the rest
 * goes, or they go too.
 */
export type OfChanged = 'ask' | 'stay' | 'go';

export interface TakeBackInput {
  readonly runId: string;
  readonly doer: Doer;
  readonly at: string;
  readonly changed: OfChanged;
  /** A part of it alone. */
  readonly part?: PartAsked | undefined;
}

const MOST_NAMED = 5;

/**
 * Takes a run back, or a part of it: what it added goes, what it changed is as it was before. What a person wrote since is
 * never lost unasked.
 */
export const takeBackRun: Command<TakeBackInput, { things: number }> = async (
  { manager },
  { runId, doer, at, changed, part: asked = {} },
) => {
  const run = await manager.findOneBy(RunRow, { id: runId });
  if (run === null) throw notFound('This run is not there any more.');
  if (run.undoneAt !== null) throw conflict('This run was taken back already; there is nothing left of it to take.');
  const course = run.destinationId;
  const deed = await manager.findOneByOrFail(DeedRow, { runId });
  const all = await standingOperations(manager, deed);
  const part = await partOf(manager, course, all, asked);
  const isWhole = part.keys === undefined && part.dates !== true;
  const going = all.filter(({ key }) => part.keys === undefined || part.keys.has(key));
  const fixes = await manager.find(DeedRow, {
    where: { courseId: course, id: MoreThan(deed.id), isFix: true, undoneBy: IsNull() },
    order: { id: 'DESC' },
  });
  const goes = new Set(going.map(({ key }) => key));
  await takeFixesBack(manager, fixes, (key) => goes.has(key), { doer, at });
  const later = await laterOperations(manager, deed);
  refuseUnderLaterRun(later, going);
  const changedLater = new Set(later.map(({ operation }) => operation.key));
  const since = await changedSince(manager, run, going, { wroteBy: all, changedLater });
  const told = toldChanged(since);
  if (told.length > 0 && changed === 'ask') {
    const names = told.slice(0, MOST_NAMED).map(({ message }) => `“${message}”`);
    const more = told.length > MOST_NAMED ? ` and ${told.length - MOST_NAMED} more` : '';
    throw conflict(`${names.join(', ')}${more} changed since. Nothing was taken back, so that no work is lost.`, told);
  }
  const kept = changed === 'stay' ? await keptWith(manager, run, going, since) : new Set<string>();
  const gone = going.filter(({ key }) => !kept.has(key));
  if (changed === 'go' && part.dates !== true) await moveOut(manager, course, new Set(addedBy(gone)), since);

  const things = new Set(gone.filter(({ op }) => op === 'added' || op === 'changed').map(({ key }) => key)).size;
  const title = await titleOf(manager, course, asked.keys);
  const done = await takeBackDeed(manager, {
    deed,
    operations: gone,
    manner: { dates: part.dates, breaking: changed === 'go', since: isWhole ? changedLater : undefined },
    isWhole,
    isOfRun: true,
    doer,
    at,
    what: ({ length }) => wordsFor(asked, title, part.dates === true ? length : things, kept.size),
    beside: part.dates === true ? [] : await notedBack(manager, run, gone, kept),
  });
  if (isWhole) await manager.update(RunRow, { id: runId }, { undoneAt: at, undoneBy: doer.personId });
  return { things: part.dates === true ? done.length : things };
};

/** The title of the one thing that is named; `undefined` when it is not one. */
async function titleOf(
  manager: EntityManager,
  courseId: string,
  keys: readonly string[] = [],
): Promise<string | undefined> {
  return keys.length === 1 ? (await readThings(manager, courseId, keys)).get(keys[0]!)?.title : undefined;
}

function wordsFor({ dates }: PartAsked, title: string | undefined, things: number, staying: number): string {
  const all = `${things} ${things === 1 ? 'thing' : 'things'}`;
  if (dates === true) return `took the dates of ${title === undefined ? all : `“${title}”`} back`;
  const stay = staying === 0 ? '' : `; ${staying} stay, since somebody changed them`;
  if (title === undefined) return `took back ${all}${stay}`;
  return `took back “${title}”${things > 1 ? ` and what belongs to it, ${all}` : ''}${stay}`;
}

/** What a later run built on is taken back after it: the inverse of a run holds for what it left. */
function refuseUnderLaterRun(all: readonly LaterOperation[], operations: readonly Operation[]): void {
  const later = all.filter(({ runId }) => runId !== null);
  const inTheWay = new Set(
    conflicts(
      operations,
      later.map(({ operation }) => operation),
    ),
  );
  const last = later.find(({ operation }) => inTheWay.has(operation));
  if (last === undefined) return;
  const ofLast = later.flatMap(({ runId, operation }) =>
    runId === last.runId && inTheWay.has(operation) ? [operation] : [],
  );
  const changed = ofLast.filter(({ op }) => op === 'changed').length;
  const again = ofLast.filter(({ op }) => op === 'added').length;
  const removed = ofLast.length - changed - again;
  const did = [
    ...(again === 0 ? [] : [`brought ${again} of these things again`]),
    ...(changed === 0 ? [] : [`brought ${changed} of these things up to date`]),
    ...(removed === 0 ? [] : [`took ${removed} out`]),
  ];
  throw conflict(`A later run (${last.at.replace('T', ' ')}) ${did.join(' and ')}. Take that one back first.`);
}
