import { readDateColumn, type ColumnReading, type PreviewDate, type Problem } from '@yarin/core';
import { readTable } from './readTable.js';

/** What a sheet that came back says. */
export interface DateSheet {
  /** By id, the dates that are others than the plan's. */
  readonly changed: Readonly<Record<string, string>>;
  readonly same: number;
  /** What could not be read, each at its line: `/5`. */
  readonly problems: readonly Problem[];
}

const MOST_ROWS = 20_000;

/** Reads a sheet of dates that was edited in a spreadsheet. Columns may stand in any order, and rows may be missing. */
export function readDateSheet(text: string, dates: readonly PreviewDate[], reading: ColumnReading): DateSheet {
  const rows = readTable(text).slice(0, MOST_ROWS);
  const missing = (['id', 'will be'] as const).filter((column) => rows[0]?.cells[column] === undefined);
  if (rows.length === 0 || missing.length > 0) {
    const message =
      rows.length === 0
        ? 'There is no row in this sheet.'
        : `The sheet has no column “${missing.join('” and no “')}”; its first line has to name them.`;
    return { changed: {}, same: 0, problems: [{ code: 'noSheet', message, where: '/1' }] };
  }
  const known = new Map(dates.map((date) => [date.id, date]));
  const read = readDateColumn(
    rows.map(({ cells }) => {
      const date = known.get(idOf(cells));
      // Rows of no date here are told, not read.
      return { text: (date && cells['will be']) ?? '', at: date?.to, time: date?.from.slice(11) };
    }),
    reading,
  );
  const changed: Record<string, string> = {};
  const problems: Problem[] = [];
  const seen = new Set<string>();
  let same = 0;
  rows.forEach(({ line, cells }, at) => {
    const id = idOf(cells);
    const date = known.get(id);
    const result = read[at]!;
    const tell = (code: string, message: string): void => void problems.push({ code, message, where: `/${line}` });
    if (date === undefined)
      tell('noSuchMoment', `“${cells.thing ?? id}” is no date of this plan any more; its row is passed over.`);
    else if (seen.has(id)) tell('idTwice', `“${date.title}” stands twice; the first row counts.`);
    else if (!result.ok) tell(result.problems[0]!.code, result.problems[0]!.message);
    else if (result.value === null && date.to !== null)
      tell(
        'empty',
        `“${date.title}” has no date in the sheet; it keeps its own. Clear it in the table if it should have none.`,
      );
    else if (result.value === null || result.value === date.to) same++;
    else changed[id] = result.value;
    seen.add(id);
  });
  return { changed, same, problems };
}

/** Spreadsheets keep the mark that makes a formula text. */
const idOf = (cells: Readonly<Record<string, string>>): string => (cells.id ?? '').trim().replace(/^'/, '');
