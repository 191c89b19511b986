import type { RecipeScope, Right } from '@yarin/core';
import type { RecipeRow } from '../database/entities/recipe.js';
import type { Asker } from '../people/asker.js';

/** For whom a person may let a recipe stand: an administrator of a department for that, one of the whole for both. */
export function mayStandFor({ role, department, actorsDepartment }: Asker): NonNullable<RecipeScope>[] {
  if (role !== 'administrator') return [];
  return department === null && actorsDepartment === null ? ['institution', 'department'] : ['department'];
}

/** Whether a person may change or remove a recipe; one that stands for others is an administrator's. */
export function mayChangeRecipe(asker: Asker, recipe: RecipeRow): Right {
  if (recipe.standsFor !== null) {
    const own = asker.department ?? asker.actorsDepartment;
    const may =
      mayStandFor(asker).includes(recipe.standsFor) &&
      (recipe.standsFor === 'institution' || own === null || own === recipe.department);
    return may
      ? { may: true }
      : { may: false, why: `“${recipe.name}” stands for others too; only an administrator of theirs changes it.` };
  }
  return recipe.personId === asker.id
    ? { may: true }
    : { may: false, why: `“${recipe.name}” is somebody else’s. Apply it and save your own.` };
}
