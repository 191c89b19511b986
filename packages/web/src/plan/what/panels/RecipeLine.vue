<script setup lang="ts">
import { partsOf, type RecipeScope, type RecipeView } from '@yarin/core';
import { computed, ref } from 'vue';
import PlanLine from '../../lines/PlanLine.vue';
import { partWords } from './recipeWords.js';

const { recipe, mayStandFor, department } = defineProps<{
  recipe: RecipeView;
  mayStandFor: readonly NonNullable<RecipeScope>[];
  department: string | null;
}>();
const emit = defineEmits<{
  apply: [];
  share: [isShared: boolean];
  stand: [scope: RecipeScope, department: string | null, locks: readonly string[]];
  remove: [];
}>();

const isOpen = ref(false);
const locks = ref<string[]>([...recipe.locks]);
const parts = computed(() => partsOf(recipe.choices));
const mayRemove = computed(() => (recipe.standsFor === null ? recipe.isMine : mayStandFor.includes(recipe.standsFor)));
const standing = computed(() => {
  if (recipe.standsFor === null) return recipe.isShared ? 'colleagues see it' : 'yours alone';
  const whom = recipe.standsFor === 'institution' ? 'the college' : (recipe.department ?? 'its department');
  const locked = recipe.locks.length > 0 ? `, ${recipe.locks.length} of it locked` : '';
  return `stands for ${whom}${locked}`;
});
const SCOPE_WORDS = { institution: 'the college', department: 'the department' } as const;
const departmentFor = (scope: RecipeScope): string | null => (scope === 'department' ? department : null);
</script>

<template>
  <PlanLine
    :title="recipe.name"
    :detail="`${parts.map(partWords(recipe.choices)).join(' · ')} — by ${recipe.by}, ${standing}`"
  >
    <ElButton size="small" plain type="primary" :aria-label="`Apply ${recipe.name}`" @click="emit('apply')"
      >Apply</ElButton
    >
    <button
      v-if="recipe.isMine && recipe.standsFor === null"
      class="plain-link"
      @click="emit('share', !recipe.isShared)"
    >
      {{ recipe.isShared ? 'keep it to yourself' : 'share it' }}
    </button>
    <button v-if="mayStandFor.length > 0" class="plain-link" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      stands for …
    </button>
    <button v-if="mayRemove" class="plain-link" :aria-label="`Remove ${recipe.name}`" @click="emit('remove')">
      remove
    </button>
  </PlanLine>
  <li v-if="isOpen" class="stands">
    <ElCheckboxGroup v-model="locks" size="small" :aria-label="`Locked parts of ${recipe.name}`">
      <span class="quiet">locked:</span>
      <ElCheckbox v-for="part in parts" :key="part" :value="part">{{ partWords(recipe.choices)(part) }}</ElCheckbox>
    </ElCheckboxGroup>
    <span class="presses">
      <button
        v-for="scope in mayStandFor"
        :key="scope"
        class="plain-link"
        :disabled="scope === 'department' && department === null"
        @click="emit('stand', scope, departmentFor(scope), locks)"
      >
        let it stand for {{ scope === 'department' ? (department ?? 'the department') : SCOPE_WORDS[scope] }}
      </button>
      <button v-if="recipe.standsFor" class="plain-link" @click="emit('stand', null, null, [])">for nobody</button>
    </span>
  </li>
</template>

<style scoped>
.stands {
  padding: 2px 0 6px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: center;
}

.stands.stands .el-checkbox {
  height: 24px;
  margin: 0 0 0 14px;
}

.presses {
  display: flex;
  gap: 16px;
}
</style>
