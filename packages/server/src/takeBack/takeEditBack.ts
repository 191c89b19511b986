import { conflicts, type Operation } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import type { DeedRow } from '../database/entities/access.js';
import type { Doer } from '../history/deeds.js';
import { laterOperations, type LaterOperation } from '../history/operationStore.js';
import { standingOperations, takeBackDeed, type TakingBack } from './takeBackDeed.js';

/** What a deed changed that stands, what was changed after it, and what of that is in the way of taking it back. */
export interface EditStanding {
  readonly operations: readonly Operation[];
  readonly later: readonly LaterOperation[];
  readonly inTheWay: LaterOperation | undefined;
}

export async function editStanding(manager: EntityManager, deed: DeedRow): Promise<EditStanding> {
  const operations = await standingOperations(manager, deed);
  const later = await laterOperations(manager, deed);
  const [hindrance] = conflicts(
    operations,
    later.map(({ operation }) => operation),
  );
  return { operations, later, inTheWay: later.find(({ operation }) => operation === hindrance) };
}

/** Takes an edit back that nothing is in the way of. */
export async function takeEditBack(
  manager: EntityManager,
  deed: DeedRow,
  { operations, later }: EditStanding,
  how: Pick<TakingBack, 'doer' | 'at' | 'what' | 'beside' | 'isOfRun'>,
): Promise<void> {
  await takeBackDeed(manager, {
    deed,
    operations,
    manner: { since: new Set(later.map(({ operation }) => operation.key)) },
    isWhole: true,
    ...how,
  });
}

/**
 * Takes the dates back that a plan moved after its run, the last first, so that they are no edits of anybody's when the run
 * is taken back. One that a person changed since stays, and is asked about like any other.
 *
 * @param deeds    fixes after the run
 * @param isMeant  whether a thing is taken back; a fix that moved others too stays
 */
export async function takeFixesBack(
  manager: EntityManager,
  deeds: readonly DeedRow[],
  isMeant: (key: string) => boolean,
  { doer, at }: { readonly doer: Doer; readonly at: string },
): Promise<void> {
  for (const deed of deeds) {
    const standing = await editStanding(manager, deed);
    if (standing.inTheWay !== undefined || !standing.operations.every(({ key }) => isMeant(key))) continue;
    await takeEditBack(manager, deed, standing, {
      ...{ doer, at, beside: [], isOfRun: false },
      what: () => `took back: ${deed.what}`,
    });
  }
}
