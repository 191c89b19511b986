import type { SnapshotItem } from '@yarin/core';

export interface FileRow {
  readonly key: string;
  readonly title: string;
  readonly mediaType: string;
  readonly bytes: number;
  readonly users: readonly { readonly key: string; readonly title: string }[];
}

/** The files of a course by name, each with what leads to it. */
export function fileRows(items: readonly SnapshotItem[]): FileRow[] {
  const users = new Map<string, { key: string; title: string }[]>();
  for (const { id, title, links = [] } of items)
    for (const to of new Set(links.map((link) => link.to))) {
      const list = users.get(to);
      if (list === undefined) users.set(to, [{ key: id, title }]);
      else list.push({ key: id, title });
    }
  return items
    .filter(({ kind }) => kind === 'file')
    .map(({ id, title, details }) => ({
      key: id,
      title,
      mediaType: typeof details?.mediaType === 'string' ? details.mediaType : '',
      bytes: typeof details?.bytes === 'number' ? details.bytes : 0,
      users: users.get(id) ?? [],
    }))
    .sort((a, b) => a.title.localeCompare(b.title));
}

const UNITS = ['bytes', 'kB', 'MB', 'GB'];

/** “157 bytes”, “6.6 kB”, “12 MB”. */
export function sizeWords(bytes: number): string {
  let size = bytes;
  let unit = 0;
  while (size >= 1000 && unit < UNITS.length - 1) {
    size /= 1000;
    unit++;
  }
  return `${unit === 0 || size >= 10 ? Math.round(size) : size.toFixed(1)} ${UNITS[unit]}`;
}
