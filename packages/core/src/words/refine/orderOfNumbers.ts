/** Which of two numbers of a date is the day. */
export type NumberOrder = 'dayFirst' | 'monthFirst';

const MONTHS = 12;

/** What two numbers prove by themselves: one over 12 is no month. */
export function orderOfPair(first: number, second: number): NumberOrder | undefined {
  if (first > MONTHS === second > MONTHS) return undefined;
  return first > MONTHS ? 'dayFirst' : 'monthFirst';
}

/**
 * The order of dates that stand together: what some of them prove, else the usual one.
 *
 * @returns `unsure` where they prove both
 */
export function orderAgreed(proofs: Iterable<NumberOrder | undefined>, usual: NumberOrder): NumberOrder | 'unsure' {
  const proved = new Set(proofs);
  if (proved.has('dayFirst') && proved.has('monthFirst')) return 'unsure';
  return proved.has('dayFirst') ? 'dayFirst' : proved.has('monthFirst') ? 'monthFirst' : usual;
}
