import { KIND_WORDS, KINDS, type Kind } from '../names/kinds.js';
import { SETTING_WORDS } from '../course/settings.js';
import type { Snapshot } from '../course/snapshot.js';
import type { Choices, Turn } from '../schemas/choices.js';
import type { RecipeChoices, RecipeKnows } from '../schemas/recipe.js';
import { FINDING_WORDS, type FindingName } from '../names/findings.js';
import type { Finding } from './findings/finding.js';

const BY_RULE = ['all', 'kinds', 'findings', 'settings', 'onlyLacking', 'openingPosts', 'landing'] as const;

/** What of a plan's choices is by rule, for the next course and the next term. */
export function recipeOf(choices: Choices): RecipeChoices {
  const parts = BY_RULE.flatMap((name) => {
    const part = choices[name];
    const isEmpty = part === undefined || (typeof part === 'object' && Object.keys(part).length === 0);
    return isEmpty ? [] : [[name, part] as const];
  });
  return Object.fromEntries(parts);
}

/** What a recipe that is saved from this course will know. */
export function knownIn({ items }: Snapshot, findings: readonly Finding[]): RecipeKnows {
  const kinds = new Set(items.map(({ kind }) => kind));
  const found = new Set(findings.map(({ finding }) => finding));
  return { kinds: KINDS.filter((kind) => kinds.has(kind)), findings: [...found] };
}

/** What applying a recipe to a course came to. */
export interface RecipeApplied {
  readonly choices: Choices;
  /** What it decided here, a sentence each. */
  readonly decided: readonly string[];
  /** What it could not decide: of what it does not speak, and what it speaks of that is not here. */
  readonly couldNot: readonly string[];
}

/**
 * Applies a recipe: its parts take the place of what was chosen by rule; what was chosen of single things and units stays.
 *
 * @see docs/rules.md, "Recipes"
 */
export function applyRecipe(
  recipe: RecipeChoices,
  knows: RecipeKnows,
  { source, findings }: { readonly source: Snapshot; readonly findings: readonly Finding[] },
  choices: Choices,
): RecipeApplied {
  const kept = Object.fromEntries(
    Object.entries(choices).filter(([name]) => !(BY_RULE as readonly string[]).includes(name)),
  );
  const here = knownIn(source, findings);
  const countOf = (kind: Kind): number => source.items.filter((item) => item.kind === kind).length;
  const foundBy = (name: FindingName): number => findings.filter(({ finding }) => finding === name).length;
  const decided: string[] = [];
  const missing: string[] = [];
  for (const [kind, choice] of entriesOf<Kind>(recipe.kinds))
    if (countOf(kind) > 0) decided.push(`${says(choice)} ${KIND_WORDS[kind].many}, ${countOf(kind)}`);
    else missing.push(KIND_WORDS[kind].many);
  for (const [name, choice] of entriesOf<FindingName>(recipe.findings))
    if (foundBy(name) > 0) decided.push(`${says(choice)} ${FINDING_WORDS[name]}, ${foundBy(name)}`);
    else missing.push(FINDING_WORDS[name]);
  for (const [name, choice] of entriesOf<keyof typeof SETTING_WORDS>(recipe.settings))
    decided.push(`${says(choice)} the ${SETTING_WORDS[name]}`);
  if (recipe.all !== undefined) decided.push(`${says(recipe.all)} everything else`);
  if (recipe.onlyLacking === true) decided.push('brings only what the shell lacks');
  if (recipe.openingPosts !== undefined) decided.push(`${says(recipe.openingPosts)} the teacher’s opening posts`);
  if (recipe.landing !== undefined)
    decided.push(recipe.landing === 'as it was' ? 'lands things as they were' : `lands things as ${recipe.landing}`);
  const couldNot: string[] = [];
  const unknown = (what: string, many: string, names: readonly string[]): void => {
    if (names.length > 0)
      couldNot.push(
        `${names.length} ${names.length === 1 ? what : many} here that the recipe does not speak of: ${names.join(', ')}`,
      );
  };
  unknown(
    'kind',
    'kinds',
    here.kinds.filter((kind) => !knows.kinds.includes(kind)).map((kind) => KIND_WORDS[kind].many),
  );
  unknown(
    'finding',
    'findings',
    here.findings.filter((name) => !knows.findings.includes(name)).map((name) => FINDING_WORDS[name]),
  );
  if (missing.length > 0) couldNot.push(`it speaks of ${missing.join(', ')}; there are none here`);
  return { choices: { ...kept, ...recipe }, decided, couldNot };
}

const SAYS: Readonly<Record<Turn, string>> = { bring: 'brings', leave: 'leaves', reword: 'brings, to be reworded,' };
const says = (choice: Turn): string => SAYS[choice];

const entriesOf = <Name extends string>(
  record: Readonly<Record<string, Turn>> | undefined,
): readonly (readonly [Name, Turn])[] => Object.entries(record ?? {}) as [Name, Turn][];

/** A recipe that holds for the institution or a department, with the parts that only an administrator changes. */
export interface StandingRecipe {
  readonly id: string;
  readonly name: string;
  readonly choices: RecipeChoices;
  readonly locks: readonly string[];
}

/** The parts that a recipe has, by name: `landing`, `kinds.page`, `findings.double`. */
export const partsOf = (recipe: RecipeChoices): string[] =>
  Object.entries(recipe).flatMap(([name, part]) =>
    typeof part === 'object' ? Object.keys(part).map((each) => `${name}.${each}`) : [name],
  );

/** Things about which a locked kind or finding decides, whatever a person chooses. */
export function lockedItems(
  recipe: StandingRecipe | undefined,
  { source, findings }: { readonly source: Snapshot; readonly findings: readonly Finding[] },
): ReadonlySet<string> {
  const locks = new Set(recipe?.locks ?? []);
  const bound = new Set<string>();
  if (locks.size === 0) return bound;
  for (const { id, kind } of source.items) if (locks.has(`kinds.${kind}`)) bound.add(id);
  for (const { item, finding } of findings) if (locks.has(`findings.${finding}`)) bound.add(item);
  return bound;
}

/**
 * Choices with the locked parts of a standing recipe as they are there, whatever a person chose: of a locked kind or
 * finding also what was chosen of single things.
 */
export function withLocks(
  choices: Choices,
  recipe: StandingRecipe | undefined,
  { source, findings }: { readonly source: Snapshot; readonly findings: readonly Finding[] },
): Choices {
  if (recipe === undefined || recipe.locks.length === 0) return choices;
  const locked: Record<string, unknown> = { ...choices };
  const kinds = new Set<string>();
  const found = new Set<string>();
  for (const lock of recipe.locks) {
    const [name, each] = lock.split('.') as [keyof RecipeChoices, string | undefined];
    const part = recipe.choices[name];
    if (part === undefined) continue;
    if (each === undefined) locked[name] = part;
    else if (typeof part === 'object' && part[each] !== undefined) {
      locked[name] = { ...(locked[name] as object | undefined), [each]: part[each] };
      if (name === 'kinds') kinds.add(each);
      if (name === 'findings') found.add(each);
    }
  }
  if (choices.items !== undefined && kinds.size + found.size > 0) {
    const bound = lockedItems(recipe, { source, findings });
    locked.items = Object.fromEntries(Object.entries(choices.items).filter(([id]) => !bound.has(id)));
  }
  return locked;
}
