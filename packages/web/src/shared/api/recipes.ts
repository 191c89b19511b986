import type { RecipeChoices, RecipeKnows, RecipeScope, RecipesView } from '@yarin/core';
import { get, post, put, remove } from './client.js';

const recipe = (id: string): string => `/recipes/${encodeURIComponent(id)}`;

export const fetchRecipes = () => get<RecipesView>('/recipes');
export const addRecipe = (added: { name: string; isShared: boolean; choices: RecipeChoices; knows: RecipeKnows }) =>
  post<{ id: string }>('/recipes', added);
export const shareRecipe = (id: string, isShared: boolean) => put<unknown>(recipe(id), { isShared });
/** Lets a recipe stand for everybody, for a department, or for nobody; locked parts are an administrator's to change. */
export const letRecipeStand = (
  id: string,
  standsFor: RecipeScope,
  department: string | null,
  locks: readonly string[],
) => put<unknown>(recipe(id), { standsFor, department, locks });
export const removeRecipe = (id: string) => remove(recipe(id));
