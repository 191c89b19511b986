import type { Address } from './addresses.js';

/** Where something stands, in UTF-16 units: from the first unit to the one behind the last. */
export interface Span {
  readonly start: number;
  readonly end: number;
}

/** An address that stands behind words of a text. */
export interface PlacedAddress extends Address {
  /** Behind how many characters of the text the words end that lead there. */
  readonly at: number;
}

/** Words as a reader sees them, with a map back to what they are written with. */
export interface SeenText {
  /** A line a block, `BREAK` where a line is broken within one, single spaces. */
  readonly text: string;
  readonly addresses: readonly PlacedAddress[];
  /** What a part of the text is written with, markup between its characters included. */
  sourceOf(part: Span): Span;
}

export const LINE = '\n';
/** A break of the line within a block: a space to words, an end to sentences. */
export const BREAK = '\u2028';

/** Characters of a text and what they are written with: one for one, or all with the same. */
interface Run {
  /** Where it begins in the text. */
  readonly at: number;
  readonly source: Span;
  readonly isOneForOne: boolean;
}

/** Puts a text together piece by piece. */
export interface SeenTextBuilder {
  /** A piece of the source that is seen as it is written. */
  plain(source: string, start: number): void;
  /** A piece of the source that is seen as something else: a character reference. */
  written(seen: string, source: Span): void;
  /** The edge of a block, or a break of the line. */
  edge(kind: typeof LINE | typeof BREAK, at: number): void;
  address(address: Address): void;
  done(): SeenText;
}

const SPACES = /\s+/g;

export function seenText(): SeenTextBuilder {
  const parts: string[] = [];
  const runs: Run[] = [];
  const addresses: PlacedAddress[] = [];
  let length = 0;
  /** What stands between what came and what comes: nothing at the start of the text. */
  let gap: { readonly seen: string; readonly source: Span } | undefined;

  const push = (text: string, source: Span, isOneForOne: boolean): void => {
    runs.push({ at: length, source, isOneForOne });
    parts.push(text);
    length += text.length;
  };
  const space = (source: Span): void => {
    gap ??= { seen: ' ', source };
  };
  const word = (text: string, source: Span, isOneForOne: boolean): void => {
    if (gap !== undefined && length > 0) push(gap.seen, gap.source, false);
    gap = undefined;
    push(text, source, isOneForOne);
  };
  return {
    plain(source, start) {
      let from = 0;
      for (const { 0: spaces, index } of source.matchAll(SPACES)) {
        // A single space inside is part of what is seen one for one.
        if (spaces === ' ' && index > from && index + 1 < source.length) continue;
        if (index > from) word(source.slice(from, index), { start: start + from, end: start + index }, true);
        from = index + spaces.length;
        space({ start: start + index, end: start + from });
      }
      if (from < source.length) word(source.slice(from), { start: start + from, end: start + source.length }, true);
    },
    written(seen, source) {
      if (seen.trim() === '') space(source);
      else word(seen, source, false);
    },
    edge(kind, at) {
      if (gap === undefined || gap.seen !== LINE) gap = { seen: kind, source: { start: at, end: at } };
    },
    address(address) {
      addresses.push({ ...address, at: length });
    },
    done: () => ({
      text: parts.join(''),
      addresses,
      sourceOf: ({ start, end }) => {
        const first = runAt(runs, start);
        const last = runAt(runs, Math.max(start, end - 1));
        return {
          start: first.isOneForOne ? first.source.start + start - first.at : first.source.start,
          end: last.isOneForOne ? last.source.start + end - last.at : last.source.end,
        };
      },
    }),
  };
}

/** The run that a place of the text lies in: the last that begins at or before it. */
function runAt(runs: readonly Run[], at: number): Run {
  let [low, high] = [0, runs.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (runs[middle]!.at <= at) low = middle + 1;
    else high = middle;
  }
  return runs[low - 1]!;
}
