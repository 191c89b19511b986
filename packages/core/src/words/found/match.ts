import type { Part } from './found.js';
import type { Span } from '../text/seenText.js';

/** Where a named group of a match stands; its pattern has the flag `d`. */
export function groupSpan(match: RegExpMatchArray, name: string): Span | undefined {
  const place = match.indices?.groups?.[name];
  return place === undefined ? undefined : { start: place[0], end: place[1] };
}

/** What a named group of a match names, and where it stands; `undefined` when the group is not there. */
export function groupPart<Value>(
  match: RegExpMatchArray,
  name: string,
  valueOf: (text: string) => Value,
): Part<Value> | undefined {
  const span = groupSpan(match, name);
  return span === undefined ? undefined : { ...span, value: valueOf(match.groups![name]!) };
}

/** A sticky pattern tried at one place. */
export function matchAt(pattern: RegExp, text: string, at: number): RegExpExecArray | null {
  pattern.lastIndex = at;
  return pattern.exec(text);
}

/** From the first of some parts of a text to the last, with what stands there. */
export function spanning(text: string, parts: readonly (Span | undefined)[]): Span & { readonly text: string } {
  const present = parts.filter((part) => part !== undefined);
  const start = Math.min(...present.map((part) => part.start));
  const end = Math.max(...present.map((part) => part.end));
  return { start, end, text: text.slice(start, end) };
}

/** Whether what stands between two places is short, and what a pattern says. */
export const fitsGap = (text: string, from: number, to: number, farthest: number, pattern: RegExp): boolean =>
  to >= from && to - from <= farthest && pattern.test(text.slice(from, to));

export const overlaps = (one: Span, other: Span): boolean => one.start < other.end && other.start < one.end;

/** The index of the first of things in order that does not stand before a place. */
export function firstFrom<Each>(things: readonly Each[], least: number, placeOf: (each: Each) => number): number {
  let [low, high] = [0, things.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (placeOf(things[middle]!) < least) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** What is made of a thing once, however often it is asked for: the patterns of a course. */
export function oncePer<Key extends object, Value>(make: (key: Key) => Value): (key: Key) => Value {
  const made = new WeakMap<Key, Value>();
  return (key) => {
    let value = made.get(key);
    if (value === undefined) made.set(key, (value = make(key)));
    return value;
  };
}

/** A text as a pattern that finds it to the letter. */
export const literally = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
