<script setup lang="ts">
import {
  applyRecipe,
  knownIn,
  partsOf,
  recipeOf,
  type RecipeApplied,
  type RecipeScope,
  type RecipeView,
} from '@yarin/core';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { sentenceOf } from '../../../shared/api/client.js';
import { addRecipe, fetchRecipes, letRecipeStand, removeRecipe, shareRecipe } from '../../../shared/api/recipes.js';
import { usePlanStore } from '../../state/planStore.js';
import RecipeLine from './RecipeLine.vue';

const plan = usePlanStore();
const recipes = shallowRef<readonly RecipeView[] | null>(null);
const mayStandFor = shallowRef<readonly NonNullable<RecipeScope>[]>([]);
const trouble = ref('');
const name = ref('');
const isShared = ref(false);
const applied = shallowRef<(RecipeApplied & { readonly name: string }) | null>(null);

const ground = computed(() => ({ source: plan.source, findings: plan.findings }));
const byRule = computed(() => recipeOf(plan.decisions.choices));
const parts = computed(() => partsOf(byRule.value).length);
const department = computed(() => plan.view!.department);

/** Does something, then reads the recipes anew; what went wrong is said, and nothing is lost. */
async function afterwards(act: Promise<unknown>): Promise<boolean> {
  trouble.value = '';
  try {
    await act;
    const view = await fetchRecipes();
    recipes.value = view.recipes;
    mayStandFor.value = view.mayStandFor;
    return true;
  } catch (error) {
    trouble.value = sentenceOf(error);
    return false;
  }
}
onMounted(() => afterwards(Promise.resolve()));

function apply({ id, name: called, choices, knows }: RecipeView): void {
  const result = applyRecipe(choices, knows, ground.value, plan.decisions.choices);
  plan.decide({ choices: result.choices, recipe: { id, name: called } }, `apply “${called}”`);
  applied.value = { ...result, name: called };
}

async function save(): Promise<void> {
  const knows = knownIn(ground.value.source, ground.value.findings);
  const recipe = { name: name.value.trim(), isShared: isShared.value, choices: byRule.value, knows };
  if (await afterwards(addRecipe(recipe))) name.value = '';
}
</script>

<template>
  <section class="panel" aria-label="Recipes">
    <p v-if="trouble" role="alert" class="trouble">{{ trouble }}</p>
    <ul v-if="recipes?.length" tabindex="0" aria-label="Recipes to apply">
      <RecipeLine
        v-for="recipe in recipes"
        :key="recipe.id"
        :recipe="recipe"
        :may-stand-for="mayStandFor"
        :department="department"
        @apply="apply(recipe)"
        @share="(shared) => afterwards(shareRecipe(recipe.id, shared))"
        @stand="(scope, of, locks) => afterwards(letRecipeStand(recipe.id, scope, of, locks))"
        @remove="afterwards(removeRecipe(recipe.id))"
      />
    </ul>
    <p v-else-if="recipes" class="quiet">No recipe yet. What you choose by kind or finding can be saved as one.</p>
    <div v-if="applied" class="applied" role="status">
      <p>
        <b>“{{ applied.name }}” is applied.</b>
        {{ applied.decided.length > 0 ? `It ${applied.decided.join('; ')}.` : 'It decides nothing here.' }}
      </p>
      <p v-for="sentence in applied.couldNot" :key="sentence" class="quiet">{{ sentence }}</p>
    </div>
    <form class="save" @submit.prevent="save">
      <template v-if="parts > 0">
        <ElInput
          v-model="name"
          size="small"
          class="name"
          maxlength="120"
          aria-label="Name of the recipe"
          placeholder="name"
        />
        <ElButton native-type="submit" size="small" plain type="primary" :disabled="name.trim() === ''"
          >Save these choices as a recipe</ElButton
        >
        <ElCheckbox v-model="isShared" size="small">colleagues see it</ElCheckbox>
      </template>
      <span v-else class="quiet">Nothing is chosen by rule yet: turn a finding, or choose a kind, and save that.</span>
    </form>
  </section>
</template>

<style scoped>
.panel {
  padding: 6px var(--margin) 10px;
  border-top: 1px solid var(--rule-faint);
  display: grid;
  gap: 6px;
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 180px;
  overflow: auto;
}

.applied p {
  margin: 0;
}

.save {
  display: flex;
  align-items: center;
  gap: 14px;
}

.name {
  width: 200px;
}

.trouble {
  margin: 0;
  color: var(--madder);
}
</style>
