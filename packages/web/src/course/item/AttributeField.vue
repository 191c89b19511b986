<script setup lang="ts">
import { WAYS, type Attribute } from '@yarin/core';
import { computed } from 'vue';
import NumberBox from '../../shared/NumberBox.vue';

const { attribute, problem } = defineProps<{ attribute: Attribute; problem: string | undefined }>();
const value = defineModel<unknown>();

const text = computed({
  get: () => (typeof value.value === 'string' ? value.value : ''),
  set: (given: string) => (value.value = given),
});
const lines = computed({
  get: () => (Array.isArray(value.value) ? value.value.join('\n') : ''),
  set: (given: string) => (value.value = given.split('\n').filter((line) => line.trim() !== '')),
});
const ways = computed({
  get: () => (Array.isArray(value.value) ? (value.value as string[]) : []),
  set: (given: string[]) => (value.value = WAYS.filter((way) => given.includes(way))),
});
</script>

<template>
  <div class="field">
    <span class="name"
      >{{ attribute.words }} <small v-if="attribute.hint">{{ attribute.hint }}</small></span
    >
    <NumberBox
      v-if="attribute.sort === 'number'"
      :value="typeof value === 'number' ? value : undefined"
      :most="attribute.most"
      :label="attribute.words"
      @set="(given) => (value = given)"
    />
    <label v-else-if="attribute.sort === 'truth'" class="choice">
      <input
        type="checkbox"
        :checked="value === true"
        :aria-label="attribute.words"
        @change="value = ($event.target as HTMLInputElement).checked ? true : undefined"
      />
      {{ value === true ? 'yes' : 'no' }}
    </label>
    <span v-else-if="attribute.sort === 'ways'" class="choices">
      <label v-for="way in WAYS" :key="way" class="choice">
        <input v-model="ways" type="checkbox" :value="way" /> {{ way }}
      </label>
    </span>
    <span v-else-if="attribute.sort === 'choice'" class="choices" role="radiogroup" :aria-label="attribute.words">
      <label v-for="each in attribute.values" :key="each" class="choice">
        <input type="radio" :checked="value === each" :value="each" @change="value = each" /> {{ each }}
      </label>
    </span>
    <ElInput
      v-else-if="attribute.sort === 'lines'"
      v-model="lines"
      type="textarea"
      :rows="4"
      :aria-label="attribute.words"
    />
    <ElInput
      v-else
      v-model="text"
      size="small"
      :maxlength="500"
      :placeholder="attribute.sort === 'address' ? 'https://' : ''"
      :aria-label="attribute.words"
    />
    <small v-if="problem" class="problem" role="alert">{{ problem }}</small>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 3px;
}

.name {
  font-size: 13px;
  color: var(--quiet);
}

.problem {
  font-size: 13px;
  color: var(--madder);
}
</style>
