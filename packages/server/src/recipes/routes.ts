import { randomUUID } from 'node:crypto';
import { Type } from '@sinclair/typebox';
import { recipeChoicesSchema, recipeKnowsSchema, recipeLocksSchema } from '@yarin/core/schemas';
import { Router } from 'express';
import type { EntityManager } from 'typeorm';
import type { Server } from '../context.js';
import { RecipeRow } from '../database/entities/recipe.js';
import { checked } from '../http/checked.js';
import { forbidden, notFound, unusable } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import { askerOf, demandOwnName, type Asker } from '../people/asker.js';
import { demand } from '../courses/rights.js';
import { mayChangeRecipe, mayStandFor } from './recipeRights.js';
import { readRecipes } from './recipeStore.js';

const checkNew = checked(
  Type.Object(
    {
      name: Type.String({ minLength: 1, maxLength: 120, pattern: '\\S' }),
      isShared: Type.Boolean(),
      choices: recipeChoicesSchema,
      knows: recipeKnowsSchema,
    },
    { additionalProperties: false },
  ),
);
const checkChange = checked(
  Type.Object(
    {
      isShared: Type.Optional(Type.Boolean()),
      standsFor: Type.Optional(Type.Union([Type.Literal('institution'), Type.Literal('department'), Type.Null()])),
      department: Type.Optional(Type.Union([Type.String({ maxLength: 120 }), Type.Null()])),
      locks: Type.Optional(recipeLocksSchema),
    },
    { additionalProperties: false },
  ),
);

const OWN_RECIPES = 'Recipes are everybody’s own: who acts for somebody uses them, and changes none.';

export function recipeRoutes({ reading, writer, clock }: Server): Router {
  const { manager } = reading;
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  router.get('/recipes', async (request, response) => {
    response.json(await readRecipes(manager, askerOf(request)));
  });

  router.post('/recipes', async (request, response) => {
    demandOwnName(request, OWN_RECIPES);
    const { name, ...recipe } = checkNew(request.body);
    const personId = askerOf(request).id;
    const added = { ...recipe, name: name.trim(), id: randomUUID(), personId, at: now() };
    response.status(201).json(await writer.run('addRecipe', added));
  });

  router.put('/recipes/:id', async (request, response) => {
    demandOwnName(request, OWN_RECIPES);
    const { isShared, standsFor, department = null, locks = [] } = checkChange(request.body);
    const asker = askerOf(request);
    const recipe = await recipeFor(manager, asker, request.params.id);
    const change = { id: recipe.id, at: now(), ...(isShared === undefined ? {} : { isShared }) };
    if (standsFor === undefined) await writer.run('changeRecipe', change);
    else {
      const stands = { for: standsFor, department: standsDepartment(asker, standsFor, department), locks };
      await writer.run('changeRecipe', { ...change, stands });
    }
    response.status(204).end();
  });

  router.delete('/recipes/:id', async (request, response) => {
    demandOwnName(request, OWN_RECIPES);
    const recipe = await recipeFor(manager, askerOf(request), request.params.id);
    await writer.run('removeRecipe', { id: recipe.id });
    response.status(204).end();
  });
  return router;
}

async function recipeFor(manager: EntityManager, asker: Asker, id: string): Promise<RecipeRow> {
  const recipe = await manager.findOneBy(RecipeRow, { id });
  if (recipe === null) throw notFound('There is no such recipe; it may have been removed meanwhile.');
  demand(mayChangeRecipe(asker, recipe));
  return recipe;
}

/** The department that a recipe is to stand for; an administrator of one can name no other. */
function standsDepartment(
  asker: Asker,
  standsFor: 'institution' | 'department' | null,
  named: string | null,
): string | null {
  if (standsFor === null) return null;
  if (!mayStandFor(asker).includes(standsFor)) throw forbidden('Only an administrator lets a recipe stand for others.');
  if (standsFor === 'institution') return null;
  const own = asker.department ?? asker.actorsDepartment;
  if (own !== null && named !== null && named !== own)
    throw forbidden(`You administer ${own}; a recipe of another department is not yours to set.`);
  const department = own ?? named;
  if (department === null)
    throw unusable('Name the department that the recipe is to stand for.', [
      { code: 'missing', message: '“department” is missing; it has to be given.', where: '/department' },
    ]);
  return department;
}
