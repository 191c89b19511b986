import { parseDay } from '@yarin/core';

/** Says what time it is on a wall clock. Fixed for tests and pictures. */
export interface Clock {
  /** `YYYY-MM-DDTHH:mm` in the zone. */
  now(timeZone: string): string;
}

const systemNow = (timeZone: string): string =>
  new Intl.DateTimeFormat('sv-SE', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  })
    .format(new Date())
    .replace(' ', 'T');

/**
 * @param fixed  `YYYY-MM-DDTHH:mm`, the same in every zone; the system's clock when absent
 * @throws when `fixed` is no such moment: a mistake of whoever starts the server
 */
export function makeClock(fixed: string | undefined): Clock {
  if (fixed === undefined || fixed === '') return { now: systemNow };
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(fixed) || Number.isNaN(parseDay(fixed)))
    throw new Error(`YARIN_NOW has to be a moment such as 2026-11-24T09:00, not “${fixed}”.`);
  return { now: () => fixed };
}
