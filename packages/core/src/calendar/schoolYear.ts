/** A school year begins in July. */
const FIRST_MONTH = 7;

/** The year in which the school year of a day begins; the day as `YYYY-MM-DD`. */
export const schoolYearOf = (day: string): number =>
  Number(day.slice(0, 4)) - (Number(day.slice(5, 7)) < FIRST_MONTH ? 1 : 0);
