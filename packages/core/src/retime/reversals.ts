import type { Doubt, DoubtGround } from './doubt.js';
import { followsAnother } from './doubt.js';
import { isDoubtful, type Flag } from '../names/flags.js';

const NOT_COMPARED: readonly string[] = ['clear', 'keep'];

const hasOtherDoubt = (flags: readonly Flag[]): boolean => isDoubtful(flags.filter((flag) => flag !== 'orderChanged'));

/** What moments have in common that are compared alike: one of them stands for all. */
const wayOf = ({ moment: { role, rule, from, to, flags }, series }: Doubt): string =>
  `${role} ${rule} ${from} ${to ?? ''} ${hasOtherDoubt(flags)} ${series === undefined ? '' : `of ${series.name ?? ''}`}`;

interface Ways {
  /** The first of all that are compared alike. */
  readonly compared: readonly Doubt[];
  /** Results by way: in a large course hundreds change places, but on few days. */
  readonly found: Map<string, Doubt | undefined>;
}

const waysOfGround = new WeakMap<DoubtGround, Ways>();

function waysOf(ground: DoubtGround): Ways {
  let ways = waysOfGround.get(ground);
  if (ways === undefined) {
    const compared = new Map<string, Doubt>();
    for (const doubt of ground.among()) {
      const { moment } = doubt;
      const isLeftOver = moment.flags.includes('otherTerm') || moment.to === null;
      if (isLeftOver || NOT_COMPARED.includes(moment.rule) || followsAnother(moment)) continue;
      const way = wayOf(doubt);
      if (!compared.has(way)) compared.set(way, doubt);
    }
    waysOfGround.set(ground, (ways = { compared: [...compared.values()], found: new Map() }));
  }
  return ways;
}

/**
 * Of what stood before a moment in the old term, would stand after it and is a reason for its flag `orderChanged`: the one
 * that stands last. ISO moments sort as text.
 */
export function lastBefore(doubt: Doubt): Doubt | undefined {
  const { compared, found } = waysOf(doubt.ground);
  const way = wayOf(doubt);
  if (!found.has(way)) {
    let last: Doubt | undefined;
    for (const other of compared)
      if (isPassedBy(other, doubt) && (last === undefined || other.moment.to! > last.moment.to!)) last = other;
    found.set(way, last);
  }
  return found.get(way);
}

/** Stood before and stands after now, so that the flag is on the one that was passed. */
function isPassedBy({ moment: other, series: otherSeries }: Doubt, { moment, series }: Doubt): boolean {
  if (other.role !== moment.role || other.from >= moment.from || moment.to === null || other.to! <= moment.to)
    return false;
  if (moment.rule === 'byHand') return other.rule !== 'byHand';
  if (other.rule !== moment.rule || otherSeries !== series) return false;
  return hasOtherDoubt(moment.flags) || !hasOtherDoubt(other.flags);
}
