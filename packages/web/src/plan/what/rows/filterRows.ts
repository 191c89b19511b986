import type { RowBase } from './spreadRows.js';

/**
 * The rows that hold what was typed, with the headings over them.
 *
 * @param typed   words, each of which has to stand in title, kind, note or the name of its course
 * @param besides  keys of rows that stay because something on the other page leads to them
 */
export function filterRows<Row extends RowBase & { readonly kind: string; readonly note?: string }>(
  rows: readonly Row[],
  typed: string,
  besides: ReadonlySet<string> = new Set(),
): readonly Row[] {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  if (words.length === 0) return rows;
  const kept = new Set<Row>();
  let above: Row[] = [];
  for (const row of rows) {
    const isArea = row.key.startsWith('area ');
    if (row.isHeading) above = [...above.filter(({ depth }) => depth < row.depth), row];
    const text = `${row.title} ${row.kind} ${row.note ?? ''} ${row.from?.words ?? ''}`.toLowerCase();
    if (isArea || !(besides.has(row.key) || words.every((word) => text.includes(word)))) continue;
    for (const heading of above) kept.add(heading);
    kept.add(row);
  }
  return [...kept];
}
