import { REACH } from '../found/found.js';
import type { Span } from '../text/seenText.js';

const ENDS = /[.!?;](?=\s|$)|[\n\u2028]/g;

/** The sentence that a place stands in, as far as is looked. */
export function sentenceAt(text: string, at: number): Span {
  const from = Math.max(0, at - REACH);
  let start = from;
  for (const { 0: end, index } of text.slice(from, at).matchAll(ENDS)) start = from + index + end.length;
  const behind = text.slice(at, at + REACH);
  const end = behind.search(ENDS);
  return { start, end: at + (end < 0 ? behind.length : end) };
}

/** The part of its sentence that stands before a place. */
export const sentenceBefore = (text: string, at: number): string => text.slice(sentenceAt(text, at).start, at);

/** The sentence that a place stands in. */
export function sentenceAround(text: string, at: number): string {
  const { start, end } = sentenceAt(text, at);
  return text.slice(start, end);
}

/** The line that a place stands in, with the line before it. */
export function linesAt(text: string, at: number): Span {
  const from = Math.max(0, at - REACH);
  const before = text.slice(from, at);
  const behind = text.slice(at, at + REACH);
  const end = behind.indexOf('\n');
  return {
    start: from + before.lastIndexOf('\n', before.lastIndexOf('\n') - 1) + 1,
    end: at + (end < 0 ? behind.length : end),
  };
}
