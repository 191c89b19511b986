import { invert, type Operation } from '@yarin/core';
import { DeedRow } from '../database/entities/access.js';
import { RunRow } from '../database/entities/run.js';
import type { Doer } from '../history/deeds.js';
import { conflict, notFound } from '../http/httpProblem.js';
import type { Command } from '../database/command.js';
import { takeBackRun } from './takeBackRun.js';
import { editStanding, takeEditBack } from './takeEditBack.js';

export interface DeedToTakeBack {
  readonly courseId: string;
  readonly deedId: number;
  readonly doer: Doer;
  readonly at: string;
}

/**
 * Takes back what somebody did to a course: an edit, a run, or that something was taken back, which does that again. What
 * others changed beside it since stays; where they changed the same, it is refused and said which comes first.
 */
export const takeBack: Command<DeedToTakeBack, { what: string }> = async (context, { courseId, deedId, doer, at }) => {
  const { manager } = context;
  const deed = await manager.findOneBy(DeedRow, { id: deedId, courseId });
  if (deed === null) throw notFound('This is not in the history of this course.');
  if (deed.undoneBy !== null) throw conflict('This was taken back already.');
  if (deed.runId !== null) {
    await takeBackRun(context, { runId: deed.runId, doer, at, changed: 'ask' });
    return { what: deed.what };
  }
  const standing = await editStanding(manager, deed);
  const { operations, inTheWay } = standing;
  if (operations.length === 0 || operations.some((each) => each.op === 'changed' && each.after === undefined))
    throw conflict('This was done before Yarin kept what it changed; it can’t be taken back at a press.');
  if (inTheWay !== undefined)
    throw conflict(
      `Something after it (${inTheWay.at.replace('T', ' ')}: ${inTheWay.what}) changed the same. Take that back first.`,
    );
  const target = deed.takesBack === null ? null : await manager.findOneBy(DeedRow, { id: deed.takesBack });
  await takeEditBack(manager, deed, standing, {
    isOfRun: target !== null && target.runId !== null,
    doer,
    at,
    what: () =>
      target === null
        ? backWords(deed.what, operations)
        : target.undoneBy === deed.id
          ? `did again: ${target.what}`
          : `put back what was taken back in part: ${deed.what}`,
    beside: operations.toReversed().flatMap((each) => {
      const { op } = each;
      return op === 'noted' || op === 'aliased' || op === 'unaliased' ? [invert(each)] : [];
    }),
  });
  if (target !== null && target.runId !== null && target.undoneBy === deed.id)
    await manager.update(RunRow, { id: target.runId }, { undoneAt: null, undoneBy: null });
  return { what: deed.what };
};

const backWords = (what: string, operations: readonly Operation[]): string => {
  const [only] = operations;
  if (operations.length === 1 && only?.op === 'removed') return `put “${only.before?.title ?? ''}” back`;
  return `took back: ${what}`;
};
