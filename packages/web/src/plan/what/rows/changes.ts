import { isTakenOutByHand, type LineageEntry, type Match } from '@yarin/core';
import type { Under } from './grouping.js';

const UNDER = {
  source: { name: 'Changed in the old course since it was brought', place: 0 },
  both: { name: 'Changed on both sides since it was brought', place: 1 },
  shell: { name: 'Changed in the new course since it was brought', place: 2 },
  out: { name: 'Taken out of the new course by hand', place: 3 },
  asBrought: { name: 'As it was brought', place: 4 },
  notBrought: { name: 'Not brought yet', place: 5 },
  own: { name: 'The shell’s own', place: 6 },
} as const satisfies Readonly<Record<string, Under>>;

/** What became of a thing of the old course since it was brought into the shell, whatever is chosen now. */
export function changeOf(match: Match | undefined, wasBrought: boolean): Under {
  if (match === undefined) return UNDER.own;
  if (isTakenOutByHand(match)) return UNDER.out;
  if (!wasBrought) return UNDER.notBrought;
  switch (match.verb) {
    case 'update':
      return UNDER.source;
    case 'ask':
      return UNDER.both;
    case 'keep':
      return UNDER.shell;
    case 'same':
      return UNDER.asBrought;
    case 'add':
    case 'join':
      return UNDER.notBrought;
  }
}

/** Things of the shell that an earlier run brought. */
export const broughtThings = (lineage: readonly LineageEntry[]): ReadonlySet<string> =>
  new Set(lineage.map(({ item }) => item));
