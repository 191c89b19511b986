import type { StandingRecipe } from '../choose/recipes.js';
import type { Decisions } from '../schemas/choices.js';

/** What a plan begins with: the recipe that stands for its shell, or nothing. All else is proposed. */
export const decisionsAtFirst = (standing: StandingRecipe | undefined): Decisions => ({
  choices: standing?.choices ?? {},
  byHand: {},
  settled: {},
  ...(standing === undefined ? {} : { recipe: { id: standing.id, name: standing.name } }),
});
