import { partsOf, type RecipeChoices, type RecipeKnows, type RecipeScope } from '@yarin/core';
import { RecipeRow } from '../database/entities/recipe.js';
import { conflict, notFound, unusable } from '../http/httpProblem.js';
import type { Command } from '../database/command.js';

export interface NewRecipe {
  readonly id: string;
  readonly personId: string;
  readonly name: string;
  readonly isShared: boolean;
  readonly choices: RecipeChoices;
  readonly knows: RecipeKnows;
  readonly at: string;
}

/** Saves choices under a name; a person's names are their own, each once. */
export const addRecipe: Command<NewRecipe, { id: string }> = async ({ manager }, { at, ...recipe }) => {
  const known = await manager.findOneBy(RecipeRow, { personId: recipe.personId, name: recipe.name });
  if (known !== null)
    throw conflict(
      `You have a recipe called “${recipe.name}” already. Give this one another name, or remove that one.`,
    );
  await manager.insert(RecipeRow, { ...recipe, standsFor: null, department: null, locks: [], changedAt: at });
  return { id: recipe.id };
};

export interface RecipeChange {
  readonly id: string;
  readonly at: string;
  readonly isShared?: boolean;
  /** For whom it is to stand from now on, and what of it only an administrator changes. */
  readonly stands?: {
    readonly for: RecipeScope;
    readonly department: string | null;
    readonly locks: readonly string[];
  };
}

/** Shares a recipe, or lets it stand for others; the one that stood there before stands for nobody then. */
export const changeRecipe: Command<RecipeChange, void> = async ({ manager }, { id, at, isShared, stands }) => {
  const recipe = await manager.findOneBy(RecipeRow, { id });
  if (recipe === null) throw notFound('This recipe is not there any more.');
  if (isShared !== undefined) await manager.update(RecipeRow, { id }, { isShared, changedAt: at });
  if (stands === undefined) return;
  const parts = partsOf(recipe.choices);
  const unknown = stands.locks.find((lock) => !parts.includes(lock));
  if (unknown !== undefined)
    throw unusable(`“${unknown}” is no part of this recipe, and so can’t be locked.`, [
      { code: 'noSuchPart', message: `The parts of this recipe are ${parts.join(', ')}.`, where: '/locks' },
    ]);
  const department = stands.for === 'department' ? stands.department : null;
  if (stands.for !== null)
    await manager.query(
      `UPDATE recipe SET stands_for = NULL, department = NULL, locks = '[]', changed_at = ?
        WHERE stands_for = ? AND department IS ? AND id <> ?`,
      [at, stands.for, department, id],
    );
  await manager.update(
    RecipeRow,
    { id },
    { standsFor: stands.for, department, locks: stands.for === null ? [] : [...stands.locks], changedAt: at },
  );
};

export const removeRecipe: Command<{ readonly id: string }, void> = async ({ manager }, { id }) => {
  await manager.delete(RecipeRow, { id });
};
