import { filterRows } from './filterRows.js';
import { headingOver, holdsRows } from './folding.js';
import { boxOf, type OldRow } from './spreadRow.js';

/**
 * The rows of the old page that hold what was typed. A heading acts on what is shown under it; one of which nothing is shown
 * stands for all that it holds.
 */
export function narrowedRows(rows: readonly OldRow[], typed: string): readonly OldRow[] {
  const { shown, found } = filterRows(rows, typed);
  if (shown === rows) return rows;
  const under = new Map<number, OldRow[]>();
  shown.forEach((row, at) => {
    if (!found.has(row) || row.item === undefined || holdsRows(shown, at)) return;
    for (let over = headingOver(shown, at); over >= 0; over = headingOver(shown, over)) {
      const known = under.get(over);
      if (known === undefined) under.set(over, [row]);
      else known.push(row);
    }
  });
  return shown.map((row, at) => {
    const within = under.get(at);
    if (within === undefined) return row;
    const covers = within.flatMap((each) => each.covers);
    const coming = within.filter(({ box }) => box === 'on').length;
    const isAll = within.every(({ box }) => box !== 'part');
    const tally = `${coming} of ${within.length} shown`;
    return {
      ...row,
      covers,
      box: isAll ? boxOf(coming, within.length) : 'part',
      tally,
      kind: row.item === undefined ? tally : row.kind,
      isNarrowed: true,
    };
  });
}

/** The things that the rows shown stand for, each once. */
export const shownThings = (rows: readonly OldRow[]): readonly string[] => [
  ...new Set(rows.flatMap((row, at) => (holdsRows(rows, at) ? [] : row.covers))),
];
