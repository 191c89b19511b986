import type { Closure } from '../schemas/calendar.js';

const KINDS: readonly (readonly [Closure['kind'], RegExp])[] = [
  ['exams', /\b(?:exam(?:ination)?s?|finals?|assessment (?:period|week))\b/i],
  ['reading', /\b(?:reading|study|revision) (?:days?|period|weeks?)\b/i],
  ['break', /\b(?:break|recess|vacation|half[- ]term|intersession)\b/i],
];

/** What kind of closure a name speaks of; a holiday when it names no other. */
export const closureKind = (name: string): Closure['kind'] =>
  KINDS.find(([, words]) => words.test(name))?.[0] ?? 'holiday';
