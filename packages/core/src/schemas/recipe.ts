import { Type, type Static } from '@sinclair/typebox';
import { FINDING_NAMES } from '../names/findings.js';
import { choicesSchema } from './choices.js';
import { kindSchema } from './course.js';

/** What of a plan's choices is by rule and so fits another course: nothing in it names a thing. */
export const recipeChoicesSchema = Type.Pick(
  choicesSchema,
  ['all', 'kinds', 'findings', 'settings', 'onlyLacking', 'openingPosts', 'landing'],
  { additionalProperties: false },
);
export type RecipeChoices = Static<typeof recipeChoicesSchema>;

/** What the course had from which a recipe was saved; of anything else it does not speak. */
export const recipeKnowsSchema = Type.Object(
  {
    kinds: Type.Array(kindSchema),
    findings: Type.Array(Type.Union(FINDING_NAMES.map((name) => Type.Literal(name)))),
  },
  { additionalProperties: false },
);
export type RecipeKnows = Static<typeof recipeKnowsSchema>;

/** A part of a recipe that only an administrator changes: `all`, `landing`, `kinds.page`, `findings.double` … */
export const recipeLocksSchema = Type.Array(Type.String({ maxLength: 60 }), { maxItems: 60 });
