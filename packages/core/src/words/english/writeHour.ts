import { formatMinute, type Minute } from '../../calendar/day.js';
import type { HourWritten } from '../found/language.js';

const HALF = /\s?[ap]\.?\s?m\.?/i;
const HALF_DAY = 720;

/** How an hour is written. */
interface HourStyle {
  /** “ pm” as it is written, with its space; empty where none is. */
  readonly half: string;
  readonly isOfTwelve: boolean;
  readonly hasMinutes: boolean;
  readonly isPadded: boolean;
}

/** @param readAs  the minute of the day that was meant */
function styleOf(text: string, readAs: Minute): HourStyle {
  const half = HALF.exec(text)?.[0] ?? '';
  const hour = Number(/\d+/.exec(text)?.[0] ?? 0);
  const isNamed = /noon|midnight/i.test(text);
  const isBare = !isNamed && half === '' && !text.includes(':');
  return {
    half: isNamed ? ' pm' : half,
    // “2:00” of a class at 14:00, and a bare “10”, are of the clock of twelve hours.
    isOfTwelve: isNamed || half !== '' || isBare || (readAs >= HALF_DAY && hour < 12),
    hasMinutes: text.includes(':'),
    isPadded: /^0\d/.test(text),
  };
}

/** “ pm” in the letters and stops of another half of the day. */
const halfLike = (minute: Minute, like: string): string =>
  like.replace(/[ap]/i, (letter) => {
    const half = minute < HALF_DAY ? 'a' : 'p';
    return letter === letter.toUpperCase() ? half.toUpperCase() : half;
  });

function written(minute: Minute, { half, isOfTwelve, hasMinutes, isPadded }: HourStyle): string {
  if (!isOfTwelve) return isPadded ? formatMinute(minute) : formatMinute(minute).replace(/^0/, '');
  const hour = Math.floor(minute / 60) % 12 || 12;
  const minutes = hasMinutes || minute % 60 !== 0 ? `:${String(minute % 60).padStart(2, '0')}` : '';
  return `${isPadded ? String(hour).padStart(2, '0') : hour}${minutes}${half === '' ? '' : halfLike(minute, half)}`;
}

/**
 * An hour as another was written: on the same clock, with minutes where it had them or needs them. Noon and midnight stay words.
 *
 * @param readAs  the minute of the day that the old words meant
 */
export function hourLike(minute: Minute, like: string, readAs: Minute): string {
  if (/noon|midnight/i.test(like) && minute === readAs) return like;
  return written(minute, styleOf(like, readAs));
}

/** The hours from one to another as they were written; “am” or “pm” once where both share it. */
export function hoursLike(from: HourWritten, to: HourWritten): readonly [string, string] {
  const [first, last] = [styleOf(from.like, from.readAs), styleOf(to.like, to.readAs)];
  const half = last.half || first.half;
  const isShared = from.minute < HALF_DAY === to.minute < HALF_DAY;
  const isOfTwelve = first.isOfTwelve || last.isOfTwelve;
  return [
    written(from.minute, { ...first, isOfTwelve, half: isShared ? '' : half }),
    written(to.minute, { ...last, isOfTwelve, half }),
  ];
}
