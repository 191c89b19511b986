import {
  causesOf,
  planChosen,
  planDated,
  policyEffect,
  previewOn,
  reviewPlan,
  type PlanDecided,
  type PlanGround,
  type PlanIndex,
  type PlanPolicy,
  type PolicyEffect,
  type Preview,
  type PreviewDate,
  type PreviewItem,
  type Problem,
  type Result,
  type Review,
} from '@yarin/core';
import { patched, patchOf, type ListPatch } from './patches.js';

/** A plan worked out, with what needs a person; or the problems of its calendars. */
export type Worked = Result<Preview & Review>;

/** What the page sends to the worker, numbered: the sides once, then what was decided, and what another policy would do. */
export type Asked =
  | { readonly is: 'sides'; readonly ground: PlanGround; readonly decided: PlanDecided }
  | { readonly is: 'decided'; readonly asked: number; readonly decided: PlanDecided }
  | { readonly is: 'effect'; readonly asked: number; readonly of: AskedPolicy };

/** Another policy for the dates of one source. */
export interface AskedPolicy {
  readonly course: string;
  readonly policy: PlanPolicy;
}

/** What changed from the last answer; which things come is computed on the page in any case, and not sent. */
export interface WorkedChange {
  readonly items: ListPatch<PreviewItem>;
  readonly dates: ListPatch<PreviewDate>;
  readonly asBrought: ListPatch<PreviewDate>;
  readonly elsewhere: ListPatch<PreviewDate>;
  readonly causes: Review['causes'];
  readonly looseEnds: Review['looseEnds'];
}

/** What the worker answers. */
export type WorkedOut =
  | { readonly asked: number; readonly effect: PolicyEffect | undefined }
  | { readonly asked: number; readonly change: WorkedChange }
  | { readonly asked: number; readonly problems: readonly Problem[] };

export function workOut(index: PlanIndex, decided: PlanDecided): Worked {
  const preview = previewOn(index, decided);
  if (!preview.ok) return preview;
  return { ok: true, value: { ...preview.value, ...reviewPlan({ ...index.ground, ...decided }, preview.value) } };
}

/** Up to this many dates the page moves them itself. */
const MOST_DATED = 3000;

/** What the page shows at once of a decision: what comes, and unless they are too many all dates with their doubts. */
export function shownAtOnce(index: PlanIndex, decided: PlanDecided): Partial<Preview & Review> {
  const moments = index.ground.source.items.reduce((sum, item) => sum + (item.moments?.length ?? 0), 0);
  const dated = moments > MOST_DATED ? undefined : planDated(index, decided);
  if (dated?.ok !== true) return planChosen(index, decided.decisions);
  return { ...dated.value, causes: causesOf({ ...index.ground, ...decided }, dated.value) };
}

/** What another policy would do to a plan that was worked out. */
export function effectOn(
  index: PlanIndex,
  decided: PlanDecided,
  { dates }: Pick<Preview, 'dates'>,
  { course, policy }: AskedPolicy,
): PolicyEffect | undefined {
  const effect = policyEffect(index, decided, dates, course, policy);
  return effect.ok ? effect.value : undefined;
}

type Changing = Pick<Preview & Review, 'items' | 'dates' | 'asBrought' | 'elsewhere' | 'causes' | 'looseEnds'>;

export const changeFrom = (before: Changing, after: Changing): WorkedChange => ({
  items: patchOf(before.items, after.items),
  dates: patchOf(before.dates, after.dates),
  asBrought: patchOf(before.asBrought, after.asBrought),
  elsewhere: patchOf(before.elsewhere, after.elsewhere),
  causes: after.causes,
  looseEnds: after.looseEnds,
});

export const changedBy = (
  before: Changing,
  { items, dates, asBrought, elsewhere, causes, looseEnds }: WorkedChange,
): Changing => ({
  items: patched(before.items, items),
  dates: patched(before.dates, dates),
  asBrought: patched(before.asBrought, asBrought),
  elsewhere: patched(before.elsewhere, elsewhere),
  causes,
  looseEnds,
});
