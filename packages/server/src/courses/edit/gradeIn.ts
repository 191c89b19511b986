import { isWork, type Link, type SnapshotItem } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { itemToEdit, insertItem, writeItem, type EditOf } from './editing.js';

const isGradedIn = ({ type }: Link): boolean => type === 'gradedIn';

/** The line that work is graded in, or would be. */
export const lineOf = ({ id, links = [] }: SnapshotItem): string => links.find(isGradedIn)?.to ?? `${id}-line`;

/**
 * Puts work into a category of the gradebook: through the line that it is graded in, or through a new one when it has
 * none yet.
 *
 * @param category  `null` takes the line out of its category
 * @returns         the work, with a link to its line
 */
export async function gradeIn(
  manager: EntityManager,
  edit: EditOf,
  work: SnapshotItem,
  category: string | null,
): Promise<SnapshotItem> {
  const { courseId } = edit;
  const links = work.links ?? [];
  const known = links.some(isGradedIn);
  if (!isWork(work.kind) || (!known && category === null)) return work;
  const key = lineOf(work);
  if (!known)
    await insertItem(manager, courseId, { key, kind: 'lineItem', title: work.title, parent: null, state: 'open' });
  const line = await itemToEdit(manager, courseId, key);
  const others = (line.links ?? []).filter((link) => !isGradedIn(link));
  await writeItem(manager, edit, {
    ...line,
    points: line.points ?? work.points,
    links: category === null ? others : [...others, { type: 'gradedIn', to: category }],
  } as SnapshotItem);
  return known ? work : { ...work, links: [...links, { type: 'gradedIn', to: key }] };
}
