import type { SnapshotItem } from './snapshot.js';

const isNothing = (value: unknown): boolean =>
  value === undefined ||
  value === null ||
  value === '' ||
  value === false ||
  (Array.isArray(value) && value.length === 0);

/** No text, no points, no dates, nothing set: a title and a place, whoever made it. */
const isEmpty = ({ bodyHash, points, moments = [], details = {} }: SnapshotItem): boolean =>
  bodyHash === undefined && (points ?? 0) === 0 && moments.length === 0 && Object.values(details).every(isNothing);

/**
 * What of a shell gives way to what comes: stock that no person ever edited, or something empty; a unit that holds
 * something is not empty.
 *
 * @param items  all items of the shell
 */
export function givesWay(items: readonly SnapshotItem[]): (item: SnapshotItem) => boolean {
  const holding = new Set(items.flatMap(({ parent }) => parent ?? []));
  return (item) => item.editedAt === undefined || (isEmpty(item) && !holding.has(item.id));
}

/** The shell as it would stand without what was brought before: what came from a source says nothing about it. */
export function shellWithoutBrought<Shell extends { readonly items: readonly Pick<SnapshotItem, 'id'>[] }>(
  shell: Shell,
  brought: readonly { readonly item: string }[],
): Shell {
  const keys = new Set(brought.map(({ item }) => item));
  return { ...shell, items: shell.items.filter(({ id }) => !keys.has(id)) };
}
