import { dateTotalsOf, waitsForDecision, type PlanSentence } from '@yarin/core';
import { PlanRow } from '../database/entities/run.js';
import { HttpProblem } from '../http/httpProblem.js';
import type { Side, PlanContext, PlanQuery } from '../plans/planGrounds.js';
import type { PlanOfDesk } from './deskStore.js';

/** What the plan of a shell is worked out from, and by what its sentence is kept: another key, and something of it changed. */
export interface PendingSentence {
  readonly shellId: string;
  readonly key: string;
  readonly input: {
    readonly sources: readonly Side[];
    readonly shell: Side;
    /** The plan whose decisions count; none while nobody has decided anything. */
    readonly planId: string | null;
    readonly now: string;
  };
}

/** @param stands  what names everything beside the decisions */
export function pendingOf(
  sources: readonly Side[],
  shell: Side,
  plan: PlanOfDesk | undefined,
  stands: string,
  now: string,
): PendingSentence {
  const decided = plan !== undefined && plan.version > 1 ? plan : undefined;
  return {
    shellId: shell.id,
    key: `${stands} ${decided === undefined ? '' : `${decided.id}@${decided.version}`} ${now.slice(0, 10)}`,
    input: { sources: sources.map(sideOf), shell: sideOf(shell), planId: decided?.id ?? null, now },
  };
}

const sideOf = ({ id, version, department }: Side): Side => ({ id, version, department });

/** What came of one shell. */
export type Told =
  | { readonly is: 'sentence'; readonly sentence: PlanSentence }
  | { readonly is: 'refused'; readonly why: string }
  | { readonly is: 'failed'; readonly error: string };

/** The sentence of one shell; that it can't be worked out is an answer too, since a Desk shows its other shells all the same. */
export const deskSentence: PlanQuery<PendingSentence['input'], Told> = async (context, input) => {
  try {
    return { is: 'sentence', sentence: await sentenceOf(context, input) };
  } catch (error) {
    if (error instanceof HttpProblem) return { is: 'refused', why: error.message };
    return { is: 'failed', error: error instanceof Error ? (error.stack ?? error.message) : String(error) };
  }
};

/** A plan worked out, and counted. */
async function sentenceOf(
  { manager, grounds }: PlanContext,
  { sources, shell, planId, now }: PendingSentence['input'],
): Promise<PlanSentence> {
  const plan = planId === null ? null : await manager.findOneBy(PlanRow, { id: planId });
  const worked = await grounds.workOut(sources, shell, plan?.decisions, now);
  return {
    ...worked.totals,
    dates: dateTotalsOf(worked.dates),
    doubts: worked.causes.length,
    toDecide: worked.toWrite === 0 ? 0 : worked.looseEnds.filter(waitsForDecision).length,
    leftOver: worked.looseEnds.length,
  };
}
