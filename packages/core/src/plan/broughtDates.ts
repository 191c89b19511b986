import { succeed, type Result } from '../problem.js';
import { datesOf } from './dates.js';
import { originOf } from './joinSources.js';
import { isWritten, type PlanLine } from './line.js';
import { originKey } from './overlaps.js';
import type { PlanDecided, PlanIndex, PreviewDate } from './preview.js';

/**
 * Where the plan puts the dates that earlier runs brought, in the order of the items. That they pass is no doubt about them.
 *
 * @param lines  of the source's items, in their order
 */
export function broughtDates(
  index: PlanIndex,
  lines: readonly PlanLine[],
  decided: PlanDecided,
): Result<PreviewDate[]> {
  const { ground } = index;
  if (ground.lineage.length === 0) return succeed([]);
  const brought = new Set(ground.lineage.map(({ sourceCourse, sourceItem }) => originKey(sourceCourse, sourceItem)));
  const stays = (line: PlanLine): boolean => {
    if (line.item === null || line.to === null || line.verb === 'leave' || isWritten(line)) return false;
    const origin = originOf(ground, line.item);
    return brought.has(originKey(origin.course, origin.item));
  };
  return datesOf(index, (at) => stays(lines[at]!), { ...decided, now: undefined });
}

/** Dates that earlier runs brought, as they stand in the shell. */
export interface StandingDates {
  /** Those that stand where the plan puts them: whatever was in doubt about them is. */
  readonly asBrought: readonly PreviewDate[];
  /** Those that nobody moved, and that the plan would put elsewhere now: the calendar is another, or the rule. */
  readonly elsewhere: readonly PreviewDate[];
}

/** @see docs/rules.md, "Doubts and their causes" */
export function datesStanding(...of: Parameters<typeof broughtDates>): Result<StandingDates> {
  const [index, lines, decided] = of;
  const dates = broughtDates(...of);
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
  const again = broughtDates(index, lines, { ...decided, decisions: { ...decisions, byHand } });
  if (!again.ok) return again;
  const told = new Map(again.value.map((date) => [date.id, date]));
  return succeed({ asBrought: asBrought.map((date) => asTold(date, told.get(date.id))), elsewhere });
}

const asTold = (date: PreviewDate, told: PreviewDate | undefined): PreviewDate =>
  told?.to === date.to ? told : { ...date, flags: date.flags.filter((flag) => flag !== 'orderChanged') };
