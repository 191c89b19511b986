import type { RowBase } from './spreadRow.js';

/** Which headings of a page are folded: all or none, and those that somebody turned the other way. */
export interface Folds {
  readonly all: boolean;
  readonly others: readonly string[];
}

export const isFolded = ({ all, others }: Folds, key: string): boolean => all !== others.includes(key);

export function turned({ all, others }: Folds, key: string): Folds {
  return { all, others: others.includes(key) ? others.filter((each) => each !== key) : [...others, key] };
}

/** A row that other rows stand under. */
export const holdsRows = (rows: readonly RowBase[], at: number): boolean =>
  rows[at]!.isHeading && (rows[at + 1]?.depth ?? 0) > rows[at]!.depth;

/** The rows that are seen: those under a folded heading are not. */
export function unfoldedRows<Row extends RowBase>(
  rows: readonly Row[],
  isFolded: (key: string) => boolean,
): readonly Row[] {
  let under = Infinity;
  return rows.filter((row, at) => {
    if (row.depth > under) return false;
    under = holdsRows(rows, at) && isFolded(row.key) ? row.depth : Infinity;
    return true;
  });
}

/** The heading that a row stands under; -1 when it stands under none. */
export function headingOver(rows: readonly RowBase[], at: number): number {
  for (let over = at - 1; over >= 0; over--)
    if (rows[over]!.isHeading && rows[over]!.depth < rows[at]!.depth) return over;
  return -1;
}
