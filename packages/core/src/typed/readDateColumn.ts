import { fail, succeed, type Result } from '../problem.js';
import { orderAgreed, orderOfPair, type NumberOrder } from '../words/refine/orderOfNumbers.js';
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

/** Two numbers that a cell writes its date with, where it does. */
function pairIn({ text }: Pick<DateCell, 'text'>): readonly [number, number] | undefined {
  const match = PLAIN.test(text) ? null : NUMBERS.exec(text);
  return match === null ? undefined : [Number(match[1]), Number(match[2])];
}

/** What a cell proves about the order of the column. */
function proofOf(cell: DateCell): NumberOrder | undefined {
  const pair = pairIn(cell);
  return pair && orderOfPair(...pair);
}

/**
 * Reads a column of dates as people and spreadsheets write them, each as `readTypedDate` does. “3/4” is read as whoever reads
 * it writes dates, unless other dates of the column prove the other order.
 *
 * @returns for each cell the moment, `null` for an empty one, or why it is none
 * @see docs/rules.md, "Dates that are typed"
 */
export function readDateColumn(cells: readonly DateCell[], reading: ColumnReading): Result<string | null>[] {
  const order = orderAgreed(cells.map(proofOf), reading.order);
  const read = typedReader({ ...reading, order: order === 'unsure' ? reading.order : order });
  return cells.map((cell) => {
    const text = cell.text.trim();
    if (text === '') return succeed(null);
    if (order === 'unsure' && pairIn({ text }) !== undefined && proofOf({ text }) === undefined)
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
