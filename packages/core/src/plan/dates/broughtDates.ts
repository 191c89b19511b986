import { succeed, type Result } from '../../problem.js';
import { datesOf } from './dates.js';
import { originOf } from '../sources/joinSources.js';
import { isWritten, type PlanLine } from '../shapes/line.js';
import { originKey } from '../shapes/origin.js';
import type { PlanDecided, PlanIndex, PreviewDate, StandingDates } from '../shapes/preview.js';

/**
 * Where the plan puts the dates of things that earlier runs brought and that stand in the shell, in the order of the items.
 * That they pass is no doubt about them.
 *
 * @param isConcerned  by the place of an item in the source
 */
export function broughtDates(
  index: PlanIndex,
  decided: PlanDecided,
  isConcerned: (at: number) => boolean = () => true,
): Result<PreviewDate[]> {
  const { ground, standing } = index;
  const { source, lineage } = ground;
  if (lineage.length === 0) return succeed([]);
  const brought = new Set(
    lineage.flatMap((entry) => (standing.has(entry.item) ? [originKey(entry.sourceCourse, entry.sourceItem)] : [])),
  );
  const isBrought = (at: number): boolean => {
    const { course, item } = originOf(ground, source.items[at]!.id);
    return brought.has(originKey(course, item));
  };
  return datesOf(index, (at) => isBrought(at) && isConcerned(at), { ...decided, now: undefined });
}

/**
 * What a plan does not write of all that was brought.
 *
 * @param lines  of the source's items, in their order
 * @see docs/rules.md, "Doubts and their causes"
 */
export function datesStanding(
  index: PlanIndex,
  lines: readonly PlanLine[],
  decided: PlanDecided,
): Result<StandingDates> {
  const stays = (at: number): boolean => !isWritten(lines[at]!);
  const dates = broughtDates(index, decided, stays);
  if (!dates.ok) return dates;
  if (dates.value.length === 0) return succeed({ asBrought: [], elsewhere: [] });
  const standing = new Map(
    index.ground.shell.items.flatMap(({ moments = [] }) => moments.map(({ id, at }) => [id, at] as const)),
  );
  const isThere = ({ id, to }: PreviewDate): boolean => to !== null && standing.get(id) === to;
  const others = dates.value.filter((date) => !isThere(date) && standing.has(date.id));
  const untouched = new Set(lines.flatMap(({ item, verb }) => (verb === 'same' && item !== null ? [item] : [])));
  const asBrought = dates.value.filter(isThere);
  const elsewhere = others.filter(({ item }) => untouched.has(item));
  if (others.length === 0) return succeed({ asBrought, elsewhere });
  // Order is that of what stands, wherever the plan would put the others.
  const stand = Object.fromEntries(others.map(({ id }) => [id, standing.get(id)!]));
  const { decisions } = decided;
  const byHand = { ...decisions.byHand, ...stand };
  const again = broughtDates(index, { ...decided, decisions: { ...decisions, byHand } }, stays);
  if (!again.ok) return again;
  const told = new Map(again.value.map((date) => [date.id, date]));
  return succeed({ asBrought: asBrought.map((date) => asTold(date, told.get(date.id))), elsewhere });
}

const asTold = (date: PreviewDate, told: PreviewDate | undefined): PreviewDate =>
  told?.to === date.to ? told : { ...date, flags: date.flags.filter((flag) => flag !== 'orderChanged') };
