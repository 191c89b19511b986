import {
  isOut,
  isWritten,
  type BringOrLeave,
  type Choices,
  type FindingName,
  type PlanLine,
  type Turn,
} from '@yarin/core';
import type { OldRow } from './spreadRow.js';

function without<Choice extends Turn | boolean>(
  record: Readonly<Record<string, Choice>> | undefined,
  keys: readonly string[],
): Record<string, Choice> {
  const gone = new Set(keys);
  return Object.fromEntries(Object.entries(record ?? {}).filter(([key]) => !gone.has(key)));
}

type LineOf = (id: string) => PlanLine | undefined;

/** Reasons that a person gave; what a finding leaves by itself is no choice. */
const CHOSEN: ReadonlySet<string> = new Set(['item', 'unit', 'kind', 'all', 'standsThere']);

/**
 * What pressing a row does. A row that comes whole is left. One that stays, or comes in part, is brought; when all that
 * is missing from a part was left by findings, it is left instead, since bringing a unit or a kind turns no finding.
 *
 * @param lineOf  what happens to an item as the plan stands
 */
export function choicesAfterPress(
  row: OldRow,
  choices: Choices,
  lineOf: LineOf,
): { readonly choices: Choices; readonly choice: BringOrLeave } {
  if (row.item !== undefined && row.covers.length === 1) {
    const choice = row.box === 'on' ? 'leave' : 'bring';
    return { choice, choices: choicesForThese(row.covers, choice, choices, lineOf) };
  }
  const choice = groupChoice(row, lineOf);
  if (row.isNarrowed === true) return { choice, choices: choicesForThese(row.covers, choice, choices, lineOf) };
  if (row.ofFinding !== undefined)
    return { choice, choices: choicesAfterTurn(row.ofFinding, row.covers, choice, choices) };
  // Where findings left all of it, only choosing each by itself brings it.
  const byFindings = choice === 'bring' && !row.covers.some((id) => leftByChoice(lineOf(id)));
  const items = without(choices.items, row.covers);
  const each = Object.fromEntries(
    row.covers.filter((id) => choice === 'leave' || byFindings || leftByChoice(lineOf(id))).map((id) => [id, choice]),
  );
  if (byFindings) return { choice, choices: { items: { ...items, ...each } } };
  if (row.item !== undefined)
    return { choice, choices: { items, units: { ...without(choices.units, row.covers), [row.item.id]: choice } } };
  if (row.ofKind !== undefined)
    return { choice, choices: { items, kinds: { ...choices.kinds, [row.ofKind]: choice } } };
  return { choice, choices: { items: { ...items, ...each } } };
}

/**
 * Brings or leaves some things each by itself, as one choice. What came before and was taken out of the shell by hand is put
 * back with what is brought; left again, it is out as it was.
 */
export function choicesForThese(
  ids: readonly string[],
  choice: BringOrLeave,
  { items, putBack }: Choices,
  lineOf: LineOf,
): Choices {
  const out = ids.filter((id) => choice === 'bring' && isOutByHand(lineOf(id)));
  const again = ids.filter((id) => choice === 'leave' && putBack?.[id] === true);
  const isBack = new Set(again);
  const chosen = ids.filter((id) => !isBack.has(id)).map((id) => [id, choice] as const);
  return {
    items: { ...items, ...Object.fromEntries(chosen) },
    ...(out.length + again.length === 0
      ? {}
      : { putBack: { ...without(putBack, again), ...Object.fromEntries(out.map((id) => [id, true])) } }),
  };
}

const isOutByHand = (line: PlanLine | undefined): boolean => line !== undefined && isOut(line);

function groupChoice({ box, covers }: OldRow, lineOf: LineOf): BringOrLeave {
  if (box === 'on') return 'leave';
  if (box === 'off') return 'bring';
  return covers.some((id) => leftByChoice(lineOf(id))) ? 'bring' : 'leave';
}

const leftByChoice = (line: PlanLine | undefined): boolean =>
  line !== undefined && line.verb === 'leave' && !isWritten(line) && CHOSEN.has(line.why[0]?.reason ?? '');

/** Turns a whole finding, or gives it back to its default. Choices for single things of it give way. */
export function choicesAfterTurn(
  finding: FindingName,
  items: readonly string[],
  choice: Turn | 'default',
  choices: Choices,
): Choices {
  const findings = without(choices.findings, [finding]);
  if (choice !== 'default') findings[finding] = choice;
  return { findings, items: without(choices.items, items) };
}
