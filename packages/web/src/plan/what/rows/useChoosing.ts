import { FINDING_WORDS, type BringOrLeave, type Turn, type FindingName } from '@yarin/core';
import { usePlanStore } from '../../state/planStore.js';
import { count } from '../../../shared/words.js';
import { choicesAfterPress, choicesAfterTurn, choicesForThese } from './choosing.js';
import type { OldRow } from './spreadRow.js';

/** What choosing in the spread does to the plan. */
export function useChoosing() {
  const plan = usePlanStore();
  function toggle(row: OldRow): void {
    const { choices, choice } = choicesAfterPress(row, plan.decisions.choices, plan.lineOf);
    plan.choose(choices, `${choice} ${row.title}`);
  }

  function turn(finding: FindingName, items: readonly string[], choice: Turn | 'default'): void {
    const choices = choicesAfterTurn(finding, items, choice, plan.decisions.choices);
    const what = { default: 'as proposed', bring: 'bring', leave: 'leave', reword: 'bring to reword' }[choice];
    plan.choose(choices, `${what}: ${FINDING_WORDS[finding]}`);
  }

  /** Brings or leaves one thing by itself, whatever its findings, its unit and its kind. */
  function chooseItem(id: string, choice: Turn, title: string): void {
    const what = choice === 'reword' ? 'bring to reword' : choice;
    plan.choose({ items: { ...plan.decisions.choices.items, [id]: choice } }, `${what} ${title}`);
  }

  function leaveAll(ids: readonly string[], what: string): void {
    const left = Object.fromEntries(ids.map((id) => [id, 'leave' as const]));
    plan.choose({ items: { ...plan.decisions.choices.items, ...left } }, what);
  }

  /** The things that a filter shows, as one choice. */
  function chooseThese(ids: readonly string[], choice: BringOrLeave): void {
    const choices = choicesForThese(ids, choice, plan.decisions.choices, plan.lineOf);
    plan.choose(choices, `${choice} ${count(ids.length, 'thing')}`);
  }

  /** Has things of the shell taken out with the run, or keeps them. */
  function takeOut(ids: readonly string[], out: boolean, what: string): void {
    const turned = Object.fromEntries(ids.map((id) => [id, out]));
    plan.choose({ takeOut: { ...plan.decisions.choices.takeOut, ...turned } }, `${out ? 'take out' : 'keep'} ${what}`);
  }

  return { toggle, turn, chooseItem, chooseThese, leaveAll, takeOut };
}
