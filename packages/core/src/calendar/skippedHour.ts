import { dayFrom, MINUTES_PER_DAY, type Day, type Minute } from './day.js';

/** Finds wall-clock times that a zone skips, one look per day kept. */
export interface ZoneClock {
  /** How many minutes after the given wall-clock time the first one comes that exists; 0 when it exists itself. */
  missingFor(day: Day, minute: Minute): number;
  /** Whether a time of this day can be missing; true for the days around such a day too. */
  skipsOn(day: Day): boolean;
  /** The instant of a wall-clock time, in minutes since 1970-01-01 UTC; of two with the same time the first. */
  utcMinutes(day: Day, minute: Minute): number;
}

const MS_PER_MINUTE = 60_000;
const MS_PER_DAY = MINUTES_PER_DAY * MS_PER_MINUTE;

interface Gap {
  /** Wall-clock minutes since 1970-01-01: the first that is skipped and the first that exists again. */
  readonly from: number;
  readonly to: number;
}

/** Clocks of the zones that were asked for, since a formatter and a gap a day take longer than moving the dates. */
const clocks = new Map<string, ZoneClock>();

/** @param timeZone a known IANA zone. */
export function zoneClock(timeZone: string): ZoneClock {
  let clock = clocks.get(timeZone);
  if (clock === undefined) clocks.set(timeZone, (clock = makeClock(timeZone)));
  return clock;
}

/** Whether there is a zone of this name. */
export function isZone(timeZone: string): boolean {
  try {
    zoneClock(timeZone);
    return true;
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
}

/** Days that are kept: some years of them. */
const MOST_DAYS = 4000;

function makeClock(timeZone: string): ZoneClock {
  const format = new Intl.DateTimeFormat('en-US', {
    timeZone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    era: 'short',
  });
  /** Minutes that the zone's wall clock is ahead of UTC at an instant. */
  const offsetAt = (instant: number): number => {
    const part: Record<string, string> = {};
    for (const { type, value } of format.formatToParts(instant)) part[type] = value;
    const year = part.era === 'BC' ? 1 - Number(part.year) : Number(part.year);
    const day = dayFrom(year, Number(part.month), Number(part.day));
    return day * MINUTES_PER_DAY + Number(part.hour) * 60 + Number(part.minute) - Math.floor(instant / MS_PER_MINUTE);
  };
  const offsets = new Map<Day, number>();
  /** The offset when the day begins in UTC. */
  const offsetOn = (day: Day): number => {
    let offset = offsets.get(day);
    if (offset === undefined) {
      if (offsets.size >= MOST_DAYS) offsets.clear();
      offsets.set(day, (offset = offsetAt(day * MS_PER_DAY)));
    }
    return offset;
  };
  /** The gap around a day; no zone's wall clock is a day from UTC, so it lies between the days before and after. */
  const gapOf = (day: Day): Gap | undefined => {
    const before = offsetOn(day - 1);
    const after = offsetOn(day + 2);
    if (after <= before) return undefined;
    let low = (day - 1) * MS_PER_DAY;
    let high = (day + 2) * MS_PER_DAY;
    while (high - low > MS_PER_MINUTE) {
      const middle = Math.floor((low + high) / 2 / MS_PER_MINUTE) * MS_PER_MINUTE;
      if (offsetAt(middle) === before) low = middle;
      else high = middle;
    }
    const instant = high / MS_PER_MINUTE;
    return { from: instant + before, to: instant + after };
  };
  const gaps = new Map<Day, Gap | undefined>();
  const gapOn = (day: Day): Gap | undefined => {
    if (!gaps.has(day)) {
      if (gaps.size >= MOST_DAYS) gaps.clear();
      gaps.set(day, gapOf(day));
    }
    return gaps.get(day);
  };
  return {
    skipsOn: (day) => gapOn(day) !== undefined,
    missingFor(day, minute) {
      const gap = gapOn(day);
      if (gap === undefined) return 0;
      const wall = day * MINUTES_PER_DAY + minute;
      return wall < gap.from || wall >= gap.to ? 0 : gap.to - wall;
    },
    utcMinutes(day, minute) {
      const wall = day * MINUTES_PER_DAY + minute;
      const before = offsetOn(day - 1);
      const after = offsetOn(day + 2);
      if (before === after) return wall - before;
      const instants = [wall - before, wall - after];
      return instants.find((instant) => instant + offsetAt(instant * MS_PER_MINUTE) === wall) ?? instants[0]!;
    },
  };
}
