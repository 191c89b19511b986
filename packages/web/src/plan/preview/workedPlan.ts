import {
  previewOn,
  reviewPlan,
  type PlanDecided,
  type PlanGround,
  type PlanIndex,
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

/** What the page sends to the worker: the sides once, then what was decided, numbered. */
export type Asked =
  | { readonly is: 'sides'; readonly ground: PlanGround; readonly decided: PlanDecided }
  | { readonly is: 'decided'; readonly asked: number; readonly decided: PlanDecided };

/** What changed from the last answer; which things come is computed on the page as well, and not sent. */
export interface WorkedChange {
  readonly items: ListPatch<PreviewItem>;
  readonly dates: ListPatch<PreviewDate>;
  readonly causes: Review['causes'];
  readonly looseEnds: Review['looseEnds'];
}

/** What the worker answers. */
export type WorkedOut =
  | { readonly asked: number; readonly change: WorkedChange }
  | { readonly asked: number; readonly problems: readonly Problem[] };

export function workOut(index: PlanIndex, decided: PlanDecided): Worked {
  const preview = previewOn(index, decided);
  if (!preview.ok) return preview;
  return { ok: true, value: { ...preview.value, ...reviewPlan({ ...index.ground, ...decided }, preview.value) } };
}

type Changing = Pick<Preview & Review, 'items' | 'dates' | 'causes' | 'looseEnds'>;

export const changeFrom = (before: Changing, after: Changing): WorkedChange => ({
  items: patchOf(before.items, after.items),
  dates: patchOf(before.dates, after.dates),
  causes: after.causes,
  looseEnds: after.looseEnds,
});

export const changedBy = (before: Changing, { items, dates, causes, looseEnds }: WorkedChange): Changing => ({
  items: patched(before.items, items),
  dates: patched(before.dates, dates),
  causes,
  looseEnds,
});
