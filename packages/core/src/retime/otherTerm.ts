import type { Day } from '../calendar/day.js';

const FAR_OUTSIDE_DAYS = 60;

/** A day more than 60 days outside a term: what is dated so is left over from another one. */
export const isOfOtherTerm = (
  day: Day,
  { firstDay, lastDay }: { readonly firstDay: Day; readonly lastDay: Day },
): boolean => day < firstDay - FAR_OUTSIDE_DAYS || day > lastDay + FAR_OUTSIDE_DAYS;
