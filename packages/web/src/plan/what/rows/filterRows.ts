import type { RowBase } from './spreadRow.js';

/** Rows that are shown, and which of them hold what was typed; the others are headings over those. */
export interface Filtered<Row> {
  readonly shown: readonly Row[];
  readonly found: ReadonlySet<Row>;
}

/**
 * The rows that hold what was typed, with the headings over them.
 *
 * @param typed   words, each of which has to stand in title, kind, state, category, note or the name of its course
 * @param besides  keys of rows that stay because something on the other page leads to them
 */
export function filterRows<Row extends Omit<RowBase, 'tally'> & { readonly kind: string; readonly note: string }>(
  rows: readonly Row[],
  typed: string,
  besides: ReadonlySet<string> = new Set(),
): Filtered<Row> {
  const words = typed
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');
  if (words.length === 0) return { shown: rows, found: new Set(rows) };
  const kept = new Set<Row>();
  const found = new Set<Row>();
  let above: Row[] = [];
  for (const row of rows) {
    const isArea = row.key.startsWith('area ');
    if (row.isHeading) above = [...above.filter(({ depth }) => depth < row.depth), row];
    const text =
      `${row.title} ${row.kind} ${row.state ?? ''} ${row.note} ${row.also} ${row.from?.words ?? ''}`.toLowerCase();
    if (isArea || !(besides.has(row.key) || words.every((word) => text.includes(word)))) continue;
    found.add(row);
    for (const heading of above) if (heading.depth < row.depth || heading === row) kept.add(heading);
    kept.add(row);
  }
  return { shown: [...kept], found };
}
