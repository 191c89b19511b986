import { ROWS, VALUES } from '../../database/lists.js';
import { isCollegesOwn, KIND_WORDS, MUST_LINKS, type NewItem } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { conflict, unusable } from '../../http/httpProblem.js';
import type { Command } from '../../database/command.js';
import { removeThings } from '../things.js';
import { courseChanged, insertItem, itemToEdit, standingBefore, writeItem, type EditOf } from './editing.js';

export interface ItemAddition extends EditOf, NewItem {
  readonly key: string;
  readonly details?: Record<string, unknown>;
}

/** Adds an item at the end of its unit, as a draft. */
export const addItem: Command<ItemAddition, { key: string }> = async ({ manager }, addition) => {
  const { courseId, key, kind, title, parent, details } = addition;
  if (parent !== null) await mustBeUnit(manager, courseId, parent);
  if (kind === 'courseSettings') await mustBeFirst(manager, courseId);
  const state = kind === 'file' || kind === 'courseSettings' ? 'open' : 'draft';
  await insertItem(manager, courseId, { key, kind, title: title.trim(), parent, state });
  const item = await itemToEdit(manager, courseId, key);
  await writeItem(manager, addition, details === undefined ? item : { ...item, details });
  await courseChanged(manager, addition, {
    what: `added the ${KIND_WORDS[kind].one} “${title.trim()}”`,
    itemKey: key,
    before: new Map([[key, undefined]]),
  });
  return { key };
};

async function mustBeFirst(manager: EntityManager, courseId: string): Promise<void> {
  const [there] = await manager.query<unknown[]>(`SELECT 1 FROM item WHERE course_id = ? AND kind = 'courseSettings'`, [
    courseId,
  ]);
  if (there !== undefined) throw conflict('The course has its settings already.');
}

async function mustBeUnit(manager: EntityManager, courseId: string, key: string): Promise<void> {
  const unit = await itemToEdit(manager, courseId, key);
  if (unit.kind !== 'unit')
    throw unusable(`“${unit.title}” is a ${KIND_WORDS[unit.kind].one}; only a unit holds other things.`);
}

export interface ItemMove extends EditOf {
  readonly key: string;
  readonly parent: string | null;
  readonly before: string | null;
}

interface Neighbour {
  readonly key: string;
  readonly title: string;
}

/** Moves an item into a unit, before one of its neighbours or to the end. Its content and version stay. */
export const placeItem: Command<ItemMove, void> = async ({ manager }, move) => {
  const { courseId, key, parent, before } = move;
  const item = await itemToEdit(manager, courseId, key);
  if (parent !== null) {
    await mustBeUnit(manager, courseId, parent);
    const around = await manager.query<Neighbour[]>(
      `WITH RECURSIVE up(key) AS (SELECT ? UNION SELECT parent_key FROM item JOIN up ON item.key = up.key
                                   WHERE item.course_id = ? AND parent_key IS NOT NULL)
       SELECT key FROM up WHERE key = ?`,
      [parent, courseId, key],
    );
    if (around.length > 0) throw conflict('A unit can’t be put into itself.');
  }
  const neighbours = await manager.query<Neighbour[]>(
    'SELECT key, title FROM item WHERE course_id = ? AND parent_key IS ? AND key <> ? ORDER BY position, key',
    [courseId, parent, key],
  );
  const at = before === null ? neighbours.length : neighbours.findIndex((each) => each.key === before);
  if (at < 0) throw conflict('The thing that it should stand before was moved or removed meanwhile.');
  const order = [
    ...neighbours.slice(0, at).map((each) => each.key),
    key,
    ...neighbours.slice(at).map((each) => each.key),
  ];
  const stood = await standingBefore(manager, courseId, order);
  await manager.query(
    `WITH placed AS MATERIALIZED (SELECT key, value FROM ${ROWS})
     UPDATE item SET position = placed.key + 1,
            parent_key = CASE WHEN item.key = ? THEN ? ELSE item.parent_key END
       FROM placed WHERE item.course_id = ? AND item.key = placed.value`,
    [JSON.stringify(order), key, parent, courseId],
  );
  await courseChanged(manager, move, { what: `moved “${item.title}”`, itemKey: key, before: stood });
};

export interface ItemOf extends EditOf {
  readonly key: string;
}

/** Takes an item out of a course; it can be put back. Refused while others need it, with their names. */
export const removeItem: Command<ItemOf, void> = async ({ manager }, removal) => {
  const { courseId, key } = removal;
  const item = await itemToEdit(manager, courseId, key);
  if (item.kind === 'courseSettings') throw conflict('A course keeps its settings.');
  if (isCollegesOwn(item)) throw conflict(`“${item.title}” is the college’s; it stays in every course.`);
  const holding = await manager.query<Neighbour[]>(
    'SELECT key, title FROM item WHERE course_id = ? AND parent_key = ?',
    [courseId, key],
  );
  if (holding.length > 0)
    throw conflict(
      `“${item.title}” still holds ${holding.length} ${holding.length === 1 ? 'thing' : 'things'}. Move them out first.`,
    );
  const needing = await manager.query<Neighbour[]>(
    `SELECT DISTINCT item.key, item.title FROM item_link JOIN item ON item.course_id = item_link.course_id AND item.key = from_key
      WHERE item_link.course_id = ? AND to_key = ? AND type IN ${VALUES}`,
    [courseId, key, JSON.stringify(MUST_LINKS)],
  );
  if (needing.length > 0)
    throw conflict(`${titles(needing)} would break without “${item.title}”. Take the link away there first.`);
  await removeThings(manager, courseId, [key]);
  await courseChanged(manager, removal, { what: `removed “${item.title}”`, before: new Map([[key, item]]) });
};

const titles = (things: readonly Neighbour[]): string =>
  things.length > 3
    ? `${things
        .slice(0, 3)
        .map(({ title }) => `“${title}”`)
        .join(', ')} and ${things.length - 3} more`
    : things.map(({ title }) => `“${title}”`).join(', ');
