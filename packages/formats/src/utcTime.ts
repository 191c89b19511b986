import ICAL from 'ical.js';
import { parseDay, parseMinute, zoneClock } from '@yarin/core';

const TIME_AT = 'YYYY-MM-DDT'.length;

/** Wall-clock moments of a zone, `YYYY-MM-DDTHH:mm`, as times in UTC, so that no definition of a zone has to travel along. */
export function utcTimes(timeZone: string): (at: string) => ICAL.Time {
  const clock = zoneClock(timeZone);
  return (at) => {
    const minutes = clock.utcMinutes(parseDay(at), parseMinute(at, TIME_AT));
    return ICAL.Time.fromJSDate(new Date(minutes * 60_000), true);
  };
}
