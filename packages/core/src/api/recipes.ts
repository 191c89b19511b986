import type { RecipeChoices, RecipeKnows } from '../schemas/recipe.js';

// What the server answers about recipes.

/** For whom a recipe stands as the default: everybody, one department, or nobody. */
export type RecipeScope = 'institution' | 'department' | null;

export interface RecipeView {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly isMine: boolean;
  /** Shown to colleagues too. */
  readonly isShared: boolean;
  readonly standsFor: RecipeScope;
  /** The department that it stands for. */
  readonly department: string | null;
  readonly choices: RecipeChoices;
  readonly knows: RecipeKnows;
  readonly locks: readonly string[];
}

export interface RecipesView {
  readonly recipes: readonly RecipeView[];
  /** What the person may make a recipe stand for. */
  readonly mayStandFor: readonly NonNullable<RecipeScope>[];
}
