import { isWritten, landsNew, type PlanLine } from './shapes/line.js';
import type { DateTotals, PlanTotals, PreviewDate } from './shapes/preview.js';

/** What becomes of a thing of the source: the run writes it, it stands in the new course already, or it will not be in it. */
export type Fate = 'comes' | 'stands' | 'stays';

/**
 * The one word that every count of a plan is made of. A place that is kept comes; what the shell has in its place, brought,
 * alike, or kept by a decision, stands.
 *
 * @see docs/rules.md, "Counts"
 */
export function fateOf(line: Pick<PlanLine, 'verb' | 'place' | 'answered' | 'to'>): Fate {
  if (isWritten(line)) return 'comes';
  return line.to === null ? 'stays' : 'stands';
}

/**
 * What a plan does, each thing counted once.
 *
 * @param lines  of the plan, those of the source's things first
 * @param of     how many things the source has
 */
export function totalsOf(lines: readonly PlanLine[], of: number): PlanTotals {
  const fates = { comes: 0, stands: 0, stays: 0 };
  let places = 0;
  let changed = 0;
  const standing = new Set<string>();
  const written = new Set<string>();
  for (let at = 0; at < of; at++) {
    const line = lines[at]!;
    const fate = fateOf(line);
    fates[fate]++;
    if (line.place === true) places++;
    if (fate === 'comes' && !landsNew(line)) changed++;
    if (fate === 'comes') written.add(line.to!);
    else if (fate === 'stands') standing.add(line.to!);
  }
  let own = 0;
  let takenOut = 0;
  for (let at = of; at < lines.length; at++)
    if (lines[at]!.takenOut === true) takenOut++;
    else own++;
  for (const key of written) standing.delete(key);
  return { of, ...fates, places, changed, own, takenOut, holds: written.size + standing.size + own };
}

/** What becomes of dates: they move, they are taken away, or they are kept as they were. */
export function dateTotalsOf(dates: readonly Pick<PreviewDate, 'to' | 'rule'>[]): DateTotals {
  let cleared = 0;
  let kept = 0;
  for (const { to, rule } of dates)
    if (to === null) cleared++;
    else if (rule === 'keep') kept++;
  return { move: dates.length - cleared - kept, cleared, kept };
}
