import { FLAG_WORDS, explain, KIND_WORDS, ROLE_WORDS, type Kind, type PreviewDate } from '@yarin/core';
import Papa from 'papaparse';

/** The columns of a sheet of dates. Only `will be` is read again, by `id`: `readDateSheet`. */
const COLUMNS = ['id', 'thing', 'kind', 'role', 'was', 'will be', 'doubts', 'why'] as const;

/** How spreadsheets begin a formula, in full width too. */
const FORMULA = /^[=+\-@\t\r＝＋－＠]/;

const spaced = (at: string | null): string => at?.replace('T', ' ') ?? '';

/** The dates of a plan as a CSV table that a spreadsheet opens. Cells that would be taken for formulas are made text. */
export function writeDateSheet(dates: readonly PreviewDate[]): string {
  const rows = dates.map((date) => [
    date.id,
    date.for === undefined ? date.title : `${date.title} (for ${date.for})`,
    KIND_WORDS[date.kind as Kind].one,
    ROLE_WORDS[date.role],
    spaced(date.from),
    spaced(date.to),
    date.flags.map((flag) => FLAG_WORDS[flag]).join(', '),
    explain(date),
  ]);
  return `\uFEFF${Papa.unparse({ fields: [...COLUMNS], data: rows }, { escapeFormulae: FORMULA, newline: '\r\n' })}\r\n`;
}
