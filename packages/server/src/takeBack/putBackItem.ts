import { notFound } from '../http/httpProblem.js';
import type { Doer } from '../history/deeds.js';
import type { Command } from '../database/command.js';
import { lastRemovals } from '../history/removals.js';
import { takeBack } from './takeBack.js';

export interface ItemToPutBack {
  readonly courseId: string;
  readonly key: string;
  readonly doer: Doer;
  readonly at: string;
}

/** Puts a removed item back where it stood; behind everything when its unit is gone. */
export const putBackItem: Command<ItemToPutBack, void> = async (context, { courseId, key, doer, at }) => {
  const [removal] = await lastRemovals(context.manager, courseId, key);
  if (removal === undefined) throw notFound('This was put back already.');
  await takeBack(context, { courseId, deedId: removal.deedId, doer, at });
};
