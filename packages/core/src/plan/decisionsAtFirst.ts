import type { StandingRecipe } from '../choose/recipes.js';
import type { Kind } from '../names/kinds.js';
import type { Decisions } from '../schemas/choices.js';

/** What a plan is about: a course, or its gradebook set-up by itself. */
export type PlanScope = 'course' | 'gradebook';

/** The set-up of a gradebook: how work is weighed, lined up, scaled and scored; no work, and no marks. */
export const SET_UP_KINDS = ['gradeCategory', 'lineItem', 'scoreScale', 'rubric'] as const satisfies readonly Kind[];

/** What a plan begins with: the recipe that stands for its shell, or nothing. All else is proposed. */
export const decisionsAtFirst = (standing: StandingRecipe | undefined): Decisions => ({
  choices: standing?.choices ?? {},
  byHand: {},
  settled: {},
  ...(standing === undefined ? {} : { recipe: { id: standing.id, name: standing.name } }),
});

/**
 * What the plan of a gradebook set-up by itself begins with: nothing but that, also the lines of work that stays.
 *
 * @see docs/rules.md, "The gradebook set-up by itself"
 */
export const decisionsOfSetUp = (): Decisions => ({
  choices: { all: 'leave', kinds: Object.fromEntries(SET_UP_KINDS.map((kind) => [kind, 'bring'] as const)) },
  byHand: {},
  settled: {},
});

/** What a plan begins with, by what it is about. */
export const firstDecisions = (scope: PlanScope, standing: StandingRecipe | undefined): Decisions =>
  scope === 'gradebook' ? decisionsOfSetUp() : decisionsAtFirst(standing);
