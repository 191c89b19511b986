import type { RecipesView, RecipeView, StandingRecipe } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { RecipeRow } from '../database/entities/recipe.js';
import { nameOf } from '../people/names.js';
import type { Asker } from '../people/asker.js';
import { mayStandFor } from './recipeRights.js';

/** The recipes that a person sees: their own, those that colleagues share, and those that stand for everybody. */
export async function readRecipes(manager: EntityManager, asker: Asker): Promise<RecipesView> {
  const rows = await manager
    .createQueryBuilder(RecipeRow, 'recipe')
    .where('recipe.personId = :id OR recipe.isShared = 1 OR recipe.standsFor IS NOT NULL', { id: asker.id })
    .orderBy('recipe.name')
    .addOrderBy('recipe.id')
    .getMany();
  const recipes = await Promise.all(
    rows.map(async ({ personId, changedAt: _, ...row }): Promise<RecipeView> => ({
      ...row,
      by: await nameOf(manager, { personId, forPersonId: null }),
      isMine: personId === asker.id,
    })),
  );
  return { recipes, mayStandFor: mayStandFor(asker) };
}

/** The recipe that stands for a course of a department: the department's own before the institution's. */
export async function standingRecipe(
  manager: EntityManager,
  department: string | null,
): Promise<StandingRecipe | undefined> {
  const rows = await manager
    .createQueryBuilder(RecipeRow, 'recipe')
    .where(
      `recipe.standsFor = 'institution' OR (recipe.standsFor = 'department' AND recipe.department = :department)`,
      {
        department: department ?? '',
      },
    )
    .getMany();
  const row = rows.find(({ standsFor }) => standsFor === 'department') ?? rows[0];
  if (row === undefined) return undefined;
  const { id, name, choices, locks } = row;
  return { id, name, choices, locks };
}
