import {
  previewOn,
  reviewPlan,
  type PlanDecided,
  type PlanGround,
  type PlanIndex,
  type Preview,
  type Result,
  type Review,
} from '@yarin/core';

/** A plan worked out, with what needs a person; or the problems of its calendars. */
export type Worked = Result<Preview & Review>;

/** What the page sends to the worker: the sides once, then what was decided, numbered. */
export type Asked =
  | { readonly is: 'sides'; readonly ground: PlanGround }
  | { readonly is: 'decided'; readonly asked: number; readonly decided: PlanDecided };

/** What the worker answers. */
export interface WorkedOut {
  readonly asked: number;
  readonly result: Worked;
}

export function workOut(index: PlanIndex, decided: PlanDecided): Worked {
  const preview = previewOn(index, decided);
  if (!preview.ok) return preview;
  return { ok: true, value: { ...preview.value, ...reviewPlan({ ...index.ground, ...decided }, preview.value) } };
}
