import type { Found, FoundDay, Refiner } from '../found/found.js';
import { daysNear, fitsWeekday, swapped, type DayNear } from './daysNear.js';
import { orderAgreed, orderOfPair, type NumberOrder } from './orderOfNumbers.js';

/** The order in which a date's numbers are read so far. */
const orderOf = ({ written: { month, date } }: FoundDay): NumberOrder =>
  month.start < date.start ? 'monthFirst' : 'dayFirst';

const readIn = (day: FoundDay, order: NumberOrder): FoundDay =>
  orderOf(day) === order ? day : { ...day, written: swapped(day.written) };

/** What a date proves of the order of its numbers: by one over 12, or by its own weekday. */
function proofOf(day: FoundDay, dayNear: DayNear): NumberOrder | undefined {
  const { month, date, weekday } = day.written;
  const [first, second] = orderOf(day) === 'monthFirst' ? [month, date] : [date, month];
  const proved = orderOfPair(first.value, second.value);
  if (proved !== undefined || weekday === undefined || first.value === second.value) return proved;
  const fitting = (['dayFirst', 'monthFirst'] as const).filter((order) => {
    const { written } = readIn(day, order);
    const near = dayNear(written);
    return near !== undefined && fitsWeekday(near, written);
  });
  return fitting.length === 1 ? fitting[0] : undefined;
}

/**
 * Reads which of two numbers is the month: what a date proves by itself, else what the text's other dates prove, else the habit of
 * the place. Where they prove both, a date without a proof of its own can be two.
 *
 * @see docs/rules.md, "Stale words"
 */
export const readNumbers: Refiner = (found, _prose, { calendar, monthFirst }) => {
  const dayNear = daysNear(calendar);
  const proofs = new Map<FoundDay, NumberOrder | undefined>();
  for (const each of found)
    for (const day of each.sort === 'date' ? [each] : each.sort === 'range' ? [each.from, each.to] : [])
      if (day.style === 'numbers') proofs.set(day, proofOf(day, dayNear));
  if (proofs.size === 0) return [...found];
  const agreed = orderAgreed(proofs.values(), monthFirst ? 'monthFirst' : 'dayFirst');
  const read = (day: FoundDay): FoundDay => {
    if (!proofs.has(day)) return day;
    const order = proofs.get(day) ?? agreed;
    return order === 'unsure' ? { ...day, isEither: true } : readIn(day, order);
  };
  return found.map((each): Found => {
    if (each.sort === 'date') return read(each);
    return each.sort === 'range' ? { ...each, from: read(each.from), to: read(each.to) } : each;
  });
};
