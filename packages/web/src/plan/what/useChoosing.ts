import type { Choices } from '@yarin/core';
import { usePlanStore } from '../planStore.js';
import type { OldRow } from './spreadRows.js';

const without = <Value>(
  record: Readonly<Record<string, Value>> | undefined,
  keys: readonly string[],
): Record<string, Value> => Object.fromEntries(Object.entries(record ?? {}).filter(([key]) => !keys.includes(key)));

/** What choosing a row, or turning a finding, does to the decisions. */
export function useChoosing() {
  const plan = usePlanStore();

  /** Brings a row that stays or comes in part; leaves one that comes whole. A unit takes all that stands in it along. */
  function toggle(row: OldRow): void {
    const { choices } = plan.decisions;
    const choice = row.box === 'on' ? ('leave' as const) : ('bring' as const);
    if (row.item !== undefined && row.covers.length > 1) {
      const units = { ...without(choices.units, row.covers), [row.item.id]: choice };
      plan.choose({ units, items: without(choices.items, row.covers) });
      return;
    }
    plan.choose({ items: { ...choices.items, ...Object.fromEntries(row.covers.map((id) => [id, choice])) } });
  }

  /** Turns a whole finding, or gives it back to its default. Choices for single things of it give way. */
  function turn(finding: string, items: readonly string[], choice: 'bring' | 'leave' | 'default'): void {
    const { choices } = plan.decisions;
    const findings: NonNullable<Choices['findings']> = without(choices.findings, [finding]);
    if (choice !== 'default') findings[finding] = choice;
    plan.choose({ findings, items: without(choices.items, items) });
  }

  return { toggle, turn };
}
