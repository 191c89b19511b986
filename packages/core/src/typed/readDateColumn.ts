import type { DateStyle } from '../calendar/dateStyle.js';
import { fail, succeed, type Result } from '../problem.js';
import { typedReader } from './readTypedDate.js';
import type { TypedReading } from './typedContext.js';

/** A cell of a column of dates, with the date that its row has. */
export interface DateCell extends Pick<TypedReading, 'at' | 'time'> {
  readonly text: string;
}

/** How a column is read. */
export type ColumnReading = Omit<TypedReading, 'at' | 'time'>;

const NUMBERS = /^\D{0,12}(\d{1,2})[/-](\d{1,2})(?:[/-]|\b)/;
/** As spreadsheets write moments; read at once. */
const PLAIN = /^\d{4}-\d{2}-\d{2}/;

/** What the numbers of a column prove about their order; `unsure` when they contradict each other. */
function orderOf(cells: readonly DateCell[], order: DateStyle['order']): DateStyle['order'] | 'unsure' {
  let [days, months] = [false, false];
  for (const { text } of cells) {
    const match = PLAIN.test(text) ? null : NUMBERS.exec(text);
    if (match === null) continue;
    if (Number(match[1]) > 12) days = true;
    if (Number(match[2]) > 12) months = true;
  }
  if (days && months) return 'unsure';
  if (days) return 'dayFirst';
  return months ? 'monthFirst' : order;
}

/**
 * Reads a column of dates as people and spreadsheets write them, each as `readTypedDate` does. “3/4” is read as whoever reads
 * it writes dates, unless other dates of the column prove the other order.
 *
 * @returns for each cell the moment, `null` for an empty one, or why it is none
 * @see docs/rules.md, "Dates that are typed"
 */
export function readDateColumn(cells: readonly DateCell[], reading: ColumnReading): Result<string | null>[] {
  const order = orderOf(cells, reading.order);
  const read = typedReader({ ...reading, order: order === 'unsure' ? reading.order : order });
  return cells.map((cell) => {
    const text = cell.text.trim();
    if (text === '') return succeed(null);
    const numbers = order === 'unsure' && !PLAIN.test(text) ? NUMBERS.exec(text) : null;
    if (numbers !== null && Number(numbers[1]) <= 12 && Number(numbers[2]) <= 12)
      return fail([
        {
          code: 'ambiguous',
          message: `“${text.slice(0, 80)}” could be two dates, since others of the column stand both ways; write the month in letters.`,
          where: '',
        },
      ]);
    return read(text, cell);
  });
}
