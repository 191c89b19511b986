import Papa from 'papaparse';

/** One row of a table by its column names, with the line it stands on. */
export interface TableRow {
  readonly line: number;
  readonly cells: Readonly<Record<string, string>>;
}

/** Reads a CSV table with a head line. Empty lines are passed over. */
export function readTable(text: string): TableRow[] {
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  });
  return data.map((cells, index) => ({ line: index + 2, cells }));
}
