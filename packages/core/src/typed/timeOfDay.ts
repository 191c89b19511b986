import type { Minute } from '../calendar/day.js';

/** A typed text without its time of day. */
export interface SplitTime {
  readonly rest: string;
  readonly minute: Minute | undefined;
}

const TAIL = /(?:^|[ ,t]) ?(?:at )?(?<hour>\d{1,2})(?::(?<minute>\d{2})(?::\d{2})?)? ?(?<half>[ap]\.?m\.?)?$/;
const NAMED = /(?:^| |,) ?(?:at )?noon$/;
const NOON: Minute = 720;

/** Takes the time of day off the end of a text in small letters: “10 mar 14:00”, “tue of week 6, 2 pm”, “noon”. */
export function splitTime(text: string): SplitTime | 'noSuchTime' {
  const noon = NAMED.exec(text);
  if (noon !== null) return { rest: trimmed(text.slice(0, noon.index)), minute: NOON };
  const match = TAIL.exec(text);
  const { hour, minute, half } = match?.groups ?? {};
  if (match === null || (minute === undefined && half === undefined)) return { rest: text, minute: undefined };
  const hours = Number(hour);
  const minutes = Number(minute ?? 0);
  const isTwelve = half !== undefined;
  if (minutes > 59 || hours > 23 || (isTwelve && (hours < 1 || hours > 12))) return 'noSuchTime';
  const inDay = isTwelve ? (hours % 12) + (half.startsWith('p') ? 12 : 0) : hours;
  return { rest: trimmed(text.slice(0, match.index)), minute: inDay * 60 + minutes };
}

const trimmed = (text: string): string => text.replace(/(?<![ ,])[ ,]+$/, '');
